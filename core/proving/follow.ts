import type { Case, Evidence } from '../diagnosis/case';
import { CAUSES, toOpen, type CauseId, type CheckId, type ComplaintId, type PartId } from '../knowledge';
import { findingLikelihood, informativeResults } from '../diagnosis/likelihood';
import { nextChecks } from '../diagnosis/plan/nextCheck';
import { posterior } from '../diagnosis/posterior';
import { fillChosen, setOf } from '../diagnosis/sets';

/** What a check most likely shows on a machine with these faults. */
export function likeliestResult(check: CheckId, faults: readonly CauseId[]): string {
  const set = Uint32Array.of(setOf(faults));
  const out = new Float64Array(1);
  const answers = informativeResults(check).map((result) => {
    const likelihood = findingLikelihood(check, result, 'sure');
    if (likelihood) fillChosen(out, likelihood, set, true);
    return { result, p: out[0]! };
  });
  return answers.reduce((x, y) => (y.p > x.p ? y : x)).result;
}

/** The log with one more finding, which takes the place of an earlier one of the same check. */
export function withFinding(evidence: readonly Evidence[], check: CheckId, result: string): Evidence[] {
  const earlier = evidence.find((e) => e.kind === 'finding' && e.check === check);
  return [
    ...evidence.filter((e) => e !== earlier),
    {
      ref: check,
      kind: 'finding',
      check,
      result,
      sureness: 'sure',
      ...(earlier?.kind === 'finding' && { again: earlier.result === result ? 'same' : 'other' }),
    },
  ];
}

/**
 * Follows the plan on a machine with these faults, every check answering as it most likely would, until `enough` says
 * so, nothing is left to check, or after so many steps. Returns the causes then, likeliest first, and the bench minutes
 * the checks took.
 */
export function follow(
  machine: Case['machine'],
  complaints: readonly ComplaintId[],
  faults: readonly CauseId[],
  steps: number,
  enough: (causes: Float64Array) => boolean,
): { causes: CauseId[]; minutes: number } {
  let evidence: Evidence[] = complaints.map((complaint) => ({
    ref: complaint,
    kind: 'complaint',
    complaint,
  }));
  const off: PartId[] = [];
  let minutes = 0;
  for (let n = 0; ; n++) {
    const c: Case = { machine, history: {}, evidence, off };
    const p = posterior(c);
    const best = n < steps && !enough(p.causes) ? nextChecks(c, p)[0] : undefined;
    if (!best) {
      const causes = CAUSES.map((cause, i) => ({ id: cause.id, p: p.causes[i]! }))
        .sort((x, y) => y.p - x.p)
        .map((x) => x.id);
      return { causes, minutes };
    }
    minutes += best.minutes;
    off.push(...toOpen(best.opens, new Set(off)));
    evidence = withFinding(evidence, best.check, likeliestResult(best.check, faults));
  }
}
