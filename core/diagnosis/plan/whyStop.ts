import type { CauseId, Remedy } from '../../knowledge';

/** Why further checks cannot change what should be done, and what that is. */
export type Stop =
  /** What was seen accounts for it: put it right. */
  | { why: 'found'; cause: CauseId; causes: readonly CauseId[]; probability: number }
  /** One cause is likely enough to act on. */
  | { why: 'settled'; cause: CauseId; probability: number }
  /** Whichever of these it is, the same job puts it right. */
  | { why: 'one-remedy'; remedy: Remedy; causes: readonly CauseId[]; probability: number }
  /** Squeeze has decided: before anything else is spent, is it worth mending? */
  | { why: 'worth'; remedy: Remedy; causes: readonly CauseId[]; probability: number }
  /** Put right and not run since: see whether that was it. */
  | { why: 'try'; cause: CauseId; causes: readonly CauseId[] }
  /** No check left saves the minutes it takes; this is the repair best tried. */
  | { why: 'nothing-pays'; cause: CauseId; probability: number };

/** The cause that stands foremost in what is to be done. */
export const leadingIn = (stop: Stop): CauseId => ('cause' in stop ? stop.cause : stop.causes[0]!);

/** The causes a stop would have put right. */
export const actedOn = (stop: Stop): readonly CauseId[] => ('causes' in stop ? stop.causes : [stop.cause]);
