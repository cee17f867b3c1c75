import type { Job, NewEntry } from '@rusty-wren/contract';
import { diagnose, type Diagnosis } from '@rusty-wren/core/diagnosis';
import {
  caseOf,
  phaseOf,
  readJob,
  type Bodies,
  type Entry,
  type EntryKind,
  type Phase,
  type Picture,
} from '@rusty-wren/core/log';
import { useCallback, useMemo } from 'react';
import { v4 as uuid } from 'uuid';
import { useJobQuery } from '../api/api';
import { noted } from '../api/outbox';
import { useAppDispatch, useAppSelector } from '../app/store';

export interface JobAtBench {
  job: Job;
  picture: Picture;
  diagnosis: Diagnosis;
  phase: Phase;
  entryCount: number;
}

/** A job with all this device knows of its log, sent or not, and everything worked out from it. */
export function useJob(jobId: string) {
  const { data, isLoading, error, refetch } = useJobQuery(jobId);
  const unsent = useAppSelector((s) => s.outbox.unsent);
  const atBench = useMemo((): JobAtBench | null => {
    if (!data) return null;
    const { job, entries } = data;
    const known = new Set(entries.map((e) => e.id));
    const own = unsent
      .filter((u) => u.jobId === jobId && !known.has(u.entry.id))
      .map((u) => ({ ...u.entry, seq: null }) as Entry);
    const { kind, displacementCc } = job.machine;
    const picture = readJob([...entries, ...own], {
      kind,
      ...(displacementCc !== null && { displacementCc }),
    });
    return {
      job,
      picture,
      diagnosis: diagnose(caseOf(picture)),
      phase: phaseOf(picture),
      entryCount: entries.length + own.length,
    };
  }, [data, unsent, jobId]);
  return { atBench, isLoading, error, refetch };
}

export type Log = <K extends EntryKind>(kind: K, body: Bodies[K], strikes?: string) => string;

/** How anything on the bench gets logged. Returns the new entry's id. */
export function useLog(jobId: string): Log {
  const dispatch = useAppDispatch();
  const by = useAppSelector((s) => s.settings.accountId);
  return useCallback(
    (kind, body, strikes) => {
      const entry = {
        id: uuid(),
        notedAt: new Date().toISOString(),
        kind,
        body,
        ...(by && { by }),
        ...(strikes && { strikes }),
      } as NewEntry;
      dispatch(noted([{ jobId, entry }]));
      return entry.id;
    },
    [dispatch, jobId, by],
  );
}
