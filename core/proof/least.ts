/** Something that has to be shown so many times, and by which runs: how many chances one of each gives. */
export interface Demand {
  times: number;
  by: ReadonlyMap<string, number>;
}

/**
 * The cheapest numbers of runs that meet all demands, exactly: integer covering by depth first over what is left of each demand.
 * `costs`: of one of each run. `given`: runs that are made in any case. What no run shows is left out. Of equally dear lists the one
 * whose runs stand first in `costs`.
 */
export function leastRuns(
  demands: readonly Demand[],
  costs: ReadonlyMap<string, number>,
  given: ReadonlyMap<string, number> = new Map(),
): Map<string, number> {
  const met = demands.filter((d) => [...d.by.keys()].some((run) => costs.has(run)));
  const chances = (run: string): number[] => met.map((d) => d.by.get(run) ?? 0);
  const runs = [...costs].map(([run, cost]) => ({ run, cost, gives: chances(run) }));
  let left = met.map((d) => d.times);
  for (const [run, n] of given) {
    const gives = chances(run);
    left = left.map((want, i) => Math.max(0, want - n * gives[i]!));
  }
  const known = new Map<string, { cost: number; first: number }>();
  /** The least cost of what is left, and the run to make first; −1 where nothing is. */
  const least = (want: readonly number[]): { cost: number; first: number } => {
    const open = want.findIndex((n) => n > 0);
    if (open < 0) return { cost: 0, first: -1 };
    const key = want.join();
    const had = known.get(key);
    if (had) return had;
    let best = { cost: Infinity, first: -1 };
    runs.forEach(({ cost, gives }, i) => {
      if (gives[open] === 0) return;
      const total = cost + least(want.map((n, d) => Math.max(0, n - gives[d]!))).cost;
      if (total < best.cost - 1e-9) best = { cost: total, first: i };
    });
    known.set(key, best);
    return best;
  };
  const list = new Map(given);
  for (let { first } = least(left); first >= 0; { first } = least(left)) {
    const { run, gives } = runs[first]!;
    list.set(run, (list.get(run) ?? 0) + 1);
    left = left.map((want, i) => Math.max(0, want - gives[i]!));
  }
  return list;
}
