import { MANY_PULLS, type ComplaintId, type Outcome } from '../knowledge';
import type { Bodies, Entry } from './entry';

type Try = Bodies['start'];

/** A start in order takes three to five pulls: more than that without running is a failure, not a beginning. */
const ORDINARY_PULLS = 5;

/** Whether a try proves that it starts: it runs, and within the pulls after which one stops and thinks. */
export const starts = ({ outcome, pulls }: Try): boolean => outcome === 'runs' && pulls <= MANY_PULLS;

/** Whether a try shows that it does not start. One on a flooded engine shows nothing. */
export const failsToStart = ({ state, outcome, pulls }: Try): boolean =>
  outcome !== 'runs' && state !== 'flooded' && pulls > ORDINARY_PULLS;

/** What an engine that failed to start is complained of. */
export const failingAs = ({ outcome }: Try): ComplaintId => (outcome === 'pops' ? 'pops-only' : 'no-fire');

/**
 * How a repair turned out, what happened since counted in: a cure after which the engine failed to start, before anything
 * else was put right, was none. `at`: position of the repair in the live log.
 */
export function outcomeSince(live: readonly Entry[], at: number): Outcome {
  const repair = live[at];
  if (repair?.kind !== 'repair') throw new Error(`no repair at position ${at}`);
  const { outcome } = repair.body;
  if (outcome !== 'cured') return outcome;
  const later = live.slice(at + 1);
  const next = later.findIndex((e) => e.kind === 'repair');
  const since = next < 0 ? later : later.slice(0, next);
  return since.some((e) => e.kind === 'start' && failsToStart(e.body)) ? 'better' : 'cured';
}
