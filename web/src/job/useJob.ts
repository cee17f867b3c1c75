import { factsOf, type Job, type SqueezeReading } from '@rusty-wren/contract';
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
  makeEntry,
  unnumbered,
  type EntryKind,
  type Noted,
  type Phase,
  type Picture,
} from '@rusty-wren/core/log';
import { useMemo } from 'react';
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
      .map((u) => unnumbered(u.entry));
    const picture = readJob([...entries, ...own], { ...factsOf(job.machine), baselineTurns });
    const mates = sameCan.map((mate): Mate => {
      const canMate = { jobId: mate.job.id, picture: readJob(mate.entries, factsOf(mate.job.machine)) };
      return { ...canMate, job: mate.job, linked: sharesCan(picture, jobId, canMate) };
    });
    const benchCase = caseOf(picture, evidenceFromTheCan(picture, jobId, mates));
    const diagnosis = diagnose(benchCase);
    return {
      job,
      // Its own as this device knows them, sent or not.
      squeezes: [...squeezes.filter((s) => s.tag !== job.tag), ...squeezesIn(picture, job)],
      picture,
      benchCase,
      diagnosis,
      mates,
      nameOf: namesOf(picture, mates),
      phase: phaseOf(picture, diagnosis),
      entryCount: entries.length + own.length,
    };
  }, [data, unsent, jobId, baselineTurns]);
  return { atBench, isLoading: isFetching && !data, error, refetch };
}

/** How anything on a job gets logged. */
export interface Log {
  /** Notes one thing; a strike names what it strikes. Returns the new entry's id. */
  <K extends EntryKind>(kind: K, body: Bodies[K], strikes?: string): string;
  /** Notes several things in one go: they are taken back in one go as well. */
  all: (noted: readonly Noted[]) => void;
}

/** The log of a job, to note things on. */
export function useLog(jobId: string): Log {
  const dispatch = useAppDispatch();
  const by = useAppSelector((s) => s.settings.accountId);
  return useMemo(() => {
    const all = (what: readonly Noted[], strikes?: string): string[] => {
      const notedAt = new Date().toISOString();
      const entries = what.map((one) =>
        makeEntry(one, { id: uuid(), notedAt, by, ...(strikes && { strikes }) }),
      );
      if (entries.length > 0) dispatch(noted(entries.map((entry) => ({ jobId, entry }))));
      return entries.map((e) => e.id);
    };
    const one = <K extends EntryKind>(kind: K, body: Bodies[K], strikes?: string): string =>
      all([{ kind, body } as Noted], strikes)[0]!;
    return Object.assign(one, { all: (what: readonly Noted[]) => void all(what) });
  }, [dispatch, jobId, by]);
}
