import { isAtLeast, mayNote, type Role } from '@rusty-wren/contract';
import { makeEntry, type Bodies, type EntryKind, type NewEntry, type Noted } from '@rusty-wren/core/log';
import { useMemo } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { useAppDispatch, useAppSelector } from '../app/store';
import { noterOf, roleOf } from '../hands/hands';
import { serverNow, type Clock } from '../keeping/clock';
import { noted } from '../keeping/outbox';

/** How anything on a job gets logged. */
export interface Log {
  /** Notes one thing; a strike names what it strikes. Returns the new entry's id. */
  <K extends EntryKind>(kind: K, body: Bodies[K], strikes?: string): string;
  /** Notes several things in one go: they are taken back in one go as well. */
  all: (noted: readonly Noted[]) => void;
}

/** Entries of what is noted now, a millisecond apart, so that they keep their order until the server has numbered them. */
function entriesNow(
  what: readonly Noted[],
  { by, clock }: { by: string | null; clock: Clock },
  strikes?: string,
): NewEntry[] {
  const now = serverNow(clock);
  return what.map((one, n) => {
    const notedAt = new Date(now + n).toISOString();
    return makeEntry(one, { id: uuid(), notedAt, by, ...(strikes && { strikes }) });
  });
}

/** Why somebody of this role notes none of this, in a sentence; null where they may. */
function refusalFor(role: Role, what: readonly Noted[]): string | null {
  if (!isAtLeast(role, 'counter')) return 'A reader notes nothing: take the bench over first (h).';
  return what.every(({ kind }) => mayNote(role, kind))
    ? null
    : 'That is noted by a technician: hand the bench over first (h).';
}

/** Whether whoever has the device in hand may note a kind of entry. */
export function useMay(): (kind: EntryKind) => boolean {
  const role = useAppSelector(roleOf);
  return (kind) => role === null || mayNote(role, kind);
}

/** The log of a job, to note things on. */
export function useLog(jobId: string): Log {
  const dispatch = useAppDispatch();
  const by = useAppSelector(noterOf);
  const role = useAppSelector(roleOf);
  const clock = useAppSelector((s) => s.clock);
  return useMemo(() => {
    const note = (what: readonly Noted[], strikes?: string): string[] => {
      const entries = entriesNow(what, { by, clock }, strikes);
      const refusal = role && refusalFor(role, what);
      if (refusal) toast.error(refusal);
      else if (entries.length > 0) dispatch(noted(entries.map((entry) => ({ jobId, entry }))));
      return entries.map((e) => e.id);
    };
    const one = <K extends EntryKind>(kind: K, body: Bodies[K], strikes?: string): string =>
      note([{ kind, body } as Noted], strikes)[0]!;
    return Object.assign(one, { all: (what: readonly Noted[]) => void note(what) });
  }, [dispatch, jobId, by, role, clock]);
}
