import {
  IN_CARBURETTOR,
  LAYER_MINUTES,
  layerOf,
  remedyOf,
  TURNS_A_SCREW,
  type CauseId,
  type Condition,
  type LayerId,
  type LayerTask,
} from '../knowledge';
import type { Noted, Picture, Renewal } from '../log';
import { isCover } from './makeUp';
import { BACK, BACK_NEW, BACK_UNMENDED, COMEBACK_MINUTES, WHOLE_MINUTES, type RenewalPrices } from './costs';
import type { LayerNow, Rebuild } from './rebuild';

/** Whether a layer is renewed or goes back as it is, and why. */
export interface LayerAdvice {
  renew: boolean;
  why: string;
  /** It goes back once it is clean. */
  cleans?: true;
}

const SPENT: Partial<Readonly<Record<Condition, string>>> = {
  missing: 'it was missing',
  wrong: 'it is of another carburettor',
  torn: 'torn',
  hard: 'gone hard',
  worn: 'worn',
};

const CLEANS = { renew: false, why: 'cleans up', cleans: true } as const;

/** What evidence says of one layer: renew what failed, clean what is metal, keep what is sound. */
export function adviseLayer({
  id,
  condition,
  where,
}: Pick<LayerNow, 'id' | 'condition' | 'where'>): LayerAdvice {
  if (isCover(id)) return { renew: false, why: 'goes back' };
  if (where === 'missing') return { renew: true, why: 'it was missing' };
  if (where === 'binned') return { renew: true, why: 'the old one is in the bin' };
  if (condition && SPENT[condition]) return { renew: true, why: SPENT[condition] };
  const soft = layerOf(id).is === 'soft';
  if (condition === 'gummed') return soft ? { renew: true, why: 'gummed: solvent would ruin it' } : CLEANS;
  if (condition === 'dirty') return CLEANS;
  return { renew: false, why: condition === 'sound' ? 'sound' : 'not looked at' };
}

/** What goes wrong with which layer: renewing it, or cleaning it where it is metal, puts these right. */
const PUTS_RIGHT: Partial<Readonly<Record<LayerId, readonly CauseId[]>>> = {
  'pump-diaphragm': ['pump-diaphragm-stiff'],
  'metering-diaphragm': ['metering-diaphragm-stiff', 'metering-diaphragm-proud', 'metering-diaphragm-torn'],
  'inlet-needle': ['needle-not-sealing', 'needle-stuck-shut'],
  'inlet-screen': ['inlet-screen-clogged'],
  'metering-lever': ['metering-lever-high', 'metering-lever-low'],
  'purge-bulb': ['primer-faulty'],
  'check-valve': ['primer-faulty'],
  'welch-plugs': ['idle-circuit-blocked'],
  'nozzle-check': ['main-circuit-blocked'],
};

/** What work on these layers puts right. */
const rightedOn = (layers: readonly LayerNow[]): CauseId[] =>
  layers.flatMap(({ id }) => (isCover(id) ? [] : (PUTS_RIGHT[id] ?? [])));

const KIT_MENDS = remedyOf('carburettor-rebuild').mends;

/** One school of renewing, costed for this carburettor. */
export interface RenewalChoice {
  id: Renewal;
  name: string;
  /** What is renewed by it. */
  renews: readonly LayerId[];
  /** What its parts come to, whole cents before tax. */
  parts: number;
  /** Bench minutes from here until the carburettor is whole. */
  minutes: number;
  /** Chance that the carburettor brings it back within a season, 0 to 1. */
  comeback: number;
  why: string;
}

interface Suspect {
  cause: CauseId;
  probability: number;
}

const hazard = (layer: LayerNow, renewed: boolean): number => {
  if (renewed) return BACK.renewed;
  const { renew, cleans } = adviseLayer(layer);
  if (renew) return BACK.spent;
  if (cleans) return BACK.cleaned;
  return !isCover(layer.id) && layerOf(layer.id).is === 'soft' ? BACK.soundSoft : BACK.soundHard;
};

const any = (chances: readonly number[]): number => 1 - chances.reduce((none, p) => none * (1 - p), 1);

/** Whether somebody has been into the carburettor, by what was found or by the odds. */
export const tampered = (picture: Pick<Picture, 'found'>, suspects: readonly Suspect[]): boolean =>
  picture.found.some((f) => f.cause === 'carb-tampered' && f.state === 'standing') ||
  suspects.some((s) => s.cause === 'carb-tampered' && s.probability >= 0.5);

/** What is renewed by a school: all the kit holds of what is open, only what failed, or everything. */
export function renewsBy(renewal: Renewal, rebuild: Pick<Rebuild, 'layers' | 'makeUp'>): LayerId[] {
  const { layers, makeUp } = rebuild;
  const kit = makeUp?.family.kit ?? [];
  return layers.flatMap((layer) => {
    if (isCover(layer.id)) return [];
    const spent = adviseLayer(layer).renew;
    const inKit = renewal !== 'failed' && kit.includes(layer.id) && layer.cameOff !== null;
    return spent || inKit ? [layer.id] : [];
  });
}

/**
 * The three schools of renewing, costed for this carburettor: parts, minutes, and the chance that it is back, from the
 * condition of what goes back in and the odds of what nobody saw. The first is the one to take: whole, where somebody has
 * been inside; else the one that costs least with its comebacks reckoned in.
 */
