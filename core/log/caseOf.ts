import type { Case } from '../diagnosis';
import type { Picture } from './picture';
import { partsOff } from './readJob';

/** The engine's case from a job's picture. */
export const caseOf = (picture: Picture): Case => ({
  machine: picture.machine,
  history: picture.history,
  evidence: picture.evidence,
  off: partsOff(picture),
});
