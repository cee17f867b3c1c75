import type { Chance } from '../chance';
import { ROOMS, type Crew, type DueJob, type Task, type Work } from '../schedule';

/** Minutes from one morning at eight to the next. */
export const DAY = 1440;

/** Eight to twelve and one to five, so many working days from the first on; nobody works at the weekend. */
export const shifts = (days: number): [number, number][] =>
  Array.from({ length: days }, (_, d) => d + 2 * Math.floor(d / 5)).flatMap((d): [number, number][] => [
    [d * DAY, d * DAY + 240],
    [d * DAY + 300, d * DAY + 540],
  ]);

const LIKES = ['carburettor', 'fuel', 'spark', 'exhaust', 'engine', 'saw'] as const;

/**
 * A week of a shop, drawn: so many machines with what is left on each, parts that come, promises that are just about to be kept.
 * Begins on a Monday at eight; minutes since then.
 */
export function drawWeek(chance: Chance, { jobs: many, crew: hands }: { jobs: number; crew: number }): Work {
  const any = <T>(list: readonly T[]): T => list[Math.floor(chance() * list.length)]!;
  const about = (mean: number): Pick<Task, 'minutes' | 'spread'> => {
    const minutes = Math.round(mean * (0.5 + chance()));
    return { minutes, spread: Math.round(minutes * (0.2 + 0.4 * chance())) };
  };
  const tasks: Task[] = [];
  const jobs: DueJob[] = [];
  for (let n = 0; n < many; n++) {
    const job = `j${n}`;
    const like = any(LIKES);
    const at = 'bench' as const;
    let before: string | null = null;
    const add = (
      task: Pick<Task, 'kind' | 'place' | 'like'> & Pick<Task, 'minutes' | 'spread'>,
      rest = 0,
      release = 0,
    ): void => {
      const id = `${job} ${task.kind}`;
      tasks.push({
        id,
        job,
        hands: task.kind !== 'soak',
        release,
        after: before ? { task: before, rest } : null,
        ...task,
      });
      before = id;
    };
    const stage = chance();
    const part = stage > 0.55 && stage < 0.8 ? Math.floor(chance() * 4) * DAY + 60 : 0;
    if (stage < 0.55) add({ kind: 'look', place: at, like: 'look', ...about(25) });
    if (stage < 0.8) {
      add({ kind: 'mend', place: at, like, ...about(35) }, 0, part);
      if (like === 'carburettor' && chance() < 0.4)
        add({ kind: 'soak', place: 'bath', like, minutes: 20, spread: 0 });
      if (like === 'carburettor') add({ kind: 'together', place: at, like, ...about(15) });
    }
    if (stage < 0.92) add({ kind: 'prove', place: 'outdoors', like: 'run', ...about(15) });
    add(
      { kind: 'cold-start', place: 'outdoors', like: 'run', minutes: 4, spread: 1 },
      stage < 0.92 ? 180 : 0,
    );
    const days = Math.ceil((many * 75) / (hands * 440));
    const day = Math.max(part > 0 ? Math.floor(part / DAY) : 0, Math.floor(chance() * (days + 2)));
    const promised = chance() < 0.75;
    jobs.push({
      id: job,
      due: promised ? (day + 2 * Math.floor(day / 5)) * DAY + 540 : null,
      weight: any([1, 1, 1, 2, 3]),
    });
  }
  const crew = Array.from({ length: hands }, (_, c): Crew => ({ id: `c${c}`, windows: shifts(20) }));
  return { tasks, jobs, crew, rooms: ROOMS };
}
