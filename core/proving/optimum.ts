import { takeIn, type Case, type Evidence } from '../diagnosis';
import { membersOf } from '../diagnosis/hypotheses';
import { informativeResults, maskOf } from '../diagnosis/checkTable';
import { asItStood, fillChosen, findingLikelihood } from '../diagnosis/likelihood';
import { needlessMinutes } from '../diagnosis/plan/benchMinutes';
import { settling } from '../diagnosis/plan/expectedMinutes';
import { costOf, offAfter } from '../diagnosis/plan/possible';
import { priorOdds } from '../diagnosis/prior';
import { weigh } from '../diagnosis/posterior';
import {
  CAUSE_INDEX,
  checkOf,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type PartId,
} from '../knowledge';
import type { MachineFacts } from '../machine';
import { repairNext } from './follow';
import type { Policy } from './play';

/** A network small enough to be solved outright: a few causes, a few checks, one complaint. */
export interface SmallNetwork {
  machine: MachineFacts;
  complaint: ComplaintId;
  causes: readonly CauseId[];
  checks: readonly CheckId[];
}

/** Networks small enough, each a corner of the trade. */
export const SMALL_NETWORKS: readonly SmallNetwork[] = [
  {
    machine: { kind: 'chainsaw', displacementCc: 45 },
    complaint: 'fades-under-way',
    causes: [
      'fuel-filter-clogged',
      'fuel-line-leak',
      'tank-vent-blocked',
      'inlet-screen-clogged',
      'metering-diaphragm-stiff',
    ],
    checks: ['primer-action', 'fuel-filter-look', 'line-pressure', 'tank-vent', 'inlet-screen'],
  },
  {
    machine: { kind: 'chainsaw', displacementCc: 45 },
    complaint: 'no-fire',
    causes: ['stale-fuel', 'plug-fouled', 'stop-circuit-grounded', 'coil-failed', 'coil-gap-wide'],
    checks: ['fuel-smell', 'plug-look', 'spark-tester', 'spark-stop-wire-off', 'coil-gap'],
  },
  {
    machine: { kind: 'trimmer', displacementCc: 25 },
    complaint: 'wont-reach-speed',
    causes: [
      'spark-screen-clogged',
      'fuel-filter-clogged',
      'high-screw-rich',
      'air-filter-clogged',
      'pump-diaphragm-stiff',
    ],
    checks: ['spark-screen-look', 'exhaust-smoke', 'air-filter-look', 'fuel-filter-look', 'pump-diaphragm'],
  },
  {
    machine: { kind: 'blower', displacementCc: 27 },
    complaint: 'races-or-hangs',
    causes: ['intake-leak', 'crank-seal-leak', 'low-screw-lean', 'idle-stop-wrong', 'throttle-linkage-fault'],
    checks: ['throttle-action', 'mount-bolts', 'intake-boot', 'crankcase-vacuum', 'screw-turns'],
  },
];

/** Where a game stands: which result each check gave (−1: not made), and which causes were repaired in vain. */
interface State {
  results: readonly number[];
  tried: number;
  /** Weight of each possible set; not normalised, so the sum is the chance of getting here. */
  weights: Float64Array;
}

const NOBODY = maskOf([]);

const complaintOf = (n: SmallNetwork): Evidence => ({
  ref: 'complaint',
  kind: 'complaint',
  complaint: n.complaint,
});

const caseOf = (n: SmallNetwork, evidence: readonly Evidence[], off: readonly PartId[]): Case => ({
  machine: n.machine,
  history: {},
  evidence,
  off,
});

/** The small world: its possible sets, and every check's results on each. */
function worldOf(n: SmallNetwork) {
  const odds = priorOdds({}, n.machine);
  const own = new Set(n.causes.map((id) => CAUSE_INDEX.get(id)));
  const p = weigh(
    caseOf(n, [complaintOf(n)], []),
    odds.map((o, i) => (own.has(i) ? o : 0)),
  );
  const sets = [...p.sets.keys()].filter((s) => s > 0 && p.sets[s]! > 0);
  const chosen = Uint32Array.from(sets);
  const holds = n.causes.map((id) => sets.map((s) => membersOf(s).includes(CAUSE_INDEX.get(id) ?? -1)));
  const tables = n.checks.map((check) => {
    const columns = informativeResults(check).map((result) => {
      const out = new Float64Array(sets.length);
      const likelihood = findingLikelihood(check, result, 'sure', { complaints: [n.complaint] });
      if (likelihood) fillChosen(out, asItStood(likelihood, NOBODY, NOBODY), chosen);
      return { result, out };
    });
    for (let s = 0; s < sets.length; s++) {
      const sum = columns.reduce((a, { out }) => a + out[s]!, 0);
      for (const { out } of columns) out[s]! /= sum;
    }
    return columns;
  });
  const weights = Float64Array.from(sets, (s) => p.sets[s]!);
  const total = weights.reduce((a, b) => a + b, 0);
  const start: State = {
    results: n.checks.map(() => -1),
    tried: 0,
    weights: weights.map((w) => w / total),
  };
  return { holds, tables, start };
}
type World = ReturnType<typeof worldOf>;

