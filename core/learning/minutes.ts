import { HANDLING_MINUTES, type Pace } from '../diagnosis';
import {
  CAUSE_IDS,
  causeOf,
  CHECK_IDS,
  checkOf,
  OPENS_THE_CARBURETTOR,
  partOf,
  REMEDY_IDS,
  remedyMinutes,
  remedyOf,
  type CauseId,
  type CheckId,
  type RemedyId,
} from '../knowledge';
import type { EntryOf, Picture } from '../log';
import { STEP } from './parameters';

/** What is done at the bench and has minutes: a check, the repair of one cause, a whole job. No two have one id. */
export type TaskId = CheckId | CauseId | RemedyId;
const TASK_IDS: ReadonlySet<string> = new Set([...CHECK_IDS, ...CAUSE_IDS, ...REMEDY_IDS]);
const CHECK_SET: ReadonlySet<string> = new Set(CHECK_IDS);
const isCheck = (task: string): task is CheckId => CHECK_SET.has(task);

/** How long a check or a repair took against the trade's figure: `step` so many twentieths longer (the natural log of the factor, by that of a twentieth). */
export interface TaskTime {
  task: TaskId;
  /** Who did it. */
  by: string;
  step: number;
}

/** How often a check or a repair took so long, by "task, who, step". */
export type TimeCounts = Readonly<Record<string, number>>;

/** Entries no further apart were noted in one go. */
const ONE_GO_MS = 5000;
/** Five times longer or shorter than the trade says is a pause, a lunch, or noted some other time. */
const FURTHEST_OFF = 5;
/** A check or a repair tells its own minutes where it is at least this share of what was done. */
const MOST_OF_IT = 0.5;
/** So many times a check has to be made before its minutes are believed, and somebody's own. */
export const ENOUGH_TIMES = { shop: 5, own: 8 } as const;
/** What the trade says counts as so many times. */
const TRADES_WORD = 6;
/** No check is believed to take more than so many times longer or shorter. */
const FURTHEST_PACE = 3;

const stepOf = (factor: number): number => Math.round(Math.log(factor) / Math.log(STEP));
/** A count's key. */
export const timeKey = ({ task, by, step }: TaskTime): string => `${task} ${by} ${step}`;

/** A line of the trail, as far as its time tells anything. */
type Timed = Pick<Picture['trail'][number], 'entry' | 'state'>;

/** Minutes that it takes by the trade: a check with its handling, a repair with its opening and closing. */
function tradeMinutes(id: TaskId): number {
  if (isCheck(id)) return checkOf(id).minutes + HANDLING_MINUTES[checkOf(id).is];
  return isRemedy(id) ? remedyMinutes(remedyOf(id)) : causeOf(id).minutes;
}
const isRemedy = (id: string): id is RemedyId => (REMEDY_IDS as readonly string[]).includes(id);

/**
 * What a repair tells the minutes of; null where it was done step by step, each noted by itself, or on something that is not listed.
 */
const repairIn = ({ body }: EntryOf<'repair'>): TaskId | null =>
  'other' in body || OPENS_THE_CARBURETTOR.has(body.cause) ? null : (body.remedy ?? body.cause);

interface Go {
  by: string;
  from: number;
  to: number;
  /** What the trade would take for all of it, minutes; null where something of it has no figure. */
  trade: number | null;
  tasks: TaskId[];
}

/**
 * How long the checks and repairs of a job took against the trade's figures, from the times on its log. What was noted in one go was done since
 * whoever did it noted something before; a check or a repair tells its minutes where it is most of that. Pauses are left out.
 */
