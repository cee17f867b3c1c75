import { mattersIn, workThatHelped, type Account } from '../account';
import { causesOn, explainsAny } from '../diagnosis';
import { CAUSES, type CauseId, type ComplaintId } from '../knowledge';
import type { Picture, ProofStep } from '../log';
import { classOf, type MachineFacts } from '../machine';
import { FAINTEST, FAINTEST_FOUND, PROVED, UNPROVED } from './parameters';

/** Thousandths of a job, by cause: whole numbers, so that sums are the same in any order. */
export type Thousandths = Partial<Record<CauseId, number>>;

/** What a closed job says by itself of what was wrong with its machine. */
export interface Lesson {
  /** How much its closing counts, thousandths of a job. */
  counts: number;
  /** The causes that can account for what was complained of, as far as they were there: seen ones wholly, a cure's by their share. */
  found: Thousandths;
}

/** The class a machine learns with. */
export const groupOf = (machine: MachineFacts): string => classOf(machine).name;

/**
 * What a job teaches: what was found or mended on it, once it is closed, and what its cure may have been, by share; null while it is open, where nothing was complained of, or
 * where nothing that can account for it was found. A closing that was not proved counts less; what was put right in vain, or not
 * tried, is no lesson.
 */
export function lessonOf(
  picture: Pick<Picture, 'stage' | 'complaints' | 'cleared'> & { proof: readonly Pick<ProofStep, 'done'>[] },
  account: Account,
): Lesson | null {
  const complaints = picture.complaints.map((c) => c.complaint);
  if (picture.stage !== 'closed' || complaints.length === 0) return null;
  const found = foundOn(account, { complaints, cleared: picture.cleared });
  if (Object.keys(found).length === 0) return null;
  const proved =
    workThatHelped(account).length > 0 &&
    picture.proof.length > 0 &&
    picture.proof.every((step) => step.done);
  return { counts: proved ? PROVED : UNPROVED, found };
}

/** Of each cause that can account for the complaints, how surely it was there: thousandths, in the order of their names. */
function foundOn(
  account: Account,
  { complaints, cleared }: { complaints: readonly ComplaintId[]; cleared: readonly CauseId[] },
): Thousandths {
  const shares = new Map<CauseId, number>();
  const found = (cause: CauseId, share: number): void => {
    if (explainsAny(cause, complaints)) shares.set(cause, Math.max(share, shares.get(cause) ?? 0));
  };
  for (const { cause, share } of mattersIn(account, 'standing', 'mended')) found(cause, share);
  for (const { causes } of account.cure?.shares ?? [])
    for (const { cause, share } of causes) if (!cleared.includes(cause)) found(cause, share);
  return Object.fromEntries(
    [...shares]
      .map(([cause, share]) => [cause, Math.round(share * 1000)] as const)
      .filter(([, share]) => share >= FAINTEST_FOUND)
      .toSorted(([x], [y]) => x.localeCompare(y)),
  );
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