const keyOf = ({ results, tried }: State): string => `${results.join()} ${tried}`;
const sumOf = (weights: Float64Array): number => weights.reduce((a, b) => a + b, 0);

function openedBy(n: SmallNetwork, { results }: State): ReadonlySet<PartId> {
  return results.reduce<ReadonlySet<PartId>>(
    (off, r, i) => (r < 0 ? off : offAfter(checkOf(n.checks[i]!), off)),
    new Set(),
  );
}

/**
 * The rule of the house: nothing is repaired unseen while a check that could prove it wrong is still to be made, unless
 * nothing else can be done.
 */
function mayRepair(n: SmallNetwork, { results }: State, i: number): boolean {
  const looks = settling(CAUSE_INDEX.get(n.causes[i]!)!).map((check) => check.id);
  return !n.checks.some((check, at) => results[at] === -1 && looks.includes(check));
}

/** Expected minutes, times the chance of the state, of making a check and going on from each result. */
function costOfCheck(
  n: SmallNetwork,
  world: World,
  state: State,
  i: number,
  goOn: (next: State) => number,
): number {
  const spent = costOf(checkOf(n.checks[i]!), openedBy(n, state));
  return world.tables[i]!.reduce(
    (cost, { out }, r) => {
      const weights = state.weights.map((w, s) => w * out[s]!);
      return cost + goOn({ ...state, results: state.results.with(i, r), weights });
    },
    spent * sumOf(state.weights),
  );
}

/** The same for repairing a cause: nothing when it was there, its minutes and on from there when it was not. */
function costOfRepair(
  n: SmallNetwork,
  world: World,
  state: State,
  i: number,
  goOn: (next: State) => number,
): number {
  const weights = state.weights.map((w, s) => (world.holds[i]![s] ? 0 : w));
  const vain = sumOf(weights);
  if (vain <= 0) return 0;
  return needlessMinutes(n.causes[i]!) * vain + goOn({ ...state, tried: state.tried | (1 << i), weights });
}

/**
 * Least expected bench minutes spent on checks and on needless repairs until the first right repair, by going through
 * every course the work could take (exact dynamic programming over what is known).
 */
export function optimalMinutes(n: SmallNetwork): number {
  const world = worldOf(n);
  const known = new Map<string, number>();
  const best = (state: State): number => {
    const key = keyOf(state);
    const before = known.get(key);
    if (before !== undefined) return before;
    let least = Infinity;
    n.causes.forEach((_, i) => {
      if (!(state.tried & (1 << i)) && mayRepair(n, state, i))
        least = Math.min(least, costOfRepair(n, world, state, i, best));
    });
    state.results.forEach((r, i) => {
      if (r < 0) least = Math.min(least, costOfCheck(n, world, state, i, best));
    });
    known.set(key, least);
    return least;
  };
  return best(world.start);
}

/** Expected minutes of the same game when a policy decides, exactly: every result is followed by its chance. */
export function minutesUnder(n: SmallNetwork, policy: Policy): number {
  const world = worldOf(n);
  const own = new Set(n.causes.map((id) => CAUSE_INDEX.get(id)));
  const odds = priorOdds({}, n.machine).map((o, i) => (own.has(i) ? o : 0));
  const goOn = (state: State): number => {
    if (sumOf(state.weights) <= 0) return 0;
    let evidence: Evidence[] = [complaintOf(n)];
    state.results.forEach((r, i) => {
      if (r < 0) return;
      const check = n.checks[i]!;
      const result = world.tables[i]![r]!.result;
      evidence = takeIn(evidence, { ref: check, kind: 'finding', check, result, sureness: 'sure' });
    });
    n.causes.forEach((cause, i) => {
      if (state.tried & (1 << i))
        evidence = takeIn(evidence, { ref: cause, kind: 'repair', cause, outcome: 'no-change' });
    });
    const c = caseOf(n, evidence, [...openedBy(n, state)]);
    const p = weigh(c, odds);
    const untried = n.causes.map((_, i) => i).filter((i) => !(state.tried & (1 << i)));
    if (untried.length === 0) return 0;
    const chance = (i: number): number => p.causes[CAUSE_INDEX.get(n.causes[i]!) ?? -1] ?? 0;
    const lead = untried.reduce((x, y) => (chance(y) > chance(x) ? y : x));
    // Made once and for all: a game with repeats has no end to go through.
    const check = policy(c, p, (id) => state.results[n.checks.indexOf(id)] === -1);
    const wanted = n.causes.indexOf(repairNext(c, p).cause);
    if (check === null) return costOfRepair(n, world, state, untried.includes(wanted) ? wanted : lead, goOn);
    return costOfCheck(n, world, state, n.checks.indexOf(check), goOn);
  };
  return goOn(world.start);
}
