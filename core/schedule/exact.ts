import { costOf, type Before } from './cost';
import { Plan, type Ready } from './decode';

/**
 * The best plan there is, by branch and bound over every order and every technician, each piece of work begun as soon as the ones
 * before it in that order allow; with its cost. For small days: the tree has as many leaves as there are orders. Null where more
 * than `most` nodes would have to be looked at.
 */
export function exactPlan(
  r: Ready,
  { before = null, most = 2_000_000 }: { before?: Before | null; most?: number } = {},
): { plan: Plan; total: number } | null {
  const { tasks } = r;
  const { jobs } = r.work;
  /** Minutes of a job from the end of a task on. */
  const tail = tasks.map(() => 0);
  for (const list of r.ofJob)
    for (let i = list.length - 1; i >= 0; i--) {
      const t = list[i]!;
      const prior = r.before[t]!;
      if (prior >= 0) tail[prior] = Math.max(tail[prior]!, tail[t]! + r.rest[t]! + tasks[t]!.minutes);
    }
  let best: { order: [number, number][]; total: number } | null = null;
  let nodes = 0;
  const chosen: [number, number][] = [];

  const build = (steps: readonly (readonly [number, number])[]): Plan => {
    const plan = new Plan(r);
    for (const pin of r.pins) plan.place(pin);
    for (const [task, crew] of steps) {
      if (plan.has(task)) continue;
      if (crew < 0) plan.place(task);
      else plan.book(task, crew, plan.startWith(task, crew));
    }
    return plan;
  };

  /** Lateness there will be at least: of each job, done as if nobody else was in its way from here on. */
  const bound = (plan: Plan): number => {
    let late = 0;
    jobs.forEach(({ due, weight }, j) => {
      if (due === null) return;
      let done = 0;
      const ends = new Map<number, number>();
      for (const t of r.ofJob[j]!) {
        const prior = r.before[t]!;
        const end = plan.has(t)
          ? plan.end[t]!
          : Math.max(
              tasks[t]!.release,
              r.from[t]!,
              prior < 0 ? 0 : (ends.get(prior) ?? plan.end[prior]!) + r.rest[t]!,
            ) + tasks[t]!.minutes;
        ends.set(t, end);
        done = Math.max(done, end);
      }
      late += weight * Math.max(0, done - due);
    });
    return late;
  };

  const descend = (): boolean => {
    if (++nodes > most) return false;
    const plan = build(chosen);
    if (best && bound(plan) >= best.total) return true;
    const open = tasks.flatMap((_, t) => (plan.has(t) ? [] : [t]));
    const free = open.filter((t) => r.before[t]! < 0 || plan.has(r.before[t]!));
    if (free.length === 0) {
      const { total } = costOf(r, plan, before);
      if (!best || total < best.total) best = { order: chosen.map((c) => [...c]), total };
      return true;
    }
    const branches = free.flatMap((task) => {
      if (!tasks[task]!.hands) return [{ task, crew: -1, at: plan.earliest(task) }];
      return r.work.crew.flatMap((_, crew) => {
        if (r.pinned[task]! >= 0 && crew !== r.pinned[task]!) return [];
        const at = plan.startWith(task, crew);
        return at < Infinity ? [{ task, crew, at }] : [];
      });
    });
    branches.sort((x, y) => x.at - y.at);
    for (const { task, crew } of branches) {
      chosen.push([task, crew]);
      const went = descend();
      chosen.pop();
      if (!went) return false;
    }
    return true;
  };
  if (!descend() || !best) return null;
  const { order, total } = best as { order: [number, number][]; total: number };
  return { plan: build(order), total };
}
