import { CAUSES, REMEDIES, type CauseId, type Remedy } from '../knowledge';
import type { Posterior } from '../posterior';
import { CAUSE_INDEX } from '../prior';
import { SETS } from '../sets';
import { ACT_ON, WORTH_MAKING, type NextCheck } from './nextCheck';
import { bestToTry } from './waste';

/** Why further checks cannot change what should be done, and what that is. */
export type Stop =
  /** One cause is likely enough to act on. */
  | { why: 'settled'; cause: CauseId; probability: number }
  /** Whichever of these it is, the same job puts it right. */
  | { why: 'one-remedy'; remedy: Remedy; causes: readonly CauseId[]; probability: number }
  /** Squeeze has decided: before anything else is spent, is it worth mending? */
  | { why: 'worth'; remedy: Remedy; causes: readonly CauseId[]; probability: number }
  /** No check left saves the minutes it takes; this is the repair best tried. */
  | { why: 'nothing-pays'; cause: CauseId; probability: number };

/** A member of a remedy is named when it is at least this likely. */
const NAMED = 0.05;
/** What the remedy leaves out must be unlikely to be to blame. */
const STRAY = 0.2;

/** Probability that at least one of these causes is there. */
function anyOf(p: Posterior, ids: readonly CauseId[]): number {
  const member = new Uint8Array(CAUSES.length + 1);
  for (const id of ids) member[CAUSE_INDEX.get(id) ?? CAUSES.length] = 1;
  const { a, b, c, count } = SETS;
  let sum = 0;
  for (let s = 1; s < count; s++) if (member[a[s]!]! | member[b[s]!]! | member[c[s]!]!) sum += p.sets[s]!;
  return sum;
}

/**
 * Whether to stop checking, and why. Null: the next check is worth its minutes. A remedy shared by several suspects
 * counts once one of them is almost certainly there, and nothing outside it is at all likely.
 */
export function whenToStop(p: Posterior, next: readonly NextCheck[]): Stop | null {
  const open = CAUSES.map((cause, i) => ({ cause, p: p.repaired.includes(cause.id) ? 0 : p.causes[i]! }));
  const lead = open.reduce((x, y) => (y.p > x.p ? y : x));
  for (const remedy of REMEDIES) {
    const inside = open.filter(({ cause, p }) => remedy.mends.includes(cause.id) && p >= NAMED);
    if (!remedy.asksWorth && (inside.length < 2 || lead.p >= ACT_ON)) continue;
    if (inside.reduce((sum, x) => sum + x.p, 0) < ACT_ON) continue;
    const stray = open.some(({ cause, p }) => !remedy.mends.includes(cause.id) && p > STRAY);
    if (stray && !remedy.asksWorth) continue;
    const probability = anyOf(p, remedy.mends);
    if (probability < ACT_ON) continue;
    const causes = inside.toSorted((x, y) => y.p - x.p).map(({ cause }) => cause.id);
    return { why: remedy.asksWorth ? 'worth' : 'one-remedy', remedy, causes, probability };
  }
  if (lead.p >= ACT_ON) return { why: 'settled', cause: lead.cause.id, probability: lead.p };
  const best = next[0];
  if (best && best.value >= WORTH_MAKING) return null;
  const at = bestToTry(Float64Array.from(open, (x) => x.p));
  return { why: 'nothing-pays', cause: CAUSES[at]!.id, probability: open[at]!.p };
}
