import { promisesOf, type Promised } from './chances';
import { decode, ready } from './decode';
import type { Crew, DueJob, Slot, Task, Work } from './task';

/** Under this chance a promise is spoken of. */
export const SHAKY = 0.9;
/** What is not worth saying: the chance rises by less. */
const LEAST_GAIN = 0.1;
/** Of so many, the shakiest, it is worked out what would help. */
const MOST = 6;
/** An hour more today. */
const LONGER = 60;
/** Between two shifts of one day there is less than this, minutes. */
const NIGHT = 240;

/** What would help a promise most, its chance then, and promises that it costs: those that held, and then would not. */
export interface Help {
  job: string;
  /** Done first of all; somebody stays an hour longer today; its part is ordered today; or nothing but a word with the owner. */
  how:
    | { kind: 'first' }
    | { kind: 'longer'; crew: string; minutes: number }
    | { kind: 'order' }
    | { kind: 'ring' };
  chance: number;
  breaks: readonly string[];
}

/** A job that waits for a part nobody has ordered: the work as it would be if that was ordered today. */
export interface IfOrdered {
  job: DueJob;
  tasks: readonly Task[];
}

/** Somebody's days with the first of them an hour longer. */
function longer({ id, windows }: Crew): Crew {
  const last = windows.findIndex(([, to], n) => (windows[n + 1]?.[0] ?? Infinity) - to >= NIGHT);
  return {
    id,
    windows: windows.map(([from, to], n) => [from, n === last ? to + LONGER : to] as const),
  };
}

const keptIn = (promises: readonly Promised[]): Map<string, number> =>
  new Map(promises.flatMap((p) => (p.chance === null ? [] : [[p.job, p.chance] as const])));

/**
 * What would help each promise that may break, the shakiest first: each thing that could be done is gone through as the plan was,
 * and what keeps most promises of all is said; where nothing does, the owner is to be rung. Seeded.
 */
export function helpsOf(
  work: Work,
  slots: readonly Slot[],
  promises: readonly Promised[],
  {
    ifOrdered = [],
    runs = 300,
    seed = 1,
  }: { ifOrdered?: readonly IfOrdered[]; runs?: number; seed?: number } = {},
): Help[] {
  const now = keptIn(promises);
  const order = slots.toSorted((x, y) => x.start - y.start).map((s) => s.task);
  const gone = (changed: Work, first: readonly string[]): Map<string, number> => {
    const r = ready(changed);
    const at = (ids: readonly string[]): number[] => ids.flatMap((id) => r.index.get(id) ?? []);
    const plan = decode(r, at([...new Set([...first, ...order, ...changed.tasks.map((t) => t.id)])]));
    return keptIn(promisesOf(changed, plan.slots(), { runs, seed }));
  };
  const judged = (job: string, how: Help['how'], then: Map<string, number>) => {
    const chance = then.get(job) ?? 0;
    const breaks = [...now].flatMap(([id, was]) =>
      id !== job && was >= SHAKY && (then.get(id) ?? 0) < SHAKY - LEAST_GAIN / 2 ? [id] : [],
    );
    let kept = 0;
    for (const [id, was] of now) kept += (then.get(id) ?? 0) - was;
    return { help: { job, how, chance, breaks }, kept };
  };
  const stays = work.crew.map((c) => ({
    crew: c.id,
    then: null as Map<string, number> | null,
    work: { ...work, crew: work.crew.map((o) => (o.id === c.id ? longer(o) : o)) },
  }));
  const shaky = [...now]
    .filter(([, chance]) => chance < SHAKY)
    .sort(([, x], [, y]) => x - y)
    .slice(0, MOST)
    .map(([job, chance]): Help => {
      const own = work.tasks.filter((t) => t.job === job).map((t) => t.id);
      const ways = [
        judged(job, { kind: 'first' }, gone(work, own)),
        ...stays.map((s) =>
          judged(job, { kind: 'longer', crew: s.crew, minutes: LONGER }, (s.then ??= gone(s.work, []))),
        ),
      ].filter(({ help, kept }) => help.chance >= chance + LEAST_GAIN && kept > 0);
      const best = ways.sort((x, y) => y.kept - x.kept)[0];
      return best?.help ?? { job, how: { kind: 'ring' }, chance, breaks: [] };
    });
  const ordered = ifOrdered.map(({ job, tasks }): Help => {
    const then = gone({ ...work, jobs: [...work.jobs, job], tasks: [...work.tasks, ...tasks] }, []);
    return { job: job.id, how: { kind: 'order' }, chance: then.get(job.id) ?? 0, breaks: [] };
  });
  return [...shaky, ...ordered];
}
