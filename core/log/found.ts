import { timelineOf, type Evidence } from '../diagnosis';
import type { Entry } from './entry';
import type { Finding, FoundFault, SafetyFault } from './picture';

/** The faults that are known by now, each with what was said about it last since it was last seen or put right. */
export function readFound(evidence: readonly Evidence[], live: readonly Entry[]): FoundFault[] {
  const { known } = timelineOf({ machine: { kind: 'chainsaw' }, history: {}, evidence, off: [] });
  const at = new Map(live.map((e, n) => [e.id, n]));
  return known.map((fault): FoundFault => {
    const since = Math.max(-1, ...fault.refs.map((ref) => at.get(ref) ?? -1));
    const said = live.findLast(
      (e, n) => n > since && e.kind === 'answered' && 'cause' in e.body && e.body.cause === fault.cause,
    );
    if (said?.kind !== 'answered' || !('cause' in said.body)) return { ...fault, answer: null };
    const { answer, words } = said.body;
    return { ...fault, answer: { entryId: said.id, answer, ...(words && { words }) } };
  });
}

/** The safety fault that stands: as the last walk-round named it, unless it was put right since. */
export function readSafety(live: readonly Entry[], findings: readonly Finding[]): SafetyFault[] {
  const walk = findings.find((f) => f.check === 'safety-walkround' && f.result === 'fault');
  if (!walk) return [];
  const at = live.findIndex((e) => e.id === walk.entryId);
  const entry = live[at];
  const answers = live
    .slice(at + 1)
    .flatMap((e) => (e.kind === 'answered' && 'safety' in e.body ? [e.body.safety] : []));
  if (answers.includes('put-right')) return [];
  const words = (entry?.kind === 'finding' && entry.body.note) || 'not named';
  return [{ entryId: walk.entryId, words, told: answers.includes('told') }];
}
