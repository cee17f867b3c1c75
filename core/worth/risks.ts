import { isDeep } from './jobs';
import type { CauseId } from '../knowledge';

/**
 * Chances within a season and lives of machines, as the trade's ordinary experience has them: set down here and nowhere else,
 * until the shop's own closed jobs say better.
 */
export const RISK = {
  /** A repair itself fails at once: it does not run right though the cause was the right one. */
  botched: 0.03,
  /** What was put right comes back. */
  renewed: 0.03,
  /** A fault that was left stands in the way again, where it is of the engine itself, and where it is another. */
  deepLeft: 0.7,
  left: 0.5,
  /** New damage where what caused the old was not put right. */
  unfoundBehind: 0.6,
  /** Something else, in light and in daily use. */
  elseLight: 0.05,
  elseHard: 0.12,
} as const;

/** Seasons a machine gives that runs on with a worn engine. */
export const WORN_SEASONS = 1;
/** Share of a new one's seasons that a top end or a short block brings it back to. */
export const RENEWED_LIFE = { 'top-end': 0.5, 'short-block': 0.7 } as const;
/** Bench minutes after any repair: tuned and proved. */
export const PROVING_MINUTES = 15;
/** Working days a job hangs before it is come to, its parts apart. */
export const QUEUE_DAYS = 1;
/** What something else costs that brings a machine back: minutes and parts of a household one, in cents. */
export const ELSE = { minutes: 25, parts: 15_00 } as const;

export const leftRisk = (cause: CauseId): number => (isDeep(cause) ? RISK.deepLeft : RISK.left);
