import { actedOn, type Forecast } from '../diagnosis';
import {
  causeOf,
  proofRun,
  remedyMinutes,
  remedyOf,
  type CauseId,
  type LayerTask,
  type Pace,
  type RemedyId,
} from '../knowledge';
import { paceOf, type Paces } from '../learning';
import { COLD_AGAIN_H, type Phase, type ProofLeft, type Stage } from '../log';
import { jobsFor } from '../worth';
import type { IfOrdered } from './helps';
import { longestShift, type Crew, type DueJob, type Task, type TaskKind } from './task';

/** What is known of an open job where the day is planned. */
export interface OpenJob {
  id: string;
  stage: Stage;
  phase: Phase;
  lead: { cause: CauseId; probability: number } | null;
  /** What the plan says of the rest of its diagnosis, bench minutes; null while nobody has worked that out. */
  toFind: Pick<Forecast, 'mean' | 'p90'> | null;
  /** Things that are off, and whether the carburettor is among them in pieces. */
  off: number;
  inPieces: boolean;
  /** Who had it in hand last. */
  hands: string | null;
  /** The machine on the rack that a part of it comes out of. */
  donor: string | null;
  /** All but a cold start is proved; minutes until the engine is cold again. */
  coldIn: number | null;
  /** What is left of its proof; null where nobody has worked that out. */
  proof: ProofLeft | null;
  /** By when it was promised, and how long it waits for a part, minutes; null: nothing promised, nobody knows. */
  due: number | null;
  partsIn: number | null;
  /** How long it would wait if what is to be ordered was ordered today; null: nothing is, or nobody knows where. */
  orderedIn: number | null;
}

/** Why a job has no place in the plan. */
export type Waits = 'parts' | 'answer';

/** Minutes of hands, set down here until the shop's own log says better. */
const MINUTES = {
  /** Rest of the diagnosis with the cause as good as known, and what is added the less it is, where no plan says better. */
  lookLeast: 8,
  lookMore: 40,
  settle: 15,
  coldStart: 4,
  close: 5,
  /** Laying one thing back, and what putting together takes in any case. */
  back: 1.5,
  /** Taking a carburettor apart for the bath, and what it is left in there. */
  strip: 12,
  soak: 20,
  build: 8,
  together: 3,
} as const;
/** How far minutes lie apart, as a share of them: looking for it varies more than mending what is known. */
const SPREAD: Readonly<Record<TaskKind, number>> = {
  look: 0.6,
  strip: 0.3,
  mend: 0.35,
  together: 0.3,
  prove: 0.3,
  'cold-start': 0.2,
  close: 0.2,
  soak: 0,
};
/** An engine that has run is cold again after so long. */
const COLD = 60 * COLD_AGAIN_H;
/** A night on its hook. */
const NIGHT = 60 * proofRun('stood').waitHours!;
/** Where nobody has worked out the proof. */
const USUAL_PROOF: ProofLeft = { minutes: 15, cold: 1, nights: 0 };
/** Where it wants more than this of standing cold, the rest is made as it comes: a month is not planned. */
const MOST_STANDING = 4;
/** What a minute of lateness of a promise counts. */
const PROMISED = 1;

/** Ninety of a hundred lie under the mean and so many standard deviations. */
const NINETY = 1.2816;

/** What is gummed up in a carburettor soaks loose in a bath; everything soft is out before. */
const SOAKS: ReadonlySet<CauseId> = new Set([
  'idle-circuit-blocked',
  'main-circuit-blocked',
  'inlet-screen-clogged',
  'needle-stuck-shut',
]);

interface Mending {
  minutes: number;
  like: string;
  soaks: boolean;
}

/** Minutes of putting causes right, and what that work is like. */
function mending(causes: readonly CauseId[], pace?: Pace): Mending {
  const [first] = causes;
  return {
    soaks: causes.some((c) => SOAKS.has(c)),
    minutes: jobsFor(causes, pace).reduce((n, j) => n + j.minutes, 0),
    like: first ? causeOf(first).sits : 'bench',
  };
}

/** A fault in somebody's own words. */
const UNKNOWN: Mending = { minutes: 25, like: 'bench', soaks: false };

/** What a phase still asks of hands, up to where the machine is put together and may be proved; null: nothing of it. */
function toMend(
  { phase, lead, toFind }: OpenJob,
  pace: Pace,
): { look: number; spread?: number; mend: Mending | null } | null {
  const guess = lead ? mending([lead.cause], pace) : UNKNOWN;
  switch (phase.kind) {
    case 'check': {
      if (toFind) {
        const look = Math.max(phase.minutes, toFind.mean);
        return { look, spread: Math.max(SPREAD.mend * look, (toFind.p90 - look) / NINETY), mend: guess };
      }
      const unsure = 1 - (lead?.probability ?? 0);
      return { look: Math.max(phase.minutes, MINUTES.lookLeast + MINUTES.lookMore * unsure), mend: guess };
    }
    case 'settle':
      return { look: MINUTES.settle, mend: guess };
    case 'stop':
      return phase.stop.why === 'try'
        ? { look: 0, mend: null }
        : { look: 0, mend: mending(actedOn(phase.stop), pace) };
    case 'repair': {
      const { settled } = phase;
      if ('other' in settled) return { look: 0, mend: UNKNOWN };
      const own = mending([settled.cause], pace);
      return {
        look: 0,
        mend: settled.remedy ? { ...own, minutes: remedyMinutesOf(settled.remedy, pace) } : own,
      };
    }
    default:
      return null;
  }
}

