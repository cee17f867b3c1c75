import { actedOn, explainsAny, type Diagnosis, type Stop } from '../diagnosis';
import { NOT_MENDED, type CauseId, type CheckId } from '../knowledge';
import type { OffItem, Picture, SafetyFault, SetRight, Settled } from './picture';
import { offToStart, openBehind } from './readJob';

/** The one thing a job asks of the technician now. */
export type Phase =
  /** The next check. */
  | { kind: 'check'; check: CheckId; minutes: number }
  /** Enough is known: what to do about it. */
  | { kind: 'stop'; stop: Stop }
  /** Nothing is left to check, and nothing to act on. */
  | { kind: 'settle' }
  /** Seen wrong and then right: was it set right, or read wrong? */
  | { kind: 'set-right'; what: SetRight }
  /** It would be run now, and something that keeps its user safe is broken. */
  | { kind: 'safety'; fault: SafetyFault }
  /** Settled: mend it, and say how that turned out. */
  | { kind: 'repair'; settled: Settled }
  /** What was found accounts for it, and is left as it is or up to the owner. */
  | { kind: 'left'; causes: readonly CauseId[]; because?: 'told' | 'decided' }
  | { kind: 'behind'; cause: CauseId; open: readonly CauseId[] }
  /** Mended, but in pieces. */
  | { kind: 'together'; off: readonly OffItem[] }
  | { kind: 'prove' }
  | { kind: 'close' }
  | { kind: 'closed' };

/** What is found to be wrong and to account for a complaint, when all of it was left or told. */
function leftOf({ found, complaints }: Picture): readonly CauseId[] {
  const said = complaints.map((c) => c.complaint);
  const blamed = found.filter((f) => f.state === 'standing' && explainsAny(f.cause, said));
  return blamed.length > 0 && blamed.every((f) => f.answer) ? blamed.map((f) => f.cause) : [];
}

/**
 * What a job asks for now: find the cause, put right what is settled, answer what stands behind it, put it together, prove
 * it, close it. A repair that changed nothing, or left something over, goes back to finding. The rack, the bench and the
 * map all ask here. `answer`: what the engine says of the job's case.
 */
export function phaseOf(picture: Picture, { next, stop }: Pick<Diagnosis, 'next' | 'stop'>): Phase {
  if (picture.stage === 'closed') return { kind: 'closed' };
  const [what] = picture.setRight;
  if (what) return { kind: 'set-right', what };
  const settled = picture.settled.find((s) => s.outcome === null);
  if (settled) return { kind: 'repair', settled };
  if (!picture.cured) return lookingFor(picture, { next, stop });
  const alsoFound = foundSinceCured(picture);
  if (alsoFound.length > 0)
    return {
      kind: 'stop',
      stop: { why: 'found', cause: alsoFound[0]!, causes: alsoFound, probability: 1 },
    };
  for (const s of picture.settled) {
    const open = s.outcome === 'no-change' || !('cause' in s) ? [] : openBehind(s.cause, picture);
    if (open.length > 0 && 'cause' in s) return { kind: 'behind', cause: s.cause, open };
  }
  const off = offToStart(picture);
  if (off.length > 0) return { kind: 'together', off };
  if (picture.proof.every((step) => step.done)) {
    // Proved, its screws stand: what covers them goes back on.
    const rest = picture.off.filter((item) => item.part !== 'tank-drained');
    return rest.length > 0 && !picture.trayPassed ? { kind: 'together', off: rest } : { kind: 'close' };
  }
  return forbidden(picture) ?? { kind: 'prove' };
}

/** What has to be seen to before the engine is run: a safety fault that stands, unless it was knowingly passed. */
function forbidden(picture: Picture): Phase | null {
  const fault = unsafeToRun(picture);
  return fault && { kind: 'safety', fault };
}

/** The safety fault that forbids running the machine; null where none stands, or it was knowingly passed. */
export const unsafeToRun = ({
  safetyFaults,
  hazardPassed,
}: Pick<Picture, 'safetyFaults' | 'hazardPassed'>): SafetyFault | null =>
  hazardPassed ? null : (safetyFaults[0] ?? null);

/** Faults that were seen after the complaint was gone, and that nothing was done or said about. */
function foundSinceCured({ found, repairs, order }: Picture): CauseId[] {
  const curedAt = Math.max(
    -1,
    ...repairs.filter((r) => r.outcome === 'cured').map((r) => order.get(r.toldBy) ?? -1),
  );
  return found
    .filter(
      (f) => f.state === 'standing' && !f.answer && f.refs.some((ref) => (order.get(ref) ?? -1) > curedAt),
    )
    .map((f) => f.cause);
}

function lookingFor(picture: Picture, { next, stop }: Pick<Diagnosis, 'next' | 'stop'>): Phase {
  if (picture.decision && NOT_MENDED.has(picture.decision.choice))
    return {
      kind: 'left',
      because: 'decided',
      causes: picture.found.filter((f) => f.state === 'standing').map((f) => f.cause),
    };
  if (stop?.why === 'try') {
    const off = offToStart(picture);
    if (off.length > 0) return { kind: 'together', off };
    return forbidden(picture) ?? { kind: 'stop', stop };
  }
  if (stop) {
    const left = leftOf(picture);
    return actedOn(stop).every((id) => left.includes(id))
      ? {
          kind: 'left',
          causes: left,
          ...(picture.found.some((f) => left.includes(f.cause) && f.answer?.answer === 'told') && {
            because: 'told',
          }),
        }
      : { kind: 'stop', stop };
  }
  const [best] = next;
  return best ? { kind: 'check', check: best.check, minutes: best.minutes } : { kind: 'settle' };
}
