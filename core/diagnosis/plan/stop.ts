import {
  CAUSE_INDEX,
  CAUSES,
  causeOf,
  REMEDIES,
  type CauseId,
  type CheckId,
  type Remedy,
} from '../../knowledge';
import { explainsAny } from './needs';
import { SETS } from '../hypotheses';
import { ACT_ON, LEAST_NET, LIKELY_ENOUGH, SEEN, WORTH_MAKING } from '../parameters';
import type { Posterior } from '../posterior';
import type { Stop } from './whyStop';
import { causeToActOn, type NextCheck } from './nextCheck';
import { firstFrom, type Planning } from './planning';

/** A member of a remedy is named when it is at least this likely. */
const NAMED = 0.02;
/** What the remedy leaves out must be unlikely to be to blame. */
const STRAY = 0.2;

/** Probability that at least one of these causes is there. */
function anyOf(p: Posterior, ids: readonly CauseId[]): number {
  if (ids.some((id) => p.present[CAUSE_INDEX.get(id)!])) return SEEN;
  const member = new Uint8Array(CAUSES.length + 1);
  for (const id of ids) member[CAUSE_INDEX.get(id) ?? CAUSES.length] = 1;
  const { a, b, c, count } = SETS;
  let sum = 0;
  for (let s = 1; s < count; s++) if (member[a[s]!]! | member[b[s]!]! | member[c[s]!]!) sum += p.sets[s]!;
  return sum;
}

/** Whether the damage is known, or the squeeze was measured and found wanting: words and a pull by hand decide no money. */
const shownIn = (p: Posterior, { mends }: Remedy): boolean =>
  mends.some((id) => p.present[CAUSE_INDEX.get(id)!]) ||
  p.weighed.some(
    ({ evidence: e }) => e.kind === 'finding' && e.check === 'compression-gauge' && e.result !== 'good',
  );

/** The remedy that mends nearly all that may be to blame, if there is one. */
function sharedRemedy(p: Posterior, open: readonly { id: CauseId; p: number }[]): Stop | null {
  for (const remedy of REMEDIES) {
    const inside = open.filter(({ id, p }) => remedy.mends.includes(id) && p >= NAMED);
    if (inside.length < 2 && !remedy.asksWorth) continue;
    if (inside.reduce((sum, x) => sum + x.p, 0) < ACT_ON) continue;
    if (open.some(({ id, p }) => !remedy.mends.includes(id) && p > STRAY) && !remedy.asksWorth) continue;
    const probability = anyOf(p, remedy.mends);
    if (probability < ACT_ON) continue;
    if (remedy.asksWorth && !shownIn(p, remedy)) continue;
    const causes = inside.toSorted((x, y) => y.p - x.p).map(({ id }) => id);
    return { why: remedy.asksWorth ? 'worth' : 'one-remedy', remedy, causes, probability };
  }
  return null;
}

/** Whether a check only opens what the remedy opens anyway, to look at what it mends anyway. */
const partOf = ({ check, opens }: NextCheck, { mends }: Remedy): boolean =>
  opens.length > 0 && mends.some((cause) => causeOf(cause).seen?.[check]);

/** Whether a check is the trial of a repair of one of these. */
const triesOut = (check: CheckId, causes: readonly CauseId[]): boolean =>
  causes.some((id) => causeOf(id).putRightBy?.includes(check));

/**
 * Whether to stop checking, and why. Null: the next check is worth its minutes. While a check pays, it comes first,
 * save where the engine is worn out and the question is whether it is worth mending.
 */
export function whenToStop(p: Posterior, next: readonly NextCheck[], planning: Planning): Stop | null {
  const standing = p.timeline.known.filter((k) => k.state === 'standing').map((k) => k.cause);
  const open = CAUSES.map(({ id }, i) => ({ id, p: p.gone[i] ? 0 : p.causes[i]! }));
  const shared = sharedRemedy(p, open);
  // Money comes before all else: what brought it about is asked beside it, and before anything is bought.
  if (shared?.why === 'worth') return shared;
  const blamed = standing.filter((id) => explainsAny(id, p.complaints));
  const ready = !planning.ruined || planning.owed.size === 0;
  // What is left on the plan pays for nothing: it is asked before the job is done, not before what was found is mended.
  const pays = next.some((n) => n.value >= WORTH_MAKING && !triesOut(n.check, blamed));
  if (blamed.length > 0 && ready && !pays)
    return { why: 'found', cause: blamed[0]!, causes: blamed, probability: SEEN };
  if (shared?.why === 'one-remedy' && next.every((n) => partOf(n, shared.remedy))) return shared;
  const first = firstFrom(planning, planning.board.now, planning.off);
  const at = causeToActOn(planning.board.now.causes, first, p);
  // A repair that would rather be in vain waits while there is anything left to look at.
  const unlikely = open[at]!.p < LIKELY_ENOUGH;
  const asked = planning.ruined || planning.state.hazard !== null;
  const goesOn = next.some((n) => unlikely || n.net > LEAST_NET || (asked && planning.owed.has(n.check)));
  if (goesOn) return null;
  if (shared) return shared;
  if (standing.length > 0 && !first)
    return { why: 'found', cause: standing[0]!, causes: standing, probability: SEEN };
  const lead = open.reduce((x, y) => (y.p > x.p && !p.present[CAUSE_INDEX.get(y.id)!] ? y : x));
  if (lead.p >= ACT_ON) return { why: 'settled', cause: lead.id, probability: lead.p };
  return { why: 'nothing-pays', cause: CAUSES[at]!.id, probability: open[at]!.p };
}
