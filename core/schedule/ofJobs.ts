import { actedOn } from '../diagnosis';
import { causeOf, remedyMinutes, remedyOf, type CauseId } from '../knowledge';
import type { Phase, Stage } from '../log';
import { jobsFor } from '../worth';
import { longestShift, type Crew, type DueJob, type Task, type TaskKind } from './task';

/** What is known of an open job where the day is planned. */
export interface OpenJob {
  id: string;
  stage: Stage;
  phase: Phase;
  lead: { cause: CauseId; probability: number } | null;
  /** Things that are off. */
  off: number;
  /** All but a cold start is proved; minutes until the engine is cold again. */
  coldIn: number | null;
  /** By when it was promised, and how long it waits for a part, minutes; null: nothing promised, nobody knows. */
  due: number | null;
  partsIn: number | null;
}

/** Why a job has no place in the plan. */
export type Waits = 'parts' | 'answer';

/** Minutes of hands, set down here until the shop's own log says better. */
const MINUTES = {
  /** Rest of the diagnosis with the cause as good as known, and what is added the less it is. */
  lookLeast: 8,
  lookMore: 40,
  settle: 15,
  prove: 15,
  coldStart: 4,
  close: 5,
  /** Laying one thing back, and what putting together takes in any case. */
  back: 1.5,
  together: 3,
} as const;
/** How far minutes lie apart, as a share of them: looking for it varies more than mending what is known. */
const SPREAD: Readonly<Record<TaskKind, number>> = {
  look: 0.6,
  mend: 0.35,
  together: 0.3,
  prove: 0.3,
  'cold-start': 0.2,
  close: 0.2,
  soak: 0,
};
/** An engine that has run is cold again after so long. */
const COLD = 180;
/** What a minute of lateness of a promise counts. */
const PROMISED = 1;

/** Minutes of putting causes right, and what that work is like. */
function mending(causes: readonly CauseId[]): { minutes: number; like: string } {
  const [first] = causes;
  return {
    minutes: jobsFor(causes).reduce((n, j) => n + j.minutes, 0),
    like: first ? causeOf(first).sits : 'bench',
  };
}

/** What a phase still asks of hands, up to where the machine is put together and may be proved; null: nothing of it. */
function toMend({
  phase,
  lead,
}: OpenJob): { look: number; mend: { minutes: number; like: string } | null } | null {
  const guess = lead ? mending([lead.cause]) : { minutes: 25, like: 'bench' };
  switch (phase.kind) {
    case 'check': {
      const unsure = 1 - (lead?.probability ?? 0);
      return { look: Math.max(phase.minutes, MINUTES.lookLeast + MINUTES.lookMore * unsure), mend: guess };
    }
    case 'settle':
      return { look: MINUTES.settle, mend: guess };
    case 'stop':
      return phase.stop.why === 'try'
        ? { look: 0, mend: null }
        : { look: 0, mend: mending(actedOn(phase.stop)) };
    case 'repair': {
      const { settled } = phase;
      if ('other' in settled) return { look: 0, mend: { minutes: 25, like: 'bench' } };
      const own = mending([settled.cause]);
      return {
        look: 0,
        mend: settled.remedy ? { ...own, minutes: remedyMinutesOf(settled.remedy) } : own,
      };
    }
    default:
      return null;
  }
}

const remedyMinutesOf = (id: Parameters<typeof remedyOf>[0]): number => remedyMinutes(remedyOf(id));

/**
 * The work that is left on open jobs, as pieces to be planned, and the jobs that wait for something nobody has a day for. Minutes
 * from now. What is longer than anybody's day is reckoned as that long.
 */
export function workOf(
  jobs: readonly OpenJob[],
  crew: readonly Crew[],
): { tasks: Task[]; jobs: DueJob[]; waiting: { job: string; for: Waits }[] } {
  const longest = longestShift(crew);
  const tasks: Task[] = [];
  const due: DueJob[] = [];
  const waiting: { job: string; for: Waits }[] = [];
  for (const job of jobs) {
    const { id, stage, phase, off, coldIn, partsIn } = job;
    if (stage === 'closed') continue;
    if (stage === 'answer' || (stage === 'parts' && partsIn === null)) {
      waiting.push({ job: id, for: stage === 'answer' ? 'answer' : 'parts' });
      continue;
    }
    let before: string | null = null;
    let release = stage === 'parts' ? (partsIn ?? 0) : 0;
    const add = (kind: TaskKind, at: Pick<Task, 'place' | 'like'>, wanted: number, rest = 0): void => {
      if (wanted <= 0) return;
      const minutes = Math.min(longest, Math.max(1, Math.round(wanted)));
      tasks.push({
        id: `${id} ${kind}`,
        job: id,
        kind,
        ...at,
        hands: true,
        minutes,
        spread: minutes * SPREAD[kind],
        release,
        after: before === null ? null : { task: before, rest },
      });
      before = `${id} ${kind}`;
      release = 0;
    };
    const outdoors = { place: 'outdoors', like: 'run' } as const;
    const bench = (like: string) => ({ place: 'bench', like }) as const;
    const left = toMend(job);
    const goesHome = phase.kind === 'left';
    if (left) {
      add('look', bench('look'), left.look);
      if (left.mend) add('mend', bench(left.mend.like), left.mend.minutes);
    }
    if (phase.kind === 'behind') add('look', bench('look'), MINUTES.lookLeast);
    if (off > 0 && !left?.mend) add('together', bench('together'), MINUTES.together + off * MINUTES.back);
    if (!goesHome && phase.kind !== 'close') {
      if (coldIn === null) add('prove', outdoors, MINUTES.prove);
      else release = Math.max(release, coldIn);
      add('cold-start', outdoors, MINUTES.coldStart, coldIn === null ? COLD : 0);
    }
    add('close', { place: 'desk', like: 'desk' }, MINUTES.close);
    due.push({ id, due: job.due, weight: PROMISED });
  }
  return { tasks, jobs: due, waiting };
}
