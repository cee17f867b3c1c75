import { MANY_PULLS, type ComplaintId } from '../knowledge';
import type { Bodies } from './entry';

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
