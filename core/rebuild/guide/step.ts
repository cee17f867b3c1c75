import { checkOf, resultOf, type CheckId, type PartId, type StackId } from '../../knowledge';
import { sentence, TICK_WORDS, type Picture, type RebuildTick } from '../../log';
import type { Rebuild } from '../rebuild';

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
  /** It was made, and is not right yet: what it showed, and what to do before it is made again. */
  noted?: { label: string; then: string };
  /** It may be passed over: the stage goes on without it. */
  may?: true;
}

/** A step that is done by saying so. */
export const tickStep = (
  stage: RebuildStage,
  tick: RebuildTick,
  ticks: ReadonlySet<RebuildTick>,
  more: Partial<GuideStep> = {},
): GuideStep => ({
  id: tick,
  stage,
  title: sentence(TICK_WORDS[tick]),
  asks: { kind: 'tick', tick },
  done: ticks.has(tick),
  ...more,
});

/** What a guide is worked out from. */
export interface Looked {
  picture: Picture;
  rebuild: Rebuild;
}

const UNCOUNTED = 'How it looked sets no screw back. Count the eighths of each to its seat, or pass it over.';

/** What to do where a step of a rebuild was made and is not right yet, by what it showed. */
const THEN: Partial<Readonly<Record<CheckId, Readonly<Record<string, string>>>>> = {
  'carb-passages': {
    'low-blocked':
      'Soak it, spray the low passage again, low air; its welch plug out only with a new one to hand.',
    'high-blocked': 'Soak it, spray the main passage again, low air; look at the nozzle check.',
  },
  'metering-lever': {
    high: 'Bend it down a little at its arm, never against the needle, and measure again.',
    low: 'Bend it up a little at its arm, never against the needle, and measure again.',
  },
  'inlet-pressure': {
    'slow-leak': 'Wet the needle and press again; else clean the seat, or fit the new needle.',
    'fast-leak': 'The needle does not seat: look at its spring, fork and seat.',
    'will-not-pass': 'Nothing gets through with the lever pressed: screen or passage before the needle.',
  },
  'pop-off': {
    low: 'The spring is weak, or another kit’s: fit the new one, and measure again.',
    high: 'Clean needle and seat; else the spring is another kit’s.',
    'will-not-reseat': 'Wet the needle and try again; else clean the seat, or fit the new needle.',
  },
  'screw-turns': {
    'near-baseline': UNCOUNTED,
    'far-in': UNCOUNTED,
    'far-out': UNCOUNTED,
  },
  'line-routing': { crossed: 'Change them over: the line with the filter is the supply.' },
  'primer-action': {
    bubbles: 'It draws air: line, stub or bulb. Push the lines home and try again.',
    slow: 'Something is tight before it: filter, line or screen.',
    'no-fuel': 'No fuel comes: is it filled, and is the line with the filter the supply?',
    'none-fitted': 'Its carburettor was said to have a bulb: press it, or take that back.',
  },
};

/** That a step was made and showed something that is not right yet, and what to do about it; nothing where it was not made. */
export function notYet(
  { picture }: Looked,
  check: CheckId,
  among: ReadonlySet<string>,
): Pick<GuideStep, 'noted'> {
  const finding = picture.findings.find((f) => f.check === check);
  const then = finding?.result && among.has(finding.entryId) ? THEN[check]?.[finding.result] : undefined;
  if (!finding?.result || !then) return {};
  return { noted: { label: resultOf(check, finding.result)?.label ?? finding.result, then } };
}

/** Whether a check's newest finding is one of those wanted, among the entries that count for it. */
export function found(
  { picture }: Looked,
  check: CheckId,
  among: ReadonlySet<string>,
  wants?: readonly string[],
): boolean {
  const finding = picture.findings.find((f) => f.check === check);
  if (!finding?.result || !among.has(finding.entryId)) return false;
  return !wants || wants.includes(finding.result);
}

/** A step that is a check, made with its own instrument. */
export const checkStep = (
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

/** Whether a layer is off, or was in this rebuild. */
export const isOff = (rebuild: Rebuild, id: StackId): boolean =>
  rebuild.layers.some((l) => l.id === id && (l.where !== 'in' || l.cameOff !== null));

/** Whether a part has been off on this job: it may be back by now. */
export const wasOff = ({ picture }: Looked, part: PartId): boolean =>
  picture.trail.some(
    ({ entry, state }) =>
      state === 'live' && entry.kind === 'took-off' && 'part' in entry.body && entry.body.part === part,
  );

/** How the lever is measured: by its family's reference, where that is known. */
export const leverHow = ({ makeUp }: Pick<Rebuild, 'makeUp'>): string =>
  makeUp?.family.lever.says ?? checkOf('metering-lever').how;
