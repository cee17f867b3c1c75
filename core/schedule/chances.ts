import { chanceFrom, normalFrom, type Chance } from '../chance';
import { setupBetween, type Slot, type Task, type Work } from './task';

/** How minutes of a task come out, once. */
export type DrawMinutes = (task: Task) => number;

/** Minutes as the trade takes them: skewed (log-normal), with the mean and the spread the task says. */
export function logNormalMinutes(chance: Chance): DrawMinutes {
  const normal = normalFrom(chance);
  return ({ minutes, spread }) => {
    if (minutes <= 0 || spread <= 0) return minutes;
    const variance = Math.log(1 + (spread / minutes) ** 2);
    return Math.exp(Math.log(minutes) - variance / 2 + Math.sqrt(variance) * normal());
  };
}

/** The last minutes before a shift ends nobody begins anything in. */
const TOO_LATE = 5;

/** When work ends that begins at a time and is laid down at the end of a shift, to go on in the next. */
function endOf(start: number, minutes: number, windows: readonly (readonly [number, number])[]): number {
  let left = minutes;
  for (const [from, to] of windows) {
    const at = Math.max(from, start);
    if (at >= to) continue;
    if (at + left <= to) return at + left;
    left -= to - at;
  }
  return Infinity;
}

/** The first moment from `at` on at which somebody begins something. */
const beginsFrom = (at: number, windows: readonly (readonly [number, number])[]): number => {
  for (const [from, to] of windows) if (at < to - TOO_LATE) return Math.max(at, from);
  return Infinity;
};

/**
 * When each task ends if the plan is gone through once, with minutes as they come out: each technician takes what is planned next,
 * and while that still cools or waits for its part, what comes after it. What takes longer is laid down at the end of the day and
 * goes on the next.
 */
export function goThrough(work: Work, slots: readonly Slot[], draw: DrawMinutes): Map<string, number> {
  const tasks = new Map(work.tasks.map((t) => [t.id, t]));
  const ends = new Map<string, number>();
  /** From when on it can be done; null while what comes before it is not through. */
  const opens = ({ release, after }: Task): number | null => {
    if (!after) return release;
    const prior = ends.get(after.task);
    return prior === undefined ? null : Math.max(release, prior + after.rest);
  };
  const lanes = work.crew.map(({ id, windows }) => ({
    windows,
    last: null as Task | null,
    free: 0,
    left: slots.flatMap((s) => (s.crew === id ? (tasks.get(s.task) ?? []) : [])),
  }));
  const alone = slots.flatMap((s) => (s.crew === null ? (tasks.get(s.task) ?? []) : []));
  for (;;) {
    for (const task of alone) {
      const from = ends.has(task.id) ? null : opens(task);
      if (from !== null) ends.set(task.id, from + draw(task));
    }
    let next: { lane: (typeof lanes)[number]; at: number; start: number } | null = null;
    for (const lane of lanes) {
      let at = -1;
      let from = Infinity;
      for (const [n, task] of lane.left.entries()) {
        const open = opens(task);
        if (open === null || open >= from) continue;
        [at, from] = [n, open];
        if (open <= lane.free) break;
      }
      if (at < 0) continue;
      const start = beginsFrom(Math.max(lane.free, from), lane.windows);
      if (!next || start < next.start) next = { lane, at, start };
    }
    if (!next) return ends;
    const { lane, at, start } = next;
    const [task] = lane.left.splice(at, 1) as [Task];
    const begin = start + (lane.last ? setupBetween(lane.last, task) : 0);
    lane.free = endOf(begin, draw(task), lane.windows);
    lane.last = task;
    ends.set(task.id, lane.free);
  }
}

/** How a promise stands. */
export interface Promised {
  job: string;
  /** Chance that it is kept, 0 to 1; null where nothing was promised. */
  chance: number | null;
  /** When it is done in half of all cases, and in nine of ten, minutes. */
  half: number;
  ninety: number;
}

/** The chance of each promise, and when each job is done, by going through the plan many times. Seeded. */
export function promisesOf(
  work: Work,
  slots: readonly Slot[],
  { runs = 400, seed = 1 }: { runs?: number; seed?: number } = {},
): Promised[] {
  const draw = logNormalMinutes(chanceFrom(seed));
  const done = work.jobs.map(() => new Float64Array(runs));
  const ofJob = work.jobs.map((j) => work.tasks.filter((t) => t.job === j.id).map((t) => t.id));
  for (let n = 0; n < runs; n++) {
    const ends = goThrough(work, slots, draw);
    ofJob.forEach((ids, j) => {
      let end = 0;
      for (const id of ids) end = Math.max(end, ends.get(id) ?? Infinity);
      done[j]![n] = end;
    });
  }
  return work.jobs.map(({ id, due }, j) => {
    const sorted = done[j]!.toSorted();
    const at = (share: number): number => sorted[Math.min(runs - 1, Math.floor(share * runs))]!;
    const kept = due === null ? null : sorted.filter((d) => d <= due).length / runs;
    return { job: id, chance: kept, half: at(0.5), ninety: at(0.9) };
  });
}
