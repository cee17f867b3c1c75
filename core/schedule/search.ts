import { chanceFrom, type Chance } from '../chance';
import { costOf, type Before, type Cost } from './cost';
import { decode, HANDED_OVER, type Plan, type Ready } from './decode';
import { byTardiness, orderBy, RULE_IDS } from './rules';

/** How far a search has come, and the best plan so far: always a valid one. */
export interface Found {
  plan: Plan;
  cost: Cost;
  order: readonly number[];
  done: number;
  of: number;
}

/** So often it is tried whether machines may go from hand to hand, or may not any more. */
const TURNED = 0.05;

/** How far the tardiness rule looks ahead in the plans that are begun with. */
const LOOKS = [0.5, 1, 2, 4, 8];

/** So many plans are tried by itself: fewer of a long one, which takes longer to build. */
const triesFor = (r: Ready): number => Math.round(Math.min(4000, 400_000 / Math.max(1, r.tasks.length)));

/** Between two answers so many plans are tried. */
const A_STRIDE = 64;

const pick = (chance: Chance, n: number): number => Math.min(n - 1, Math.floor(chance() * n));

/** The tasks in the order they begin in a plan. */
const begunIn = (r: Ready, plan: Plan): number[] =>
  r.tasks.map((_, t) => t).sort((x, y) => plan.start[x]! - plan.start[y]! || x - y);

/** A job drawn by how late it is in a plan; any where none is. */
function lateJob(r: Ready, plan: Plan, chance: Chance): number {
  const { jobs } = r.work;
  const late = jobs.map(({ due, weight }, j) => {
    const done = Math.max(0, ...r.ofJob[j]!.map((t) => plan.end[t]!));
    return due === null ? 0 : weight * Math.max(0, done - due);
  });
  const all = late.reduce((sum, l) => sum + l, 0);
  if (all === 0) return pick(chance, jobs.length);
  let at = chance() * all;
  for (const [j, l] of late.entries()) {
    at -= l;
    if (at < 0) return j;
  }
  return jobs.length - 1;
}

/** Takes tasks out of an order and puts them in again, together, at a place. */
function movedTo(order: readonly number[], out: ReadonlySet<number>, at: number): number[] {
  const left = order.filter((t) => !out.has(t));
  const moved = order.filter((t) => out.has(t));
  const to = Math.min(at, left.length);
  return [...left.slice(0, to), ...moved, ...left.slice(to)];
}

/** A neighbour of an order: a late job sooner, one piece of work elsewhere, two changed over, or some jobs drawn anew. */
function neighbour(r: Ready, order: readonly number[], plan: Plan, chance: Chance): number[] {
  const n = order.length;
  const what = chance();
  if (what < 0.3) {
    const job = r.ofJob[lateJob(r, plan, chance)]!;
    const first = order.findIndex((t) => job.includes(t));
    return movedTo(order, new Set(job), pick(chance, Math.max(1, first)));
  }
  if (what < 0.6) {
    const from = pick(chance, n);
    const near = Math.max(0, from + pick(chance, 17) - 8);
    return movedTo(order, new Set([order[from]!]), chance() < 0.5 ? near : pick(chance, n));
  }
  if (what < 0.8) {
    const next = [...order];
    const [x, y] = [pick(chance, n), pick(chance, n)];
    [next[x], next[y]] = [next[y]!, next[x]!];
    return next;
  }
  // Destroyed and built again: a late job, and others drawn, each at a place of its own.
  let next = [...order];
  for (const job of [lateJob(r, plan, chance), pick(chance, r.ofJob.length), pick(chance, r.ofJob.length)])
    next = movedTo(next, new Set(r.ofJob[job]!), pick(chance, n));
  return next;
}

/**
 * Looks for a good plan: from the best of the simple rules and of what was planned before, by large neighbourhood search with
 * threshold acceptance. Gives the best so far after every few tries, so that it can be shown and stopped at any time. `tries`: how
 * many plans are built; seeded: the same work gives the same plan.
 */
export function* search(
  r: Ready,
  {
    before = null,
    tries = triesFor(r),
    seed = 1,
  }: { before?: Before | null; tries?: number; seed?: number } = {},
): Generator<Found, Found> {
  const chance = chanceFrom(seed);
  const starts: number[][] = [
    ...RULE_IDS.map((rule) => orderBy(rule, r)),
    ...LOOKS.map((look) => byTardiness(r, look)),
  ];
  if (before)
    starts.push(
      r.tasks
        .map((_, t) => t)
        .sort((x, y) => {
          const at = (t: number): number => before.get(r.tasks[t]!.id)?.start ?? Infinity;
          return at(x) === at(y) ? x - y : at(x) - at(y);
        }),
    );
  const judged = starts.map((order) => {
    const plan = decode(r, order);
    return { order, handover: HANDED_OVER, plan, cost: costOf(r, plan, before) };
  });
  let best = judged.reduce((x, y) => (y.cost.total < x.cost.total ? y : x));
  const found = (done: number): Found => ({ ...best, done, of: tries });
  yield found(0);
  if (r.tasks.length < 2) return found(tries);
  let now = { ...best, order: begunIn(r, best.plan) };
  const warmth = Math.max(5, 0.05 * best.cost.total);
  for (let n = 1; n <= tries; n++) {
    const order = neighbour(r, now.order, now.plan, chance);
    const handover = chance() < TURNED ? HANDED_OVER - now.handover : now.handover;
    const plan = decode(r, order, handover);
    const cost = costOf(r, plan, before);
    const slack = warmth * (1 - n / tries) ** 2 * chance();
    if (cost.total <= now.cost.total + slack) now = { order, handover, plan, cost };
    if (cost.total < best.cost.total - 1e-9) best = { order, handover, plan, cost };
    if (n % A_STRIDE === 0) {
      yield found(n);
      // Lost far from the best, it goes on from there.
      if (now.cost.total > best.cost.total + warmth) now = { ...best, order: begunIn(r, best.plan) };
    }
  }
  return found(tries);
}
