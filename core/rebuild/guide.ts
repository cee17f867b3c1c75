import {
  CAUTIONS,
  checkOf,
  layerOf,
  PART_IDS,
  partOf,
  screwOf,
  type CheckId,
  type PartId,
  type StackId,
} from '../knowledge';
import { TICK_WORDS, type Picture, type RebuildTick } from '../log';
import { formatTurns } from '../units';
import { isCover, nameIn, screwsOf, staysIn } from './makeUp';
import type { LayerNow, Rebuild } from './rebuild';
import { adviseLayer, renewsBy } from './renew';

export const REBUILD_STAGES = ['strip', 'clean', 'build', 'refit'] as const;
export type RebuildStage = (typeof REBUILD_STAGES)[number];

/** What a step of the guide asks for. */
export type Asks =
  | { kind: 'family' }
  | { kind: 'off'; item: StackId | PartId }
  /** `renew`: a new one goes in its place. */
  | { kind: 'on'; item: StackId | PartId; renew: boolean }
  | { kind: 'loose'; name: string }
  | { kind: 'check'; check: CheckId }
  /** Tag the lines; push them on again. */
  | { kind: 'lines' }
  | { kind: 'lines-on' }
  | { kind: 'tick'; tick: RebuildTick }
  | { kind: 'renew' }
  | { kind: 'order' };

/** One step of a rebuild. */
export interface GuideStep {
  id: string;
  stage: RebuildStage;
  title: string;
  how?: string;
  caution?: string;
  asks: Asks;
  done: boolean;
  /** It may be passed over: the stage goes on without it. */
  may?: true;
}

