import type { Entry, Noted, ScrewPlace, Thing } from './entry';
import type { ScrewPlan } from './picture';
import { nameOfThing } from './tray';

const keyOf = (of: Thing): string => nameOfThing(of).toLowerCase();

/** The screw plans of a job, one a thing, in the order the things were first marked. */
export const readScrewPlans = (live: readonly Entry[]): ScrewPlan[] => [
  ...new Map(
    live.flatMap((e) =>
      e.kind === 'screw-plan' ? [[keyOf(e.body.of), { ...e.body, entryId: e.id }] as const] : [],
    ),
  ).values(),
];

/** The plan of one thing. */
export const screwPlanOf = (of: Thing, plans: readonly ScrewPlan[]): ScrewPlan | undefined =>
  plans.find((plan) => keyOf(plan.of) === keyOf(of));

/** How many there are of each kind, in the order they were marked. */
function countKinds(screws: readonly ScrewPlace[]): [kind: string, count: number][] {
  const counts = new Map<string, number>();
  for (const { kind } of screws) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts];
}

/** The screws by kind, in words: “3 long, 1 short”. */
export const screwCounts = (screws: readonly ScrewPlace[]): string =>
  countKinds(screws)
    .map(([kind, n]) => `${n} ${kind}`)
    .join(', ');

/**
 * The order a cover's screws are drawn down in, as indices of `screws`: from the first one marked to the one farthest from
 * those already drawn, so that it comes down evenly. `aspect`: width over height of what `x` and `y` are shares of.
 * @example crosswise([{ x: 0, y: 0, kind }, { x: 1, y: 0, kind }, { x: 1, y: 1, kind }, { x: 0, y: 1, kind }]) // [0, 2, 1, 3]
 */
export function crosswise(screws: readonly Pick<ScrewPlace, 'x' | 'y'>[], aspect = 1): number[] {
  const [first] = screws;
  if (!first) return [];
  const between = (a: number, b: number): number => {
    const [p, q] = [screws[a]!, screws[b]!];
    return Math.hypot((p.x - q.x) * aspect, p.y - q.y);
  };
  const order = [0];
  const left = new Set(screws.keys());
  left.delete(0);
  while (left.size > 0) {
    // Opposite the one drawn last; each second time that is the corner across.
    const last = order.at(-1)!;
    const far = order.length % 2 === 1;
    const score = (n: number): number =>
      far ? between(n, last) : Math.min(...order.map((done) => between(n, done)));
    const next = [...left].reduce((best, n) => (score(n) > score(best) + 1e-9 ? n : best));
    order.push(next);
    left.delete(next);
  }
  return order;
}

/** Where something sits on what it is marked on, in words: "upper left". */
function cornerWords({ x, y }: Pick<ScrewPlace, 'x' | 'y'>): string {
  const side = x < 0.35 ? 'left' : x > 0.65 ? 'right' : '';
  const height = y < 0.35 ? 'upper' : y > 0.65 ? 'lower' : '';
  if (!side && !height) return 'middle';
  if (!side) return height === 'upper' ? 'top' : 'bottom';
  return height ? `${height} ${side}` : side;
}

/**
 * What is noted of screws that were left over when their cover went back on: they lie on the tray, by kind, with the places they were
 * marked at. `driven`: those that are in, as indices of the plan's screws.
 */
export function screwsLeft(
  { of, screws }: Pick<ScrewPlan, 'of' | 'screws'>,
  driven: ReadonlySet<number>,
): Noted[] {
  const left = screws.filter((_, n) => !driven.has(n));
  return countKinds(left).map(([kind, count]) => ({
    kind: 'took-off',
    body: {
      thing: `${kind} screw of ${nameOfThing(of).toLowerCase()}`,
      place: left
        .filter((s) => s.kind === kind)
        .map(cornerWords)
        .join(', ')
        .slice(0, 200),
      count,
    },
  }));
}
