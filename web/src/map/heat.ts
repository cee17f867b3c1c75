import { CAUSES, type CauseId } from '@rusty-wren/core/knowledge';

const AT = new Map(CAUSES.map((cause, i) => [cause.id, i]));

/** Probability that something in a part is wrong (0–1), its causes taken as independent. `causes` in vocabulary order. */
export const heatOf = (ids: readonly CauseId[], causes: Readonly<Float64Array>): number =>
  1 - ids.reduce((sound, id) => sound * (1 - (causes[AT.get(id) ?? -1] ?? 0)), 1);

/** Below this a part is as good as sound, if it was checks that brought it there. */
const SOUND = 0.03;
const FALLEN_TO = 0.6;

/**
 * Whether a part is cleared: somebody looked at it, and it is unlikely now and clearly less likely than by the complaint
 * alone. A part nobody looked at is never cleared, however well another suspect explains everything.
 */
export const isCleared = (looked: boolean, now: number, byComplaint: number): boolean =>
  looked && now < SOUND && now < byComplaint * FALLEN_TO;
