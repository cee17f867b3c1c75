import type { MachineKind } from '../machine';
import type { Counted } from './often';
import type { Strength } from './strength';
import type { ComplaintId, PartId } from './vocabulary';

/** One possible result of a check. A neutral result says nothing about any cause ("none fitted"). */
export interface ResultDef {
  id: string;
  label: string;
  /** Other words for it on the bench line. */
  words?: readonly string[];
  /** May be read wrong even by a careful hand: counted as softer evidence. */
  soft?: true;
  neutral?: true;
  /** Long pulling brings it about by itself: after more than ten pulls it says next to nothing. */
  fromPulling?: true;
}

export type CheckGroup =
  | 'fuel'
  | 'spark'
  | 'air'
  | 'squeeze'
  | 'carburettor'
  | 'exhaust'
  | 'case'
  | 'running'
  | 'drive';

/** Which reading a check can be judged from, instead of a picked result. */
export type ReadingKind = 'pulls' | 'legs' | 'millimetres' | 'turns' | 'speed' | 'trace' | 'popOff';

/**
 * What kind of knowledge a check gives: a `look` at or a `measurement` of the very part, a `symptom` that several causes
 * share, or a `trial` that puts something right and waits to see.
 */
export type CheckNature = 'look' | 'measurement' | 'symptom' | 'trial';

/** What a check asks of the engine: to be turned by the cord, tried to be started, or running. */
export type EngineNeed = 'turned' | 'started' | 'running';

/** Everything there is to know about a check: a check is added by adding one of these to one of the files in `checks`. */
export interface CheckSpec {
  name: string;
  /** What to do, one or two sentences. */
  how: string;
  /** The caution that belongs at this step, if any. */
  caution?: string;
  is: CheckNature;
  /** What the engine has to do for it; left out where it stands still. */
  engine?: EngineNeed;
  /** Bench minutes once access is open. */
  minutes: number;
  /** Parts that must be off first; opening one opens what it hides behind. */
  access: readonly PartId[];
  /** Kinds of machine that have nothing to check here. */
  notOn?: readonly MachineKind[];
  /** Fuel is poured in for it: not into an engine that is wet already. */
  addsFuel?: true;
  /** It answers a question that only these complaints ask. */
  onlyFor?: readonly ComplaintId[];
  /** Where this complaint stands, these results only say it again. */
  restates?: Partial<Readonly<Record<ComplaintId, readonly string[]>>>;
  /** It tells the same as another check, which is made first. */
  insteadOf?: string;
  group: CheckGroup;
  /** Results from least to most abnormal: where causes compete, the worse result shows. */
  results: readonly ResultDef[];
  /** How often a sound machine shows an abnormal result; the rest goes to the first result. */
  healthy: Readonly<Record<string, Strength>>;
  /** The trial goes only part of the way, so that "better" is as good a sign as "cured". */
  gradual?: true;
  reading?: ReadingKind;
  /** Bench-line words for this check, besides its id. */
  words: readonly string[];
}

/** Whether the engine is run for a check, or tried to be. */
export const runsIt = ({ engine }: Pick<CheckSpec, 'engine'>): boolean =>
  engine === 'started' || engine === 'running';

/**
 * Whether what a check shows may come and go with the fault: the engine is run or its spark looked at, or something is tried. A gauge
 * and an eye on a part see the same every time.
 */
export const showsAtTimes = ({ is, engine, group }: Pick<CheckSpec, 'is' | 'engine' | 'group'>): boolean =>
  is === 'trial' || runsIt({ engine }) || (engine === 'turned' && group === 'spark');

/**
 * What is wrong with a count of how often a check failed, in a sentence; null where it is right. Only what may come and go is counted,
 * and none failed goes with the first result, the sound one, and with no other.
 */
export function countProblem(
  { results, ...check }: Pick<CheckSpec, 'is' | 'engine' | 'group' | 'results'>,
  result: string | undefined,
  { failed, of }: Counted,
): string | null {
  if (!showsAtTimes(check)) return 'it shows the same every time: a count says nothing more';
  if (result === undefined) return 'a count goes with a result, not with a reading';
  const [sound] = results;
  if ((failed === 0) === (result === sound?.id)) return null;
  return failed === 0
    ? `None of ${of} failed: that is ${sound?.label}`
    : `${failed} of ${of} failed: that is not ${sound?.label}`;
}
