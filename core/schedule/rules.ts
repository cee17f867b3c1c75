import { decode, type Plan, type Ready } from './decode';

/** Simple orders a shop works by without a plan. */
export const RULE_IDS = ['first-come', 'due-first', 'short-first'] as const;
export type SimpleRule = (typeof RULE_IDS)[number];

/** Lateness counts from here on where nothing was promised, minutes: after everything that was. */
const UNPROMISED = 1e7;

/** Minutes of work on each job. */
const workOfJobs = (r: Ready): number[] =>
  r.ofJob.map((list) => list.reduce((n, t) => n + r.tasks[t]!.minutes, 0));

/** The tasks in the order a simple rule takes the jobs: as they came, by what is due first, or by the least work for its weight. */
export function orderBy(rule: SimpleRule, r: Ready): number[] {
  const { jobs } = r.work;
  const work = workOfJobs(r);
  const key = (j: number): number => {
    const { due, weight } = jobs[j]!;
    if (rule === 'first-come') return j;
    if (rule === 'due-first') return due ?? UNPROMISED + j;
    return work[j]! / weight;
  };
  return jobs
    .map((_, j) => j)
    .sort((x, y) => key(x) - key(y) || x - y)
    .flatMap((j) => r.ofJob[j]!);
}

/** The plan of a simple rule. */
export const planBy = (rule: SimpleRule, r: Ready): Plan => decode(r, orderBy(rule, r));

/**
 * The tasks by apparent tardiness cost (Vepsalainen and Morton 1987): at each step the job that loses most by waiting, by its
 * weight, the work left on it and how near its promise is; `look`: over how many mean jobs it looks ahead.
 */
export function byTardiness(r: Ready, look: number): number[] {
  const { jobs, crew } = r.work;
  const work = workOfJobs(r);
  const tail = r.ofJob.map((list) => list.reduce((n, t) => n + r.tasks[t]!.minutes + r.rest[t]!, 0));
  const mean = work.reduce((n, w) => n + w, 0) / Math.max(1, jobs.length);
  // Minutes of the clock that pass with a minute of work: nobody works at night.
  const worked = (crew[0]?.windows ?? []).slice(0, 10).reduce((n, [a, b]) => n + b - a, 0);
  const passed = (crew[0]?.windows ?? []).slice(0, 10).at(-1)?.[1] ?? worked;
  const pace = worked > 0 ? passed / worked / Math.max(1, crew.length) : 1;
  const left = new Set(jobs.map((_, j) => j));
  const order: number[] = [];
  let now = 0;
  while (left.size > 0) {
    let best = -1;
    let most = -1;
    for (const j of left) {
      const { due, weight } = jobs[j]!;
      const slack = due === null ? UNPROMISED : Math.max(0, due - now - tail[j]!);
      const value =
        (weight / Math.max(1, work[j]!)) * Math.exp(-slack / Math.max(1, look * mean * pace)) +
        1e-9 / (1 + (due ?? UNPROMISED));
      if (value > most) [best, most] = [j, value];
    }
    left.delete(best);
    order.push(...r.ofJob[best]!);
    now += work[best]! * pace;
  }
  return order;
}
