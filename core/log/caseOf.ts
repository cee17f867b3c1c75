import { standing, withGoing, type Case, type Evidence } from '../diagnosis';
import type { Picture } from './picture';
import { partsOff } from './readJob';

/** The engine's case from a job's picture, with what was found in the same can on other jobs. */
export const caseOf = (picture: Picture, fromTheCan: readonly Evidence[] = []): Case => ({
  machine: picture.machine,
  history: withGoing(picture.history, picture.evidence),
  // First, so that it is judged on the machine as it came in.
  evidence: [...fromTheCan, ...picture.evidence],
  off: partsOff(picture),
  ...(picture.hazardPassed && { hazardPassed: true }),
});

/** Ids of live findings made before a repair that changed what they looked at: they tell of the machine as it was. */
export function staleFindings(picture: Picture): Set<string> {
  const stands = standing(caseOf(picture));
  return new Set(
    picture.findings.filter((f) => f.result !== null && !stands.has(f.check)).map((f) => f.entryId),
  );
}
