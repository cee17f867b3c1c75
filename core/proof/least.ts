/** Something that has to be shown so many times, and by which runs: how many chances one of each gives. */
export interface Demand {
  times: number;
  by: ReadonlyMap<string, number>;
}

interface Run {
  run: string;
  cost: number;
}
/** What is still asked for, with how many chances a run gives it. */
type Open = readonly Demand[];

const given = (demand: Demand, { run }: Run): number => demand.by.get(run) ?? 0;

/** The same demands with so many more of a run made. */
const after = (open: Open, made: Run, n = 1): Open =>
  open.map((d) => ({ ...d, times: d.times - n * given(d, made) })).filter((d) => d.times > 0);

/** Runs without those for which another, as cheap, does at least as much: a run that gives nothing is never wanted. */
const worthMaking = (runs: readonly Run[], open: Open): Run[] =>
  runs.filter(
    (r, i) =>
      open.some((d) => given(d, r) > 0) &&
      !runs.some(
        (s, j) =>
          (s.cost < r.cost || (s.cost === r.cost && j < i)) && open.every((d) => given(d, s) >= given(d, r)),
      ),
  );

/** Demands without those that are met as soon as another is. */
const askedFor = (open: Open, runs: readonly Run[]): Open =>
  open.filter(
    (d, i) =>
      !open.some(
        (e, j) =>
          i !== j &&
          d.times <= e.times &&
          runs.every((r) => given(d, r) >= given(e, r)) &&
          // Of two that ask for the very same, the first.
          (j < i || d.times < e.times || runs.some((r) => given(d, r) > given(e, r))),
      ),
  );

/** Demands in lots that no run joins: each is met by itself. */
function lotsOf(open: Open, runs: readonly Run[]): Demand[][] {
  const lots: Demand[][] = [];
  for (const d of open) {
    const joined = lots.filter((lot) =>
      runs.some((r) => given(d, r) > 0 && lot.some((e) => given(e, r) > 0)),
    );
    const lot = [...joined.flat(), d];
    for (const old of joined) lots.splice(lots.indexOf(old), 1);
    lots.push(lot);
  }
  return lots;
}

/** What is left once nothing more is plain: depth first over what is still asked of each demand. */
function search(open: Open, runs: readonly Run[]): Map<string, number> {
  const gives = runs.map((r) => open.map((d) => given(d, r)));
  const known = new Map<string, { cost: number; first: number }>();
  const without = (want: readonly number[], r: number): number[] =>
    want.map((n, d) => Math.max(0, n - gives[r]![d]!));
  /** The least cost of what is left, and the run to make first; −1 where nothing is. */
  const least = (want: readonly number[]): { cost: number; first: number } => {
    const next = want.findIndex((n) => n > 0);
    if (next < 0) return { cost: 0, first: -1 };
    const key = want.join();
    const had = known.get(key);
    if (had) return had;
    let best = { cost: Infinity, first: -1 };
    runs.forEach(({ cost }, i) => {
      if (gives[i]![next] === 0) return;
      const total = cost + least(without(want, i)).cost;
      if (total < best.cost - 1e-9) best = { cost: total, first: i };
    });
    known.set(key, best);
    return best;
  };
  const made = new Map<string, number>();
  let want = open.map((d) => d.times);
  for (let { first } = least(want); first >= 0; { first } = least(want)) {
    const { run } = runs[first]!;
    made.set(run, (made.get(run) ?? 0) + 1);
    want = without(want, first);
  }
  return made;
}

/**
 * The cheapest numbers of runs that meet all demands, exactly: integer covering, first by what is plain (a run that another outdoes, a
 * demand that another holds, a demand that one run alone meets), what is left by search. `costs`: of one of each run. `made`: runs that
 * are made in any case. What no run shows is left out. Of equally dear lists the one whose runs stand first in `costs`.
 */
export function leastRuns(
  demands: readonly Demand[],
  costs: ReadonlyMap<string, number>,
  made: ReadonlyMap<string, number> = new Map(),
): Map<string, number> {
  const all = [...costs].map(([run, cost]): Run => ({ run, cost }));
  const list = new Map(made);
  const make = (run: string, n: number): void => void list.set(run, (list.get(run) ?? 0) + n);
  let open: Open = demands.filter((d) => all.some((r) => given(d, r) > 0));
  for (const [run, n] of made) open = after(open, { run, cost: 0 }, n);
  let runs = worthMaking(all, open);
  for (;;) {
    open = askedFor(open, runs);
    runs = worthMaking(runs, open);
    const only = open
      .map((d) => ({ d, by: runs.filter((r) => given(d, r) > 0) }))
      .find(({ by }) => by.length === 1);
    const [run] = only?.by ?? [];
    if (!only || !run) break;
    const n = Math.ceil(only.d.times / given(only.d, run));
    make(run.run, n);
    open = after(open, run, n);
  }
  for (const lot of lotsOf(open, runs))
    for (const [run, n] of search(lot, worthMaking(runs, lot))) make(run, n);
  return list;
}
