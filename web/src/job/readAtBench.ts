import { factsOf, type Job, type JobWithLog, type SqueezeReading } from '@rusty-wren/contract';
import { accountOf, type Account } from '@rusty-wren/core/account';
import type { LatelyLow } from '@rusty-wren/core/compression';
import type { OfModel } from '@rusty-wren/core/model';
import { diagnose, type Case, type Diagnosis } from '@rusty-wren/core/diagnosis';
import { commonnessIn, paceOf, type LearntHere } from '@rusty-wren/core/learning';
import {
  caseOf,
  entryWords,
  evidenceFromTheCan,
  phaseOf,
  readJob,
  sharesCan,
  unnumbered,
  type CanMate,
  type NewEntry,
  type Phase,
  type Picture,
} from '@rusty-wren/core/log';

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
  /** How squeezes read here lately against before. */
  latelyLow: LatelyLow | null;
  /** What the shop knows of the model. */
  modelNotes: readonly OfModel[];
  picture: Picture;
  /** What closed jobs say of machines like it; null where they do not count. */
  learnt: LearntHere | null;
  /** What the diagnosis rests on: this log, and what was found in the can on others. */
  benchCase: Case;
  /** Worked out when it is first asked for: in pieces, a tap is answered without it. */
  readonly diagnosis: Diagnosis;
  mates: readonly Mate[];
  /** How an entry reads in an argument: "Work the primer bulb: bubbles". Entries of linked jobs by their tag. */
  nameOf: (ref: string) => string;
  readonly phase: Phase;
  /** The one account of the work: what choices, prices and papers say rests on it. */
  readonly account: Account;
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
    const { about, says } = entryWords(line, away?.job.machine.kind ?? picture.machine.kind);
    return `${away ? `Tag ${away.job.tag}, same can. ` : ''}${about}: ${says}`;
  };
}

let last: { of: string; diagnosis: Diagnosis } | null = null;

/** The diagnosis of a case, worked out once: that an entry has got its number from the server changes nothing. */
function diagnosisOf(benchCase: Case): Diagnosis {
  const of = JSON.stringify(benchCase);
  if (last?.of !== of) last = { of, diagnosis: diagnose(benchCase) };
  return last.diagnosis;
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

/**
 * A job with all that is known of its log, sent or not, and everything worked out from it. `unsent`: entries of this job
 * that the server may not have yet; `baselineTurns`: the school its screws begin from.
 */
export function readAtBench(
  { job, entries, squeezes, modelNotes = [], latelyLow, learnt, paces, sameCan }: JobWithLog,
  unsent: readonly NewEntry[],
  baselineTurns: number,
): JobAtBench {
  const known = new Set(entries.map((e) => e.id));
  const own = unsent.filter((e) => !known.has(e.id)).map(unnumbered);
  const picture = readJob(
    [...entries, ...own],
    { ...factsOf(job.machine), baselineTurns },
    { carburettor: job.machine.carburettor },
  );
  const mates = sameCan.map((mate): Mate => {
    const canMate = { jobId: mate.job.id, picture: readJob(mate.entries, factsOf(mate.job.machine)) };
    return { ...canMate, job: mate.job, linked: sharesCan(picture, job.id, canMate) };
  });
  const commonness = learnt && commonnessIn(learnt);
  const pace = paceOf(paces, picture.hands);
  const benchCase = {
    ...caseOf(picture, evidenceFromTheCan(picture, job.id, mates)),
    ...(commonness && { commonness }),
    ...(pace && { pace }),
  };
  let phase: Phase | null = null;
  let account: Account | null = null;
  return {
    job,
    // Its own as this device knows them, sent or not.
    squeezes: [...squeezes.filter((s) => s.tag !== job.tag), ...squeezesIn(picture, job)],
    modelNotes,
    latelyLow: latelyLow ?? null,
    picture,
    learnt: learnt ?? null,
    benchCase,
    get diagnosis() {
      return diagnosisOf(benchCase);
    },
    mates,
    nameOf: namesOf(picture, mates),
    get phase() {
      return (phase ??= phaseOf(picture, diagnosisOf(benchCase)));
    },
    get account() {
      return (account ??= accountOf(picture, benchCase));
    },
    entryCount: entries.length + own.length,
  };
}
