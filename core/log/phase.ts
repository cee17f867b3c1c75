import type { CauseId } from '../knowledge';
import type { Picture } from './picture';
import { openBehind } from './readJob';

/** What the job asks of the technician now. */
export type Phase =
  | { kind: 'check' }
  | { kind: 'repair'; cause: CauseId }
  | { kind: 'behind'; cause: CauseId; open: readonly CauseId[] }
  | { kind: 'prove' }
  | { kind: 'close' }
  | { kind: 'closed' };

/**
 * The phase of a job: find the cause, repair what is settled, answer what stands behind it, prove it, close it. A
 * repair that changed nothing, or left something over, goes back to finding.
 */
export function phaseOf(picture: Picture): Phase {
  if (picture.stage === 'closed') return { kind: 'closed' };
  const toRepair = picture.settled.find((s) => s.outcome === null);
  if (toRepair) return { kind: 'repair', cause: toRepair.cause };
  const last = picture.repairs.at(-1);
  if (!last || last.outcome !== 'cured') return { kind: 'check' };
  for (const { cause, outcome } of picture.settled) {
    const open = outcome === 'no-change' ? [] : openBehind(cause, picture);
    if (open.length > 0) return { kind: 'behind', cause, open };
  }
  return picture.proof.every((step) => step.done) ? { kind: 'close' } : { kind: 'prove' };
}
