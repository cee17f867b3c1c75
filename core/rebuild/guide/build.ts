import { CAUTIONS, layerOf, screwOf, type LayerId, type StackId } from '../../knowledge';
import { formatTurns } from '../../units';
import { isCover, nameIn } from '../makeUp';
import type { Rebuild } from '../rebuild';
import { adviseLayer, renewsBy } from '../renew';
import { checkStep, found, leverHow, notYet, tickStep, type GuideStep, type Looked } from './step';

/** Where a mixture screw goes: its count, or nothing known of it. */
function countOf({ picture, rebuild }: Looked, id: LayerId, screw: 'L' | 'H'): string {
  const { ledger } = picture;
  if (rebuild.uncounted.includes(screw))
    return 'Its count is lost: seated lightly, then out to the baseline.';
  return ledger.counted.has(screw)
    ? `Spring and washer on it. Seated lightly, then out ${formatTurns(Math.max(0, ledger.now[screw] / 8))}.`
    : layerOf(id).on!;
}

const LEVER_PARTS: readonly StackId[] = [
  'lever-spring',
  'inlet-needle',
  'metering-lever',
  'lever-pin',
  'lever-screw',
];
/** The last of what holds the lever to go back: it is measured then. */
const lastOfLever = ({ build }: Pick<Rebuild, 'build'>): StackId | undefined =>
  build.findLast((id) => LEVER_PARTS.includes(id));

/** One layer goes on: the old one or a new one, and how. */
function layerOn(at: Looked, id: StackId, byRenewal: ReadonlySet<StackId>): GuideStep {
  const { makeUp, layers } = at.rebuild;
  const layer = layers.find((l) => l.id === id);
  const common = {
    id: `on ${id}`,
    stage: 'build',
    done: layer === undefined || layer.where === 'in' || layer.where === 'left-off',
  } as const;
  const name = nameIn(makeUp, id);
  if (isCover(id))
    return {
      ...common,
      title: `${name} on`,
      how: 'Scribed lines meet. Screws in turn, finger-tight first.',
      caution: CAUTIONS.snug,
      asks: { kind: 'on', item: id, renew: false },
    };
  const { on, caution } = layerOf(id);
  const screw = screwOf(id);
  const renew = byRenewal.has(id) || (layer !== undefined && adviseLayer(layer).renew);
  return {
    ...common,
    title: `${renew ? `A new ${name.toLowerCase()}` : name} on`,
    how: screw ? countOf(at, id, screw) : (on ?? ''),
    ...(caution && { caution }),
    asks: { kind: 'on', item: id, renew },
  };
}

/** What is tried once the lever is held again. */
const leverTried = (at: Looked): GuideStep[] => [
  checkStep('build', 'metering-lever', found(at, 'metering-lever', at.rebuild.since, ['in-band']), {
    how: leverHow(at.rebuild),
    ...notYet(at, 'metering-lever', at.rebuild.since),
  }),
  // One school measures it at every build, another leaves it out where the lever is right and the needle holds.
  checkStep('build', 'pop-off', found(at, 'pop-off', at.rebuild.since, ['in-band']), {
    ...notYet(at, 'pop-off', at.rebuild.since),
    how: 'Wet the needle. It opens with a pop, falls, and holds where it shut.',
    may: true,
  }),
];

/** Building it up, the order it came off backwards; with a new carburettor all of that may be passed over. */
export function buildSteps(at: Looked): GuideStep[] {
  const { rebuild } = at;
  const whole = rebuild.renewal === 'whole';
  const byRenewal = new Set<StackId>(rebuild.renewal && !whole ? renewsBy(rebuild.renewal, rebuild) : []);
  const leverHeld = rebuild.came.includes('metering-lever') ? lastOfLever(rebuild) : undefined;
  const steps = rebuild.build.flatMap((id): GuideStep[] => {
    const step = layerOn(at, id, byRenewal);
    if (id === leverHeld) return [step, ...leverTried(at)];
    if (id !== 'metering-diaphragm' || step.asks.kind !== 'on' || !step.asks.renew) return [step];
    const how = 'Measure both: a prouder one floods it.';
    return [tickStep('build', 'button-matched', rebuild.ticks, { how }), step];
  });
  if (whole) return steps.map((s) => ({ ...s, may: true as const }));
  if (!rebuild.unusual) return steps;
  const order: GuideStep = {
    id: 'order',
    stage: 'build',
    title: 'It came off in another order',
    asks: { kind: 'order' },
    done: rebuild.order !== null,
  };
  return [order, ...steps];
}