export function timesIn(trail: readonly Timed[]): TaskTime[] {
  const goes: Go[] = [];
  // The same repair noted again says how it turned out, and nothing of minutes.
  const noted = new Set<TaskId>();
  for (const { entry, state } of trail) {
    const mended = entry.kind === 'repair' ? repairIn(entry) : null;
    const again = mended !== null && noted.has(mended);
    if (mended) noted.add(mended);
    if (state === 'struck' || entry.kind === 'strike' || !entry.by) continue;
    const at = Date.parse(entry.notedAt);
    const last = goes.at(-1);
    const go: Go =
      last && last.by === entry.by && at - last.to <= ONE_GO_MS && at >= last.from
        ? last
        : { by: entry.by, from: at, to: at, trade: 0, tasks: [] };
    if (go !== last) goes.push(go);
    go.to = Math.max(go.to, at);
    const task = entry.kind === 'finding' ? entry.body.check : again ? null : mended;
    if (task) {
      go.tasks.push(task);
      if (go.trade !== null) go.trade += tradeMinutes(task);
    } else if (entry.kind === 'took-off' && 'part' in entry.body) {
      if (go.trade !== null) go.trade += partOf(entry.body.part).minutes;
    } else go.trade = null;
  }
  return goes.flatMap(({ by, from, trade, tasks }, n): TaskTime[] => {
    const before = goes[n - 1];
    const [task] = tasks;
    if (!before || before.by !== by || !trade || tasks.length !== 1 || !task) return [];
    if (tradeMinutes(task) < MOST_OF_IT * trade) return [];
    const taken = (from - before.to) / 60_000 / trade;
    return taken > 1 / FURTHEST_OFF && taken < FURTHEST_OFF ? [{ task, by, step: stepOf(taken) }] : [];
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

/** What was learnt of a task's minutes: the factor on the trade's, and from how often. */
export interface LearntPace {
  factor: number;
  times: number;
}

/** What was learnt of minutes: in the whole shop, and of those who did a thing often enough. */
export interface LearntMinutes {
  shop: Partial<Record<TaskId, LearntPace>>;
  own: Readonly<Record<string, Partial<Record<TaskId, LearntPace>>>>;
}

/**
 * What the shop's minutes come to against the trade's: the median of how much longer each thing took, on a scale of ratios
 * (log-normal), drawn towards the trade's figure, which counts as so many times. The median bears one time in five noted late.
 */
export function learnMinutes(counts: TimeCounts): LearntMinutes {
  const shop = new Map<TaskId, Map<number, number>>();
  const own = new Map<string, Map<TaskId, Map<number, number>>>();
  const add = (to: Map<TaskId, Map<number, number>>, task: TaskId, step: number, n: number): void => {
    const steps = to.get(task) ?? new Map<number, number>();
    steps.set(step, (steps.get(step) ?? 0) + n);
    to.set(task, steps);
  };
  for (const [key, n] of Object.entries(counts)) {
    const [task = '', by = '', step = ''] = key.split(' ');
    // One that this program knows no more.
    if (!TASK_IDS.has(task)) continue;
    add(shop, task as TaskId, Number(step), n);
    const theirs = own.get(by) ?? new Map<TaskId, Map<number, number>>();
    add(theirs, task as TaskId, Number(step), n);
    own.set(by, theirs);
  }
  const paces = (of: ReadonlyMap<TaskId, Map<number, number>>, enough: number): LearntMinutes['shop'] =>
    Object.fromEntries(
      [...of]
        .sort(([x], [y]) => x.localeCompare(y))
        .flatMap(([task, steps]) => {
          const times = [...steps.values()].reduce((a, b) => a + b, 0);
          if (times < enough) return [];
          const drawn = Math.round((medianOf(steps) * times) / (times + TRADES_WORD));
          const most = stepOf(FURTHEST_PACE);
          const factor = STEP ** Math.min(most, Math.max(-most, drawn));
          return [[task, { factor: Math.round(factor * 10_000) / 10_000, times }]];
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

/** The factors that differ from the trade's, of the tasks that `are` says; null where none does. */
function factorsOf(
  { shop }: Pick<LearntMinutes, 'shop'>,
  are: (task: string) => boolean,
): Record<string, number> | null {
  const factors = Object.entries(shop).flatMap(([task, { factor }]) =>
    factor === 1 || !are(task) ? [] : [[task, factor] as const],
  );
  return factors.length > 0 ? Object.fromEntries(factors) : null;
}

/** The shop's minutes of checks as the diagnosis takes them; null where none differs from the trade's. */
export const paceIn = (minutes: Pick<LearntMinutes, 'shop'>): Pace | null => factorsOf(minutes, isCheck);

/** How much longer repairs take here than the trade says, as factors on their minutes. One that is not in it takes as long as anywhere. */
export type RepairPace = Partial<Readonly<Record<CauseId | RemedyId, number>>>;

/** The shop's minutes of repairs as the quote and the day take them; null where none differs from the trade's. */
export const repairPaceIn = (minutes: Pick<LearntMinutes, 'shop'>): RepairPace | null =>
  factorsOf(minutes, (task) => !isCheck(task));
