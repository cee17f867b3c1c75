import { CAUSES, type CauseId, type CheckId, type ComplaintId, type PartId } from '../knowledge';
import { takeIn, type Case, type Evidence } from '../diagnosis';
import {
  asItStood,
  fillChosen,
  findingLikelihood,
  informativeResults,
  maskOf,
} from '../diagnosis/likelihood';
import { nextChecks } from '../diagnosis/plan/nextCheck';
import { posterior } from '../diagnosis/posterior';

/** Nothing that is not named beside it: the empty set. */
const NONE = Uint32Array.of(0);
const NOBODY = maskOf([]);

/** The chance of each result of a check (in the order of `informativeResults`) on a machine with these faults. */
export function chancesOf(
  check: CheckId,
  faults: readonly CauseId[],
  { complaints = [], exact = false }: { complaints?: readonly ComplaintId[]; exact?: boolean } = {},
): number[] {
  const present = maskOf(faults);
  const out = new Float64Array(1);
  return informativeResults(check).map((result) => {
    const likelihood = findingLikelihood(check, result, 'sure', { complaints });
    if (!likelihood) return 0;
    fillChosen(out, asItStood(likelihood, NOBODY, present), NONE, exact);
    return out[0]!;
  });
}

/** What a check most likely shows on a machine with these faults. */
export function likeliestResult(check: CheckId, faults: readonly CauseId[]): string {
  const chances = chancesOf(check, faults, { exact: true });
  return informativeResults(check)[chances.indexOf(Math.max(...chances))]!;
}

/** The log with one more sure finding. */
export const withFinding = (evidence: readonly Evidence[], check: CheckId, result: string): Evidence[] =>
  takeIn(evidence, { ref: `${check} ${evidence.length}`, kind: 'finding', check, result, sureness: 'sure' });

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
    for (const part of best.puts) off.splice(off.indexOf(part), 1);
    off.push(...best.opens);
    evidence = withFinding(evidence, best.check, likeliestResult(best.check, faults));
  }
}
