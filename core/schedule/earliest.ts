import { promisesOf } from './chances';
import { decode, ready } from './decode';
import { longestShift, type DueJob, type Slot, type Task, type Work } from './task';

/** What a machine takes of which nothing is known yet: looked for, mended, proved, started cold once more. */
export const newcomer = (id: string): { job: DueJob; tasks: Task[] } => {
  const step = (
    kind: Task['kind'],
    place: Task['place'],
    like: string,
    [minutes, spread]: readonly [number, number],
    after: Task['after'],
  ): Task => ({
    id: `${id} ${kind}`,
    job: id,
    kind,
    place,
    like,
    hands: true,
    minutes,
    spread,
    release: 0,
    after,
  });
  return {
    job: { id, due: null, weight: 1 },
    tasks: [
      step('look', 'bench', 'look', [30, 20], null),
      step('mend', 'bench', 'bench', [30, 20], { task: `${id} look`, rest: 0 }),
      step('prove', 'outdoors', 'run', [15, 5], { task: `${id} mend`, rest: 0 }),
      step('cold-start', 'outdoors', 'run', [4, 1], { task: `${id} prove`, rest: 180 }),
    ],
  };
};

/**
 * When a machine that comes in now is ready nine times in ten, minutes from the plan's zero, with everything else done as it is
 * planned; Infinity where nobody's days reach so far.
 */
export function readyNineInTen(work: Work, slots: readonly Slot[]): number {
  const { job, tasks } = newcomer('newcomer');
  const longest = longestShift(work.crew);
  if (tasks.some((t) => t.minutes > longest)) return Infinity;
  const all: Work = { ...work, tasks: [...work.tasks, ...tasks], jobs: [...work.jobs, job] };
  const r = ready(all);
  const planned = slots.flatMap((s) => r.index.get(s.task) ?? []);
  const plan = decode(r, [...planned, ...tasks.map((t) => r.index.get(t.id)!)]);
  return promisesOf(all, plan.slots()).find((p) => p.job === job.id)!.ninety;
}
