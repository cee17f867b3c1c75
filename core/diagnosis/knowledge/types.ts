import type { CauseId, CheckId, ComplaintId, MachineKind, PartId } from './vocabulary';
import type { Strength } from './strength';

/** One possible result of a check. A neutral result says nothing about any cause ("none fitted"). */
export interface ResultDef {
  id: string;
  label: string;
  /** May be read wrong even by a careful hand: counted as softer evidence. */
  soft?: true;
  neutral?: true;
  /** Long pulling brings it about by itself: after more than ten pulls it says next to nothing. */
  fromPulling?: true;
}

export type CheckGroup =
  'fuel' | 'spark' | 'air' | 'squeeze' | 'carburettor' | 'exhaust' | 'case' | 'running' | 'drive';

/** Which reading a check can be judged from, instead of a picked result. */
export type ReadingKind = 'pulls' | 'legs' | 'millimetres' | 'turns' | 'speed' | 'trace';

export interface CheckDef {
  id: CheckId;
  name: string;
  /** What to do, one or two sentences. */
  how: string;
  /** The caution that belongs at this step, if any. */
  caution?: string;
  /** Bench minutes once access is open. */
  minutes: number;
  /** Parts that must be off first; opening one opens what it hides behind. */
  access: readonly PartId[];
  /** The engine must run for this check to mean anything. */
  running?: true;
  group: CheckGroup;
  /** Results from least to most abnormal: where causes compete, the worse result shows. */
  results: readonly ResultDef[];
  /** How often a sound machine shows an abnormal result; the rest goes to the first result. */
  healthy: Readonly<Record<string, Strength>>;
  /** A trial repair: the causes it would put right. */
  cures?: readonly CauseId[];
  /** The trial goes only part of the way, so that "better" is as good a sign as "cured". */
  gradual?: true;
  reading?: ReadingKind;
  /** Bench-line words for this check, besides its id. */
  words: readonly string[];
}

export type CauseSystem =
  'fuel' | 'carburettor' | 'air' | 'exhaust' | 'spark' | 'squeeze' | 'case' | 'drive' | 'hands';

export interface CauseDef {
  id: CauseId;
  name: string;
  system: CauseSystem;
  /** How common it is among machines that come in, relative to the others (roughly per cent). */
  weight: number;
  /** Factor on the weight for some kinds of machine; 0 where it cannot happen. */
  kinds?: Partial<Record<MachineKind, number>>;
  remedy: string;
  /** Bench minutes for the remedy, a practised hand with the part on the shelf. */
  minutes: number;
  /** Causes that may stand behind this one; the job is not finished until they are answered. */
  behind?: readonly CauseId[];
  complaints: Partial<Record<ComplaintId, Strength>>;
  shows: Partial<Record<CheckId, Readonly<Record<string, Strength>>>>;
}
