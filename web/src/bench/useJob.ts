import { factsOf, type Job, type NewEntry, type SqueezeReading } from '@rusty-wren/contract';
import { diagnose, type Case, type Diagnosis } from '@rusty-wren/core/diagnosis';
import {
  caseOf,
  entryWords,
  evidenceFromTheCan,
  phaseOf,
  readJob,
  sharesCan,
  type Bodies,
  type CanMate,
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

/** Another job whose machine is said to drink from the same can. */
export interface Mate extends CanMate {
  job: Job;
  /** Whether the link stands, or somebody cut it. */
  linked: boolean;
}

export interface JobAtBench {
  job: Job;
  /** Squeezes measured on this machine and others of its model. */
  squeezes: readonly SqueezeReading[];
  picture: Picture;
  /** What the diagnosis rests on: this log, and what was found in the can on others. */
  benchCase: Case;
  diagnosis: Diagnosis;
  mates: readonly Mate[];
  /** How an entry reads in an argument: "Work the primer bulb: bubbles". Entries of linked jobs by their tag. */
  nameOf: (ref: string) => string;
  phase: Phase;
  entryCount: number;
}

function namesOf(picture: Picture, mates: readonly Mate[]): (ref: string) => string {
  const lines = new Map(picture.trail.map((line) => [line.entry.id, line]));
  const elsewhere = new Map(
    mates.flatMap(({ job, picture: other }) =>
      other.trail.map((line) => [line.entry.id, { job, line }] as const),
    ),
  );
  return (ref) => {
    const away = elsewhere.get(ref);
    const line = lines.get(ref) ?? away?.line;
    if (!line) return '';
    const { about, says } = entryWords(line);
    return `${away ? `Tag ${away.job.tag}, same can. ` : ''}${about}: ${says}`;
  };
}

/** The squeezes measured on this job. */
const squeezesIn = (picture: Picture, job: Job): SqueezeReading[] =>
  picture.trail.flatMap(({ entry, state, judged }) =>
    state !== 'struck' &&
    entry.kind === 'finding' &&
    entry.body.check === 'compression-gauge' &&
    judged &&
    'value' in judged
      ? [
          {
            machineId: job.machine.id,
            tag: job.tag,
            psi: judged.value,
            sound: judged.result === 'good',
            notedAt: entry.notedAt,
          },
        ]
      : [],
  );

/** A job with all this device knows of its log, sent or not, and everything worked out from it. */
export function useJob(jobId: string) {
  // Never another job's, which the query would go on showing until this one has come.
  const { currentData: data, isFetching, error, refetch } = useJobQuery(jobId);
  const unsent = useAppSelector((s) => s.outbox.unsent);
  const baselineTurns = useAppSelector((s) => s.settings.baselineTurns);
  const atBench = useMemo((): JobAtBench | null => {
    if (!data) return null;
    const { job, entries, squeezes, sameCan } = data;
    const known = new Set(entries.map((e) => e.id));
    const own = unsent
      .filter((u) => u.jobId === jobId && !known.has(u.entry.id))
      .map((u) => ({ ...u.entry, seq: null }) as Entry);
    const picture = readJob([...entries, ...own], { ...factsOf(job.machine), baselineTurns });
    const mates = sameCan.map((mate): Mate => {
      const canMate = { jobId: mate.job.id, picture: readJob(mate.entries, factsOf(mate.job.machine)) };
      return { ...canMate, job: mate.job, linked: sharesCan(picture, jobId, canMate) };
    });
    const benchCase = caseOf(picture, evidenceFromTheCan(picture, jobId, mates));
    return {
      job,
      // Its own as this device knows them, sent or not.
      squeezes: [...squeezes.filter((s) => s.tag !== job.tag), ...squeezesIn(picture, job)],
      picture,
      benchCase,
      diagnosis: diagnose(benchCase),
      mates,
      nameOf: namesOf(picture, mates),
      phase: phaseOf(picture),
      entryCount: entries.length + own.length,
    };
  }, [data, unsent, jobId, baselineTurns]);
  return { atBench, isLoading: isFetching && !data, error, refetch };
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
