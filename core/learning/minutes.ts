import { CLOSING_SHARE, HANDLING_MINUTES, minutesOffAndOn, wayInto } from '../diagnosis';
import {
  causeOf,
  checkOf,
  LAYER_MINUTES,
  OPENS_THE_CARBURETTOR,
  partOf,
  remedyMinutes,
  remedyOf,
  TASK_IDS,
  type LayerTask,
  type Pace,
  type PartId,
  type TaskId,
} from '../knowledge';
import type { Entry, EntryOf, Picture } from '../log';
import { STEP } from './parameters';

const TASKS: ReadonlySet<string> = new Set(TASK_IDS);

/** How long something took against the trade's figure: `step` so many twentieths longer (the natural log of the factor, by that of a twentieth). */
export interface TaskTime {
  task: TaskId;
  /** Who did it. */
  by: string;
  step: number;
}

/** How often things took so long, by "task, who, step". */
export type TimeCounts = Readonly<Record<string, number>>;

/** Entries no further apart were noted in one go. */
const ONE_GO_MS = 5000;
/** Five times longer or shorter than the trade says is a pause, a lunch, or noted some other time. */
const FURTHEST_OFF = 5;
/** A task tells its own minutes where it is more than this share of what was done. */
const MOST_OF_IT = 0.5;
/** So many times a thing has to be done before its minutes are believed, and somebody's own. */
export const ENOUGH_TIMES = { shop: 5, own: 8 } as const;
/** What is noted late makes longer oftener than it makes shorter: the middle is taken a little below the median. Found by drawing shops (`npm run bench -- --learning-only`). */
const MIDDLE = 0.45;
/** What the trade says counts as so many times; so does what the shop says of somebody's own. */
const SAID_BEFORE = 3;
/** Nothing is believed to take more than so many times longer or shorter. */
const FURTHEST_PACE = 3;

const stepOf = (factor: number): number => Math.round(Math.log(factor) / Math.log(STEP)) + 0;
/** A count's key. */
export const timeKey = ({ task, by, step }: TaskTime): string => `${task} ${by} ${step}`;

/** A line of the trail, as far as its time tells anything. */
type Timed = Pick<Picture['trail'][number], 'entry' | 'state'>;

/** Something done, and what the trade takes for it, minutes. */
export interface Done {
  task: TaskId;
  trade: number;
}

const layer = (task: LayerTask): Done => ({ task, trade: LAYER_MINUTES[task] });

/** At least this share of a repair's minutes is the repair itself, whatever was open already. */
const REPAIR_ITSELF = 0.5;

/**
 * What a repair says was done. With what it lies behind off already, by the log, opening and closing it are no part of it. Null where it
 * was done step by step, each noted by itself, or on something that is not listed.
 */
function repairIn(body: EntryOf<'repair'>['body'], off: ReadonlySet<PartId>): Done | null {
  if ('other' in body || OPENS_THE_CARBURETTOR.has(body.cause)) return null;
  const { cause, remedy } = body;
  const whole = remedy ? remedyMinutes(remedyOf(remedy)) : causeOf(cause).minutes;
  const opening = minutesOffAndOn(wayInto(cause).filter((part) => off.has(part)));
  return { task: remedy ?? cause, trade: Math.max(REPAIR_ITSELF * whole, whole - opening) };
}

const NOTHING: ReadonlySet<PartId> = new Set();

/** What an entry says was done, with so much off the machine; null where nothing that has a figure was. */
export function doneIn(entry: Entry, off: ReadonlySet<PartId> = NOTHING): Done | null {
  switch (entry.kind) {
    case 'finding': {
      const { minutes, is } = checkOf(entry.body.check);
      return { task: entry.body.check, trade: minutes + HANDLING_MINUTES[is] };
    }
    case 'took-off':
      if ('part' in entry.body) return { task: entry.body.part, trade: partOf(entry.body.part).minutes };
      return 'layer' in entry.body && entry.body.condition !== 'missing' ? layer('layer-off') : null;
    case 'put-back':
      if ('part' in entry.body)
        return { task: entry.body.part, trade: CLOSING_SHARE * partOf(entry.body.part).minutes };
      return 'layer' in entry.body ? layer(entry.body.renewed ? 'layer-new' : 'layer-back') : null;
    case 'repair':
      return repairIn(entry.body, off);
    default:
      return null;
  }
}

/** What somebody noted in one go. */
interface Go {
  by: string;
  from: number;
  to: number;
  /** What the trade would take for each thing done in it, minutes. */
  done: Map<TaskId, number>;
  /** Something of it has no figure: nobody knows how long the rest took. */
  vague: boolean;
}

/** What is most of what was done in one go, and what the trade would take for all of it; null where nothing is. */
function mostOf({ done, vague }: Go): Done | null {
  if (vague) return null;
  const trade = [...done.values()].reduce((a, b) => a + b, 0);
  const most = [...done].find(([, minutes]) => minutes > MOST_OF_IT * trade);
  return most ? { task: most[0], trade } : null;
}

/**
 * How long the things done on a job took against the trade's figures, from the times on its log. What was noted in one go was done since
 * whoever did it noted something before; what is most of it tells its minutes. Pauses are left out.
 */