/** The whole guide: its steps in order, and the one that is up. */
export interface Guide {
  steps: readonly GuideStep[];
  /** Null once everything is back and worked. */
  now: GuideStep | null;
  stage: RebuildStage | 'done';
  /** What has to come out before a bath cleans anything. */
  bathWaitsFor: readonly string[];
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const tickStep = (
  stage: RebuildStage,
  tick: RebuildTick,
  ticks: ReadonlySet<RebuildTick>,
  more: Partial<GuideStep> = {},
): GuideStep => ({
  id: tick,
  stage,
  title: capital(TICK_WORDS[tick]),
  asks: { kind: 'tick', tick },
  done: ticks.has(tick),
  ...more,
});

interface Looked {
  picture: Picture;
  rebuild: Rebuild;
}

/** Whether a check's newest finding is one of those wanted, among the entries that count for it. */
function found(
  { picture }: Looked,
  check: CheckId,
  among: ReadonlySet<string>,
  wants?: readonly string[],
): boolean {
  const finding = picture.findings.find((f) => f.check === check);
  if (!finding?.result || !among.has(finding.entryId)) return false;
  return !wants || wants.includes(finding.result);
}

const checkStep = (
  stage: RebuildStage,
  check: CheckId,
  done: boolean,
  more: Partial<GuideStep> = {},
): GuideStep => {
  const { name, how, caution } = checkOf(check);
  return {
    id: `${stage} ${check}`,
    stage,
    title: name,
    how,
    ...(caution && { caution }),
    asks: { kind: 'check', check },
    done,
    ...more,
  };
};

const isOff = (rebuild: Rebuild, id: StackId): boolean =>
  rebuild.layers.some((l) => l.id === id && (l.where !== 'in' || l.cameOff !== null));

/** Whether everything the job takes off has been off: it may be back by now. */
const wasOff = ({ picture }: Looked, part: PartId): boolean =>
  picture.trail.some(
    ({ entry, state }) =>
      state === 'live' && entry.kind === 'took-off' && 'part' in entry.body && entry.body.part === part,
  );

function stripSteps(at: Looked): GuideStep[] {
  const { picture, rebuild } = at;
  const { makeUp, ticks } = rebuild;
  const stage = 'strip';
  const off = (item: StackId | PartId, done: boolean, more: Partial<GuideStep> = {}): GuideStep => ({
    id: `off ${item}`,
    stage,
    title: item === 'tank-drained' ? 'Drain the fuel' : `${nameOfItem(rebuild, item)} off`,
    asks: { kind: 'off', item },
    done,
    ...more,
  });
  const counted = picture.carburettor ? screwsOf(picture.carburettor) : [];
  const layerOff = (id: StackId): GuideStep => {
    const def = isCover(id) ? null : layerOf(id);
    return off(id, isOff(rebuild, id), {
      ...(def?.off && { how: def.off }),
      ...(def?.caution && { caution: def.caution }),
    });
  };
  const stacks = makeUp
    ? [...makeUp.stacks.pump.toReversed(), ...makeUp.stacks.metering.toReversed()].filter(
        (id) => !staysIn(id),
      )
    : [];
  const lever = checkStep(stage, 'metering-lever', found(at, 'metering-lever', rebuild.during), {
    may: true,
    how: makeUp?.family.lever.says ?? checkOf('metering-lever').how,
  });
  return [
    {
      id: 'family',
      stage,
      title: 'Which carburettor is it?',
      asks: { kind: 'family' },
      done: picture.carburettor !== null,
    },
    off('tank-drained', wasOff(at, 'tank-drained'), { caution: CAUTIONS.petrol, may: true }),
    ...(counted.length > 0
      ? [
          checkStep(
            stage,
            'screw-turns',
            counted.every((s) => picture.ledger.counted.has(s)),
            {
              caution: CAUTIONS.limiter,
              may: true,
            },
          ),
        ]
      : []),
    tickStep(stage, 'links-seen', ticks, {
      may: true,
      how: 'Throttle and choke: which hole, which way round. A picture says it best.',
    }),
    {
      id: 'lines',
      stage,
      title: 'Tag the lines',
      how: 'What each is at both ends, by its colour, mark or length. One press of the bulb shows the return.',
      asks: { kind: 'lines' },
      done: ticks.has('lines-tagged'),
      may: true,
    },
    checkStep(stage, 'inlet-pressure', found(at, 'inlet-pressure', rebuild.during), { may: true }),
    off('carburettor', wasOff(at, 'carburettor'), { caution: CAUTIONS.petrol }),
    tickStep(stage, 'scribed', ticks, { may: true, how: 'So that every cover goes back the way it was.' }),
    // The lever is measured as it was found, before it comes out.
    ...stacks.flatMap((id) => (id === 'lever-screw' ? [lever, layerOff(id)] : [layerOff(id)])),
    ...(makeUp?.outside ?? []).map((id) => ({ ...layerOff(id), may: true as const })),
    tickStep(stage, 'off-enough', ticks, {
      title: 'Is it off far enough?',
      how: 'What stays in, stays as it is.',
    }),
  ];
}

function cleanSteps(at: Looked): GuideStep[] {
  const { rebuild } = at;
  const open = (id: StackId): boolean => isOff(rebuild, id);
  const stage = 'clean';
  return [
    ...(open('metering-diaphragm')
      ? [
          checkStep(stage, 'carb-passages', found(at, 'carb-passages', rebuild.since, ['clear']), {
            how: 'Spray every passage and see it come out: both throttle ports with the plate open, the main, the idle.',
            caution: CAUTIONS.air,
          }),
        ]
      : []),
    ...(open('pump-diaphragm') && !open('inlet-screen')
      ? [
          tickStep(stage, 'screen-takes-spray', rebuild.ticks, {
            caution: CAUTIONS.solvent,
            ...(open('metering-lever') && { title: 'Screen takes the spray' }),
          }),
        ]
      : []),
    {
      id: 'renew',
      stage,
      title: 'What is renewed?',
      asks: { kind: 'renew' },
      done: rebuild.renewal !== null,
    },
  ];
}

/** Where a mixture screw goes: its count, or nothing known of it. */
function countOf({ picture, rebuild }: Looked, screw: 'L' | 'H'): string {
  const { ledger } = picture;
  if (rebuild.uncounted.includes(screw))
    return 'Its count is lost: seated lightly, then out to the baseline.';
  return ledger.counted.has(screw)
    ? `Spring and washer on it. Seated lightly, then out ${formatTurns(Math.max(0, ledger.now[screw] / 8))}.`
    : layerOf(screw === 'L' ? 'low-screw' : 'high-screw').on!;
}

function buildSteps(at: Looked): GuideStep[] {
  const { rebuild } = at;
  const stage = 'build';
  const whole = rebuild.renewal === 'whole';
  const renews = new Set<StackId>(rebuild.renewal && !whole ? renewsBy(rebuild.renewal, rebuild) : []);
  const now = new Map(rebuild.layers.map((l) => [l.id, l]));
  const on = (id: StackId): GuideStep => {
    const layer = now.get(id);
    const screw = isCover(id) ? null : screwOf(id);
    const how = isCover(id) ? 'Scribed lines meet. Screws in turn, finger-tight first.' : layerOf(id).on;
    const renew = renews.has(id) || (layer !== undefined && adviseLayer(layer).renew);
    return {
      id: `on ${id}`,
      stage,
      title: `${renew && !isCover(id) ? 'A new ' + nameIn(rebuild.makeUp, id).toLowerCase() : nameIn(rebuild.makeUp, id)} on`,
      how: screw ? countOf(at, screw) : (how ?? ''),
      ...(isCover(id)
        ? { caution: CAUTIONS.snug }
        : layerOf(id).caution && { caution: layerOf(id).caution! }),
      asks: { kind: 'on', item: id, renew },
      done: layer === undefined || layer.where === 'in' || layer.where === 'left-off',
    };
  };
  const leverBack = rebuild.came.includes('metering-lever');
  const steps = rebuild.build.flatMap((id): GuideStep[] => {
    const step = on(id);
    if (id === 'metering-diaphragm') {
      const before = [
        ...(step.asks.kind === 'on' && step.asks.renew
          ? [
              tickStep(stage, 'button-matched', rebuild.ticks, {
                how: 'Measure both: a prouder one floods it.',
              }),
            ]
          : []),
      ];
      return [...before, step];
    }
    const last = lastOfLever(rebuild);
    if (leverBack && id === last)
      return [
        step,
        checkStep(stage, 'metering-lever', found(at, 'metering-lever', rebuild.since, ['in-band']), {
          how: rebuild.makeUp?.family.lever.says ?? checkOf('metering-lever').how,
        }),
        checkStep(stage, 'inlet-pressure', found(at, 'inlet-pressure', rebuild.since, ['holds']), {
          title: 'Pop-off and reseat',
          how: 'Wet the needle. It opens with a pop, falls, and holds where it shut.',
          may: true,
        }),
      ];
    return [step];
  });
  const asksOrder =
    rebuild.unusual && !whole
      ? [
          {
            id: 'order',
            stage,
            title: 'It came off in another order',
            asks: { kind: 'order' },
            done: rebuild.order !== null,
          } as const,
        ]
      : [];
  if (whole) return steps.map((s) => ({ ...s, may: true as const }));
  return [...asksOrder, ...steps];
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

function refitSteps(at: Looked): GuideStep[] {
  const { picture, rebuild } = at;
  const { ticks, since } = rebuild;
  const stage = 'refit';
  const offParts = picture.off.flatMap((o) =>
    o.part && !isRebuilt(o.part) && o.part !== 'tank-drained' ? [o.part] : [],
  );
  const carbOff = offParts.includes('carburettor');
  const wasApart = wasOff(at, 'carburettor');
  const others = offParts.filter((p) => p !== 'carburettor');
  const on = (item: PartId, done: boolean): GuideStep => ({
    id: `on ${item}`,
    stage,
    title: `${partOf(item).name} on`,
    asks: { kind: 'on', item, renew: false },
    done,
  });
  const loose = picture.off.filter((o) => !o.part && !o.layer);
  const flooded =
    picture.complaints.some((c) => c.complaint === 'flooded') ||
    picture.found.some((f) => f.cause === 'engine-flooded' && f.state === 'standing');
  return [
    ...(wasApart
      ? [
          tickStep(stage, 'impulse-met', ticks),
          on('carburettor', !carbOff),
          picture.lines.length > 0
            ? linesOn(at)
            : checkStep(stage, 'line-routing', found(at, 'line-routing', since, ['right']), {
                how: 'One press of the bulb shows the return. The line with the filter is the supply.',
              }),
          tickStep(stage, 'links-worked', ticks, { how: 'Before a cover hides them.' }),
        ]
      : []),
    ...others.map((p) => on(p, false)),
    tickStep(stage, 'wires-clear', ticks, { how: 'Not pinched under a cover.' }),
    tickStep(stage, 'links-again', ticks),
    ...loose.map((o): GuideStep => ({
      id: `loose ${o.name.toLowerCase()}`,
      stage,
      title: `${capital(o.name)}: where does it go?`,
      ...(o.place && { how: o.place }),
      asks: { kind: 'loose', name: o.name },
      done: false,
    })),
    ...(picture.carburettor && picture.carburettor.bulb !== 'none'
      ? [
          checkStep(stage, 'primer-action', found(at, 'primer-action', since, ['fills-firm']), {
            caution: CAUTIONS.petrol,
          }),
        ]
      : []),
    ...(flooded ? [tickStep(stage, 'flood-cleared', ticks, { caution: CAUTIONS.lead })] : []),
  ];
}

/** Every tagged line on again, where it was. */
const linesOn = ({ picture }: Looked): GuideStep => ({
  id: 'lines on',
  stage: 'refit',
  title: 'Lines back on',
  asks: { kind: 'lines-on' },
  done: picture.lines.every((line) => line.on !== null && !line.astray),
});

const isRebuilt = (part: PartId): boolean => part === 'pump-cover' || part === 'metering-cover';
const isPart = (item: StackId | PartId): item is PartId => (PART_IDS as readonly string[]).includes(item);
const nameOfItem = ({ makeUp }: Rebuild, item: StackId | PartId): string =>
  isPart(item) && !isRebuilt(item) ? partOf(item).name : nameIn(makeUp, item as StackId);

/**
 * The guide of a rebuild: strip, clean, build in the order it came off backwards, refit. A step that may be passed over is
 * over once a later one of its stage is done; everything comes after what has to be done before it.
 */
export function guideOf(picture: Picture, rebuild: Rebuild): Guide {
  const at = { picture, rebuild };
  const enough = rebuild.ticks.has('off-enough');
  const strip = stripSteps(at).map((s) => (enough ? { ...s, done: true } : s));
  const steps = [strip, cleanSteps(at), buildSteps(at), refitSteps(at)].flatMap(passedOver);
  const now = steps.find((s) => !s.done) ?? null;
  return { steps, now, stage: now?.stage ?? 'done', bathWaitsFor: bathWaitsFor(rebuild) };
}

/** What may be passed over is over once a later step of its stage is done. */
function passedOver(steps: readonly GuideStep[]): GuideStep[] {
  const last = steps.findLastIndex((s) => s.done);
  return steps.map((s, n) => (s.may && n < last ? { ...s, done: true } : s));
}

/** A bath cleans nothing behind a needle that was left in, and ruins what is soft. */
const bathWaitsFor = ({ layers }: Pick<Rebuild, 'layers'>): string[] =>
  layers
    .filter((l: LayerNow) => l.where === 'in' && !isCover(l.id) && l.cameOff === null)
    .filter(
      (l) =>
        ['inlet-needle', 'metering-lever'].includes(l.id) || (!isCover(l.id) && layerOf(l.id).is === 'soft'),
    )
    .filter((l) => !staysIn(l.id))
    .map((l) => l.name);
