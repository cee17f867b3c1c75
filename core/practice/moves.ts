import type { Evidence } from '../diagnosis';
import type { CauseId, CheckId, ComplaintId, Outcome, PartId, RemedyId, Sureness } from '../knowledge';
import type { Reading } from '../reading';
import type { ReadyId } from './ready';

/** What somebody makes of what a check showed: a result picked, or a reading to be judged. */
export interface Noted {
  result?: string;
  reading?: Reading;
  sureness: Sureness;
}

/** One thing done at the bench of an exercise. What the machine answers follows from the exercise and the moves before. */
export type Move =
  /** A check made; `kpa`: what the pump was brought to; `ready`: what was made ready before it, everything where it is not said. */
  | { do: 'look'; check: CheckId; kpa?: number; ready?: readonly ReadyId[] }
  | { do: 'note'; check: CheckId; noted: Noted }
  /** The note just made was a slip: what was shown is in hand again. */
  | { do: 'take-back' }
  | { do: 'off' | 'on'; part: PartId }
  | { do: 'mend'; cause: CauseId; remedy?: RemedyId }
  /** What was found unsafe is put right. */
  | { do: 'make-safe' }
  /** The teacher asked. */
  | { do: 'ask' }
  | { do: 'hand-back' };

/** What a check showed. */
export interface Shows {
  check: CheckId;
  /** What it is on the machine, misreadings of poor light included; null where it could not be made. */
  result: string | null;
  /** In words; for an instrument what it reads is in `reading`. */
  words: string | null;
  reading: Reading | null;
}

/** A move with what it cost and what came of it. */
export interface Step {
  move: Move;
  /** Bench minutes before it, and its own. */
  at: number;
  minutes: number;
  shows?: Shows;
  /** What was not made ready before it. */
  missed?: readonly ReadyId[];
  /** What was noted, as the bench takes it; null where a reading could not be judged. */
  result?: string | null;
  /** A note that was taken back. */
  slip?: true;
  outcome?: Outcome;
  /** What was known before it. */
  evidence: readonly Evidence[];
  off: readonly PartId[];
  hazard: boolean;
}

/** How an exercise came to its end. */
export type Ended =
  | { why: 'hazard'; says: string }
  /** `left`: faults that are still in it. `standing`: complaints that are not cured. */
  | { why: 'handed-back'; cured: boolean; standing: readonly ComplaintId[]; left: readonly CauseId[] };

/** How an exercise stands. */
export interface Worked {
  steps: readonly Step[];
  /** Bench minutes so far: checks, opening and closing, repairs. */
  minutes: number;
  off: readonly PartId[];
  /** The log as the diagnosis reads it; `ref` is the position of the step, complaints by their id. */
  evidence: readonly Evidence[];
  /** A check that was made and has not been noted. */
  inHand: Shows | null;
  /** Complaints that still stand, as whoever runs it would find. */
  standing: readonly ComplaintId[];
  /** Somebody walked round it and found what is unsafe, and it has not been put right. */
  unsafe: string | null;
  /** Something that is known forbids running it. */
  hazard: boolean;
  /** Faults still there. Not for the trainee's eyes. */
  left: readonly CauseId[];
  ended: Ended | null;
}

/** The position of the note that can still be taken back: the last thing done; -1 where something else was. */
export function lastNote(steps: readonly Step[]): number {
  const at = steps.findLastIndex((s) => s.move.do !== 'ask');
  const last = steps[at];
  return last?.move.do === 'note' && last.result && last.shows ? at : -1;
}
