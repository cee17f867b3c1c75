import { mattersIn, workThatHelped, type Account } from '../account';
import { causesOn, explainsAny } from '../diagnosis';
import { CAUSES, type CauseId, type ComplaintId } from '../knowledge';
import type { Picture, ProofStep } from '../log';
import { classOf, type MachineFacts } from '../machine';
import { FAINTEST, PROVED, UNPROVED } from './parameters';

/** Thousandths of a job, by cause: whole numbers, so that sums are the same in any order. */
export type Thousandths = Partial<Record<CauseId, number>>;

/** What a closed job says by itself of what was wrong with its machine. */
export interface Lesson {
  /** How much its closing counts, thousandths of a job. */
  counts: number;
  /** The causes that were there and can account for what was complained of. */
  found: readonly CauseId[];
}

/** The class a machine learns with. */
export const groupOf = (machine: MachineFacts): string => classOf(machine).name;

/**
 * What a job teaches: what was found or mended on it, once it is closed; null while it is open, where nothing was complained of, or
 * where nothing that can account for it was found. A closing that was not proved counts less; what was put right in vain, or not
 * tried, is no lesson.
 */
export function lessonOf(
  picture: Pick<Picture, 'stage' | 'complaints'> & { proof: readonly Pick<ProofStep, 'done'>[] },
  account: Account,
): Lesson | null {
  const complaints = picture.complaints.map((c) => c.complaint);
  if (picture.stage !== 'closed' || complaints.length === 0) return null;
  const found = mattersIn(account, 'standing', 'mended')
    .map((m) => m.cause)
    .filter((cause) => explainsAny(cause, complaints))
    .toSorted();
  if (found.length === 0) return null;
  const proved =
    workThatHelped(account).length > 0 &&
    picture.proof.length > 0 &&
    picture.proof.every((step) => step.done);
  return { counts: proved ? PROVED : UNPROVED, found };
}

/**
 * How often each cause that can account for the complaints would be expected on such a machine by the trade's odds, before it is
 * looked at: thousandths, the faintest left out. What a shop finds is held against it.
 */
export function expectedOn(
  machine: MachineFacts,
  history: Picture['history'],
  complaints: readonly ComplaintId[],
): Thousandths {
  const causes = causesOn({
    machine,
    history,
    evidence: complaints.map((complaint) => ({ ref: complaint, kind: 'complaint', complaint })),
    off: [],
  });
  return Object.fromEntries(
    CAUSES.flatMap(({ id }, i) => {
      const expected = Math.round(causes[i]! * 1000);
      return expected >= FAINTEST && explainsAny(id, complaints) ? [[id, expected]] : [];
    }),
  );
}