const remedyMinutesOf = (id: RemedyId, pace: Pace): number => remedyMinutes(remedyOf(id)) * (pace[id] ?? 1);

/** A job that has no place in the plan; `ifOrdered`: what it would ask if its part was ordered today. */
export interface Waiting {
  job: string;
  for: Waits;
  ifOrdered?: IfOrdered;
}

const OUTDOORS = { place: 'outdoors', like: 'run' } as const;

/** What a job asks of hands from a moment on, one piece after the other. `beside`: the machine it is to lie next to. */
function tasksOf(
  job: OpenJob,
  from: number,
  { bath, longest, beside, pace }: { bath: boolean; longest: number; beside: string | null; pace: Pace },
): Task[] {
  const { id, phase, off, coldIn, inPieces } = job;
  const tasks: Task[] = [];
  let release = from;
  const add = (
    kind: TaskKind,
    at: Pick<Task, 'place' | 'like'>,
    wanted: number,
    { rest = 0, spread = 0, n = 0 }: { rest?: number; spread?: number; n?: number } = {},
  ): void => {
    if (wanted <= 0) return;
    const minutes = Math.min(longest, Math.max(1, Math.round(wanted)));
    const before = tasks.at(-1);
    tasks.push({
      id: n > 0 ? `${id} ${kind} ${n + 1}` : `${id} ${kind}`,
      job: id,
      kind,
      ...at,
      hands: kind !== 'soak',
      minutes,
      spread: spread || minutes * SPREAD[kind],
      release,
      after: before ? { task: before.id, rest } : null,
    });
    release = 0;
  };
  const bench = (like: string) => ({ place: 'bench', like: beside ? `beside ${beside}` : like }) as const;
  const paceIn = (task: LayerTask): number => pace[task] ?? 1;
  const left = toMend(job, pace);
  const goesHome = phase.kind === 'left';
  if (left) {
    const { look, spread, mend } = left;
    add('look', bench('look'), look, spread === undefined ? {} : { spread });
    if (mend && mend.soaks && bath && !inPieces) {
      const strip = MINUTES.strip * paceIn('layer-off');
      add('strip', bench(mend.like), strip);
      add('soak', { place: 'bath', like: 'bath' }, MINUTES.soak);
      add('mend', bench(mend.like), Math.max(MINUTES.build * paceIn('layer-back'), mend.minutes - strip));
    } else if (mend) add('mend', bench(mend.like), mend.minutes);
  }
  if (phase.kind === 'behind') add('look', bench('look'), MINUTES.lookLeast);
  if (off > 0 && !left?.mend) {
    const laying = off * MINUTES.back * (inPieces ? paceIn('layer-back') : 1);
    add('together', bench('together'), MINUTES.together + laying);
  }
  if (!goesHome && phase.kind !== 'close') {
    const { minutes, cold, nights } = job.proof ?? USUAL_PROOF;
    if (coldIn === null) add('prove', OUTDOORS, minutes);
    else release = Math.max(release, coldIn);
    const rests = [...Array<number>(cold).fill(COLD), ...Array<number>(nights).fill(NIGHT)];
    rests.slice(0, MOST_STANDING).forEach((rest, n) => {
      add('cold-start', OUTDOORS, MINUTES.coldStart, { rest: n === 0 && coldIn !== null ? 0 : rest, n });
    });
  }
  add('close', { place: 'desk', like: 'desk' }, MINUTES.close);
  return tasks;
}

/**
 * The work that is left on open jobs, as pieces to be planned, and the jobs that wait for something nobody has a day for. Minutes
 * from now. What is longer than anybody's day is reckoned as that long. `bath`: the shop has one. `paces`: how much longer
 * things take here, and in whose hands.
 */
export function workOf(
  jobs: readonly OpenJob[],
  crew: readonly Crew[],
  { bath = false, paces }: { bath?: boolean; paces?: Paces | undefined } = {},
): { tasks: Task[]; jobs: DueJob[]; waiting: Waiting[] } {
  const longest = longestShift(crew);
  const donors = new Set(jobs.flatMap((j) => j.donor ?? []));
  const tasks: Task[] = [];
  const due: DueJob[] = [];
  const waiting: Waiting[] = [];
  for (const job of jobs) {
    const { id, stage, partsIn, orderedIn, hands } = job;
    if (stage === 'closed') continue;
    // A donor and the machine that gets its part lie side by side.
    const pace = paceOf(paces, hands) ?? {};
    const at = { bath, longest, pace, beside: job.donor ?? (donors.has(id) ? id : null) };
    const asked: DueJob = { id, due: job.due, weight: PROMISED, ...(hands && { hands }) };
    if (stage === 'answer') waiting.push({ job: id, for: 'answer' });
    else if (stage === 'parts' && partsIn === null)
      waiting.push({
        job: id,
        for: 'parts',
        ...(orderedIn !== null && { ifOrdered: { job: asked, tasks: tasksOf(job, orderedIn, at) } }),
      });
    else {
      tasks.push(...tasksOf(job, stage === 'parts' ? (partsIn ?? 0) : 0, at));
      due.push(asked);
    }
  }
  return { tasks, jobs: due, waiting };
}