export function renewalChoices(
  rebuild: Rebuild,
  picture: Pick<Picture, 'found'>,
  suspects: readonly Suspect[],
  prices: RenewalPrices,
): RenewalChoice[] {
  const meddled = tampered(picture, suspects);
  const open = rebuild.layers.filter((l) => l.cameOff !== null || l.where !== 'in');
  const minutesOf = (task: LayerTask): number => LAYER_MINUTES[task] * (prices.pace?.[task] ?? 1);
  const unmended = (right: readonly CauseId[]): number[] =>
    suspects
      // A screw is set once it runs: whatever was renewed, that is no comeback.
      .filter((s) => IN_CARBURETTOR.has(s.cause) && !TURNS_A_SCREW.has(s.cause) && !right.includes(s.cause))
      .map((s) => s.probability * BACK_UNMENDED);
  const choice = (id: Exclude<Renewal, 'whole'>): RenewalChoice => {
    const renews = renewsBy(id, rebuild);
    const spent = open.filter((l) => adviseLayer(l).renew).map((l) => l.name.toLowerCase());
    // Taken apart and cleaned puts right what cleaning does; what was never opened stays as it is.
    const opened = rightedOn(open);
    const right: readonly CauseId[] = id === 'kit' ? [...KIT_MENDS, ...opened] : opened;
    const single = renews.reduce((sum, layer) => sum + prices.layer(PUTS_RIGHT[layer]?.[0] ?? null), 0);
    return {
      id,
      name: id === 'kit' ? 'The whole kit' : 'Only what failed',
      renews,
      parts: id === 'kit' ? prices.kit : single,
      minutes:
        (open.length - renews.length) * minutesOf('layer-back') + renews.length * minutesOf('layer-new'),
      comeback: any([
        ...open.map((l) => hazard(l, !isCover(l.id) && renews.includes(l.id))),
        ...unmended(right),
      ]),
      why:
        id === 'kit'
          ? `${renews.length} renewed while it is open`
          : spent.length > 0
            ? spent.join(', ')
            : 'nothing failed: clean it and lay it back',
    };
  };
  const whole: RenewalChoice = {
    id: 'whole',
    name: 'A new carburettor',
    renews: [],
    parts: prices.whole,
    minutes: WHOLE_MINUTES,
    comeback: BACK_NEW,
    why: meddled
      ? 'somebody has been inside: what else was done is not known'
      : 'nothing of the old one stays',
  };
  const cost = (c: RenewalChoice): number =>
    c.parts + prices.minute * (c.minutes + c.comeback * COMEBACK_MINUTES) + c.comeback * prices.kit;
  const all = [choice('failed'), choice('kit'), whole].sort((x, y) => cost(x) - cost(y));
  return meddled ? [whole, ...all.filter((c) => c !== whole)] : all;
}

/** What lies over from the kit once it is built: normal. What came off the carburettor is never among it. */
export function leftOfKit(rebuild: Pick<Rebuild, 'layers' | 'makeUp'>): {
  layers: LayerId[];
  spares: number;
} {
  const kit = rebuild.makeUp?.family.kit ?? [];
  const used = new Set(rebuild.layers.filter((l) => l.renewed).map((l) => l.id));
  return { layers: kit.filter((id) => !used.has(id)), spares: rebuild.makeUp?.family.kitSpares ?? 0 };
}

/**
 * What a finished rebuild put right, as repairs that are not tried yet: the whole job by the kit or a new carburettor, else
 * the causes that were found on the layers that were renewed or cleaned.
 */
export function mendedBy(
  rebuild: Rebuild,
  picture: Pick<Picture, 'found'>,
  suspects: readonly Suspect[],
): Noted[] {
  const standing = picture.found.filter((f) => f.state === 'standing').map((f) => f.cause);
  const likeliest = suspects.find((s) => KIT_MENDS.includes(s.cause))?.cause;
  const untried = { outcome: 'untried' } as const;
  const first = standing.find((c) => KIT_MENDS.includes(c)) ?? likeliest ?? 'metering-diaphragm-stiff';
  const byKit: Noted = {
    kind: 'repair',
    body: { cause: first, remedy: 'carburettor-rebuild', ...untried },
  };
  if (rebuild.renewal === 'whole')
    return [byKit, { kind: 'repair', body: { cause: 'carb-tampered', ...untried } }];
  // Wrong and missing parts that are new now were what was wrong, whatever else the kit renewed.
  const astray = rebuild.layers.filter((l) => l.condition === 'wrong' || l.condition === 'missing');
  const asBuilt: Noted[] =
    standing.includes('carb-tampered') && astray.length > 0 && astray.every((l) => l.renewed)
      ? [{ kind: 'repair', body: { cause: 'carb-tampered', ...untried } }]
      : [];
  if (rebuild.renewal === 'kit') return [...asBuilt, byKit];
  const worked = rebuild.layers.filter((l) => l.cameOff !== null);
  const right = rightedOn(worked);
  const found = standing.filter((c) => right.includes(c));
  // Nothing was seen wrong, and something was renewed: it may have been that.
  const renewed = worked.filter((l) => l.renewed).flatMap((l) => rightedOn([l])[0] ?? []);
  const mended = [...new Set(found.length + asBuilt.length > 0 ? found : renewed)];
  return [...asBuilt, ...mended.map((cause): Noted => ({ kind: 'repair', body: { cause, ...untried } }))];
}
