import { CAUSE_INDEX, CAUSES, type CauseId } from '../knowledge';
import { rightedBy, type Case } from './case';
import { SETS } from './hypotheses';
import { posterior } from './posterior';
import { timelineOf } from './timeline';

/** A cause that a cure may have been the cure of: its share of the credit, 0 to 1. */
export interface Credit {
  cause: CauseId;
  share: number;
}

/** Fainter than this it is not named. */
const NAMED = 0.05;

/**
 * What a repair that helped was the cure of: what of it was seen and stood, else whichever of what it put right may have been
 * there, with the odds there were just before it, given that one of them was. Likeliest first; empty for a repair that
 * is not on the case or put right nothing of the list.
 *
 * @example creditOf(caseOf(picture), kit.entryId) // [{ cause: 'metering-diaphragm-stiff', share: 0.71 }, …]
 */
export function creditOf(c: Case, ref: string): Credit[] {
  const at = c.evidence.findIndex((e) => e.kind === 'repair' && e.ref === ref);
  const repair = c.evidence[at];
  if (repair?.kind !== 'repair') return [];
  const causes = rightedBy(repair);
  const [only] = causes;
  if (only && causes.length === 1) return [{ cause: only, share: 1 }];
  const before: Case = { ...c, evidence: c.evidence.slice(0, at) };
  const stood = timelineOf(before)
    .known.filter((k) => k.state === 'standing' && causes.includes(k.cause))
    .map((k) => k.cause);
  if (stood.length > 0) return stood.map((cause) => ({ cause, share: 1 }));
  const p = posterior(before);
  const mine = new Uint8Array(CAUSES.length + 1);
  for (const cause of causes) mine[CAUSE_INDEX.get(cause)!] = 1;
  const own = new Float64Array(CAUSES.length + 1);
  let any = 0;
  const { a, b, c: third, count } = SETS;
  for (let s = 1; s < count; s++) {
    const members = [a[s]!, b[s]!, third[s]!].filter((i) => mine[i]);
    if (members.length === 0) continue;
    any += p.sets[s]!;
    for (const i of members) own[i]! += p.sets[s]!;
  }
  return causes
    .map((cause) => ({ cause, share: any > 0 ? own[CAUSE_INDEX.get(cause)!]! / any : 0 }))
    .filter((x) => x.share >= NAMED)
    .sort((x, y) => y.share - x.share);
}
