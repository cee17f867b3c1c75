import { CAUSES, type CauseId, type ComplaintId } from '../knowledge';
import type { Case } from './case';
import { explainedBy } from './explain';
import type { Posterior } from './posterior';
import type { Known } from './timeline';

/** A fault that was seen, measured or put right: true whatever else is wrong, and to be put right or disclosed. */
export interface Found {
  cause: CauseId;
  /** Entries it rests on. */
  refs: readonly string[];
  /** `standing`: to be put right. `mended`: put right, and it helped. `untried`: not run since. `vain`: without effect. */
  state: Known['state'];
  /** The standing complaints it can account for: none for a fault found on the way. */
  explains: readonly ComplaintId[];
}

/** What was found, in the order it was first noted; with parts that were put right in vain, or are not tried yet, without being seen bad. */
export function foundOf(c: Case, p: Posterior): Found[] {
  const known: Found[] = p.timeline.known.map(({ cause, refs, state }) => ({
    cause,
    refs,
    state,
    explains: state === 'standing' ? explainedBy(cause, p.complaints) : [],
  }));
  const listed = new Set(known.map((f) => f.cause));
  for (const e of c.evidence) {
    if (e.kind !== 'repair' || e.cause === null || listed.has(e.cause)) continue;
    if (e.outcome !== 'no-change' && e.outcome !== 'untried') continue;
    listed.add(e.cause);
    const state = e.outcome === 'untried' ? 'untried' : 'vain';
    known.push({ cause: e.cause, refs: [e.ref], state, explains: [] });
  }
  const first = (f: Found): number => c.evidence.findIndex((e) => f.refs.includes(e.ref));
  return known.sort((x, y) => first(x) - first(y) || order(x) - order(y));
}

const order = (f: Found): number => CAUSES.findIndex((cause) => cause.id === f.cause);
