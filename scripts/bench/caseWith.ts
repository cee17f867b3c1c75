import { CHECKS } from '@rusty-wren/core/knowledge';
import { type Case, type Evidence } from '@rusty-wren/core/diagnosis';

/** A saw that will not reach speed, with the first `count` checks all coming out sound. */
export function caseWith(count: number): Case {
  const findings = CHECKS.slice(0, count).map((check): Evidence => ({
    ref: check.id,
    kind: 'finding',
    check: check.id,
    result: check.results[0]?.id ?? '',
    sureness: 'sure',
  }));
  return {
    machine: { kind: 'chainsaw', displacementCc: 45 },
    history: { monthsStored: 6, openedBefore: 'unknown' },
    evidence: [{ ref: 'c', kind: 'complaint', complaint: 'wont-reach-speed' }, ...findings],
    off: [],
  };
}
