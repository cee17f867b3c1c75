import { HANDLING_MINUTES, type Pace } from '../diagnosis';
import { CHECK_IDS, checkOf, partOf, type CheckId } from '../knowledge';
import type { Picture } from '../log';
import { STEP } from './parameters';

/** How long a check took against the trade's figure: `step` so many twentieths longer (the natural log of the factor, by that of a twentieth). */
export interface TaskTime {
  check: CheckId;
  /** Who made it. */
  by: string;
  step: number;
}

/** How often a check took so long, by "check, who, step". */
export type TimeCounts = Readonly<Record<string, number>>;

/** Entries no further apart were noted in one go. */
const ONE_GO_MS = 5000;
/** Five times longer or shorter than the trade says is a pause, a lunch, or noted some other time. */
const FURTHEST_OFF = 5;
/** A check tells its own minutes where it is at least this share of what was done. */
const MOST_OF_IT = 0.5;
/** So many times a check has to be made before its minutes are believed, and somebody's own. */
export const ENOUGH_TIMES = { shop: 5, own: 8 } as const;
/** What the trade says counts as so many times. */
const TRADES_WORD = 6;
/** No check is believed to take more than so many times longer or shorter. */
const FURTHEST_PACE = 3;

const stepOf = (factor: number): number => Math.round(Math.log(factor) / Math.log(STEP));
/** A count's key. */
export const timeKey = ({ check, by, step }: TaskTime): string => `${check} ${by} ${step}`;

/** A line of the trail, as far as its time tells anything. */
type Timed = Pick<Picture['trail'][number], 'entry' | 'state'>;

/** Minutes that a check takes by the trade, handling it counted in. */
const tradeMinutes = (id: CheckId): number => {
  const { minutes, is } = checkOf(id);
  return minutes + HANDLING_MINUTES[is];
};

interface Go {
  by: string;
  from: number;
  to: number;
  /** What the trade would take for all of it, minutes; null where something of it has no figure. */
  trade: number | null;
  checks: CheckId[];
}

/**
 * How long the checks of a job took against the trade's figures, from the times on its log. What was noted in one go was done since
 * whoever did it noted something before; a check tells its minutes where it is most of that. Pauses are left out.
 */
export function timesIn(trail: readonly Timed[]): TaskTime[] {
  const goes: Go[] = [];
  for (const { entry, state } of trail) {
    if (state === 'struck' || entry.kind === 'strike' || !entry.by) continue;
    const at = Date.parse(entry.notedAt);
    const last = goes.at(-1);
    const go: Go =
      last && last.by === entry.by && at - last.to <= ONE_GO_MS && at >= last.from
        ? last
        : { by: entry.by, from: at, to: at, trade: 0, checks: [] };
    if (go !== last) goes.push(go);
    go.to = Math.max(go.to, at);
    if (entry.kind === 'finding') {
      const { check } = entry.body;
      go.checks.push(check);
      if (go.trade !== null) go.trade += tradeMinutes(check);
    } else if (entry.kind === 'took-off' && 'part' in entry.body) {
      if (go.trade !== null) go.trade += partOf(entry.body.part).minutes;
    } else go.trade = null;
  }
  return goes.flatMap(({ by, from, trade, checks }, n): TaskTime[] => {
    const before = goes[n - 1];
    const [check] = checks;
    if (!before || before.by !== by || !trade || checks.length !== 1 || !check) return [];
    if (tradeMinutes(check) < MOST_OF_IT * trade) return [];
    const taken = (from - before.to) / 60_000 / trade;
    return taken > 1 / FURTHEST_OFF && taken < FURTHEST_OFF ? [{ check, by, step: stepOf(taken) }] : [];
  });
}

/** The middle of so many steps, each with how often; to the lower one where two are. */
function medianOf(steps: ReadonlyMap<number, number>): number {
  const all = [...steps.values()].reduce((a, b) => a + b, 0);
  let seen = 0;
  for (const [step, n] of [...steps].sort(([x], [y]) => x - y)) {
    seen += n;
    if (seen * 2 >= all) return step;
  }
  return 0;
}

/** What was learnt of a check's minutes: the factor on the trade's, and from how often. */
export interface LearntPace {
  factor: number;
  times: number;
}

/** What was learnt of minutes: in the whole shop, and of those who made a check often enough. */
export interface LearntMinutes {
  shop: Partial<Record<CheckId, LearntPace>>;
  own: Readonly<Record<string, Partial<Record<CheckId, LearntPace>>>>;
}

/**
 * What the shop's minutes come to against the trade's: the median of how much longer each check took, on a scale of ratios
 * (log-normal), drawn towards the trade's figure, which counts as so many times. The median bears one time in five noted late.
 */
export function learnMinutes(counts: TimeCounts): LearntMinutes {
  const shop = new Map<CheckId, Map<number, number>>();
  const own = new Map<string, Map<CheckId, Map<number, number>>>();
  const known = new Set<string>(CHECK_IDS);
  const add = (to: Map<CheckId, Map<number, number>>, check: CheckId, step: number, n: number): void => {
    const steps = to.get(check) ?? new Map<number, number>();
    steps.set(step, (steps.get(step) ?? 0) + n);
    to.set(check, steps);
  };
  for (const [key, n] of Object.entries(counts)) {
    const [check = '', by = '', step = ''] = key.split(' ');
    // One that this program knows no more.
    if (!known.has(check)) continue;
    add(shop, check as CheckId, Number(step), n);
    const theirs = own.get(by) ?? new Map<CheckId, Map<number, number>>();
    add(theirs, check as CheckId, Number(step), n);
    own.set(by, theirs);
  }
  const paces = (of: ReadonlyMap<CheckId, Map<number, number>>, enough: number): LearntMinutes['shop'] =>
    Object.fromEntries(
      [...of]
        .sort(([x], [y]) => x.localeCompare(y))
        .flatMap(([check, steps]) => {
          const times = [...steps.values()].reduce((a, b) => a + b, 0);
          if (times < enough) return [];
          const drawn = Math.round((medianOf(steps) * times) / (times + TRADES_WORD));
          const most = stepOf(FURTHEST_PACE);
          const factor = STEP ** Math.min(most, Math.max(-most, drawn));
          return [[check, { factor: Math.round(factor * 10_000) / 10_000, times }]];
        }),
    );
  return {
    shop: paces(shop, ENOUGH_TIMES.shop),
    own: Object.fromEntries(
      [...own]
        .sort(([x], [y]) => x.localeCompare(y))
        .flatMap(([by, of]) => {
          const theirs = paces(of, ENOUGH_TIMES.own);
          return Object.keys(theirs).length > 0 ? [[by, theirs]] : [];
        }),
    ),
  };
}

/** The shop's minutes as the diagnosis takes them; null where none differs from the trade's. */
export function paceIn({ shop }: Pick<LearntMinutes, 'shop'>): Pace | null {
  const factors = Object.entries(shop).flatMap(([check, { factor }]) =>
    factor === 1 ? [] : [[check, factor] as const],
  );
  return factors.length > 0 ? Object.fromEntries(factors) : null;
}