export function timesIn(trail: readonly Timed[]): TaskTime[] {
  const goes: Go[] = [];
  // The same repair noted again says how it turned out, and nothing of minutes.
  const mended = new Set<TaskId>();
  const off = new Set<PartId>();
  for (const { entry, state } of trail) {
    const done = doneIn(entry, off);
    const again = entry.kind === 'repair' && done !== null && mended.has(done.task);
    if (entry.kind === 'repair' && done) mended.add(done.task);
    if (state === 'struck' || entry.kind === 'strike') continue;
    if (entry.kind === 'took-off' && 'part' in entry.body) off.add(entry.body.part);
    if (entry.kind === 'put-back' && 'part' in entry.body) off.delete(entry.body.part);
    if (!entry.by) continue;
    const at = Date.parse(entry.notedAt);
    const last = goes.at(-1);
    const go: Go =
      last && last.by === entry.by && at - last.to <= ONE_GO_MS && at >= last.from
        ? last
        : { by: entry.by, from: at, to: at, done: new Map(), vague: false };
    if (go !== last) goes.push(go);
    go.to = Math.max(go.to, at);
    if (done && !again) go.done.set(done.task, (go.done.get(done.task) ?? 0) + done.trade);
    else go.vague = true;
  }
  return goes.flatMap((go, n): TaskTime[] => {
    const before = goes[n - 1];
    const most = mostOf(go);
    if (!before || before.by !== go.by || !most) return [];
    const taken = (go.from - before.to) / 60_000 / most.trade;
    return taken > 1 / FURTHEST_OFF && taken < FURTHEST_OFF
      ? [{ task: most.task, by: go.by, step: stepOf(taken) }]
      : [];
  });
}

/** The middle of so many steps, each with how often. */
function middleOf(steps: ReadonlyMap<number, number>): number {
  const all = [...steps.values()].reduce((a, b) => a + b, 0);
  let seen = 0;
  for (const [step, n] of [...steps].sort(([x], [y]) => x - y)) {
    seen += n;
    if (seen >= MIDDLE * all) return step;
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

/** How often each thing took so long, in steps. */
type Steps = Map<TaskId, Map<number, number>>;

function addTo(steps: Steps, task: TaskId, step: number, n: number): void {
  const of = steps.get(task) ?? new Map<number, number>();
  of.set(step, (of.get(step) ?? 0) + n);
  steps.set(task, of);
}

const sorted = <K extends string, V>(of: ReadonlyMap<K, V>): [K, V][] =>
  [...of].sort(([x], [y]) => (x < y ? -1 : 1));

/** What each thing done often enough comes to: drawn towards `before`, steps that count as so many times. */
function pacesOf(steps: Steps, enough: number, before: (task: TaskId) => number): LearntMinutes['shop'] {
  const most = stepOf(FURTHEST_PACE);
  return Object.fromEntries(
    sorted(steps).flatMap(([task, of]) => {
      const times = [...of.values()].reduce((a, b) => a + b, 0);
      if (times < enough) return [];
      const drawn = Math.round((middleOf(of) * times + before(task) * SAID_BEFORE) / (times + SAID_BEFORE));
      const factor = STEP ** Math.min(most, Math.max(-most, drawn));
      return [[task, { factor: Math.round(factor * 10_000) / 10_000, times }]];
    }),
  );
}

/**
 * What minutes come to against the trade's: the middle of how much longer each thing took, on a scale of ratios (log-normal), drawn
 * towards the trade's figure, and somebody's own towards the shop's, which counts as so many times. The middle bears one time in five
 * noted late.
 */
export function learnMinutes(counts: TimeCounts): LearntMinutes {
  const all: Steps = new Map();
  const own = new Map<string, Steps>();
  for (const [key, n] of Object.entries(counts)) {
    const [task = '', by = '', step = ''] = key.split(' ');
    // One that this program knows no more.
    if (!TASKS.has(task)) continue;
    addTo(all, task as TaskId, Number(step), n);
    const theirs: Steps = own.get(by) ?? new Map();
    addTo(theirs, task as TaskId, Number(step), n);
    own.set(by, theirs);
  }
  const shop = pacesOf(all, ENOUGH_TIMES.shop, () => 0);
  const shopStep = (task: TaskId): number => stepOf(shop[task]?.factor ?? 1);
  return {
    shop,
    own: Object.fromEntries(
      sorted(own).flatMap(([by, steps]) => {
        const theirs = pacesOf(steps, ENOUGH_TIMES.own, shopStep);
        return Object.keys(theirs).length > 0 ? [[by, theirs]] : [];
      }),
    ),
  };
}

/** The paces that are reckoned with: the shop's, and by account of those who work at another. */
export interface Paces {
  shop: Pace;
  own: Readonly<Record<string, Pace>>;
}

/** What was learnt of minutes as it is reckoned with; null where nothing differs from the trade's. */
export function pacesIn({ shop, own }: LearntMinutes): Paces | null {
  const differing = (of: LearntMinutes['shop'], from: (task: TaskId) => number): Pace | null => {
    const factors = (Object.entries(of) as [TaskId, LearntPace][]).flatMap(([task, { factor }]) =>
      factor === from(task) ? [] : [[task, factor] as const],
    );
    return factors.length > 0 ? Object.fromEntries(factors) : null;
  };
  const ofShop = differing(shop, () => 1);
  const ofThem = Object.entries(own).flatMap(([by, of]) => {
    const theirs = differing(of, (task) => shop[task]?.factor ?? 1);
    return theirs ? [[by, theirs] as const] : [];
  });
  return ofShop || ofThem.length > 0 ? { shop: ofShop ?? {}, own: Object.fromEntries(ofThem) } : null;
}

/** How a job goes in somebody's hands: at their own pace, as far as it is known, else at the shop's. Nobody's: null. */
export function paceOf(paces: Paces | null | undefined, hands: string | null): Pace | undefined {
  const own = hands === null ? undefined : paces?.own[hands];
  return own ? { ...paces?.shop, ...own } : paces?.shop;
}
