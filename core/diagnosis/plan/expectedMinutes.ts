import {
  CAUSE_INDEX,
  CAUSES,
  causeOf,
  CHECKS,
  probabilityOf,
  signsOf,
  toOpen,
  type CauseId,
  type CheckDef,
  type PartId,
} from '../../knowledge';
import {
  ALONE,
  HANDLING_MINUTES,
  LONG_QUEUE,
  LOST_MINUTES,
  MISSED_MINUTES,
  SPARED_SHARE,
  SUREST_UNSEEN,
} from '../parameters';
import { PART_BIT, TRADE, type BenchMinutes } from './benchMinutes';

const N = CAUSES.length;

/** Everything that must be off for a check, what stands before it included, as part bits. */
export const accessMask = (check: CheckDef): number =>
  toOpen(check.access, new Set()).reduce((mask, part) => mask | PART_BIT.get(part)!, 0);

/** How often a check shows a cause that is there (0–1); 0 where it does not settle it. */
function detects(cause: CauseId, check: CheckDef): number {
  const { seen, putRightBy, settledBy } = causeOf(cause);
  if (putRightBy?.includes(check.id)) return ALONE.cured;
  const words = signsOf(cause, check.id);
  const shown = (seen?.[check.id] ?? []).reduce((sum: number, r: string) => {
    const word = words[r];
    return sum + (word ? probabilityOf(word) : 0);
  }, 0);
  if (shown >= PLAINLY) return Math.min(0.97, shown);
  if (!settledBy?.includes(check.id)) return 0;
  return Math.min(
    0.97,
    Object.values(words).reduce((sum, word) => sum + probabilityOf(word), 0),
  );
}

/** A look shows its fault at least so often. */
const PLAINLY = 0.7;

/** The checks that settle each cause, as a look at the very part would; in the order of CAUSES. */
const SETTLING: readonly (readonly CheckDef[])[] = CAUSES.map((cause) =>
  CHECKS.filter((check) => detects(cause.id, check) > 0),
);

/** What is open once a cause is being repaired, as part bits: what the least deep of its looks opens. */
const WAY_IN = Uint16Array.from(SETTLING, (checks) => {
  const ways = checks.map(accessMask).sort((x, y) => TRADE.opening[x]! - TRADE.opening[y]!);
  return ways[0] ?? 0;
});

/** What is open once a cause is being repaired. */
export const wayInto = (cause: CauseId): readonly PartId[] =>
  [...PART_BIT].flatMap(([part, bit]) => (WAY_IN[CAUSE_INDEX.get(cause)!]! & bit ? [part] : []));

/** The checks that settle one cause. */
export const settling = (position: number): readonly CheckDef[] => SETTLING[position]!;

/**
 * What has to be put right in each set of a board, as positions in CAUSES (N: nobody): the members to blame for a
 * complaint that stands, and what brought a known damage about. A member that is there, but not to blame, is not.
 */
export interface Needs {
  a: Uint8Array;
  b: Uint8Array;
  c: Uint8Array;
}

/** How each cause can be settled as the machine stands: by a look of so many minutes behind so much, or only by repair. */
export interface Routes {
  /** What each set of the board needs put right. */
  needs: Needs;
  /** Minutes of the cheapest look, handling included; Infinity where there is none. Length N. */
  look: Float64Array;
  /** Parts that must be off for it, as bits. Length N. */
  access: Uint16Array;
  /** How often it misses what is there (0–1). Length N. */
  misses: Float64Array;
  /** The look itself. */
  by: readonly (CheckDef | null)[];
  /** What is known already accounts for the complaints. */
  accounted: boolean;
  /** How long things take here. */
  at: BenchMinutes;
}

/** Lays out the routes: `usable` says whether a check can be made, and its minutes with what it needs put back. */
export function routesOf(
  { needs, accounted, at }: Pick<Routes, 'needs' | 'accounted' | 'at'>,
  offMask: number,
  usable: (check: CheckDef) => number | null,
): Routes {
  const look = new Float64Array(N).fill(Infinity);
  const access = new Uint16Array(N);
  const misses = new Float64Array(N);
  const by: (CheckDef | null)[] = CAUSES.map(() => null);
  for (let i = 0; i < N; i++) {
    let least = Infinity;
    for (const check of SETTLING[i]!) {
      const minutes = usable(check);
      if (minutes === null) continue;
      const mask = accessMask(check);
      const cost = minutes + HANDLING_MINUTES[check.is] + at.opening[mask & ~offMask]!;
      if (cost >= least) continue;
      least = cost;
      look[i] = minutes + HANDLING_MINUTES[check.is];
      access[i] = mask;
      misses[i] = 1 - detects(CAUSES[i]!.id, check);
      by[i] = check;
    }
  }
  return { needs, look, access, misses, by, accounted, at };
}

/** A cause fainter than this has no place in the queue. */
const FAINT = 0.004;

const queue = new Uint8Array(N);
const ratio = new Float64Array(N);
const direct = new Float64Array(N);
const position = new Int16Array(N + 1);
const ifAbsent = new Float64Array(N);
const ifThere = new Float64Array(N);
const before = new Float64Array(N + 1);
const spared = new Float64Array(N);
let foremost = -1;
const placed = new Uint8Array(N);
const tried = new Uint16Array(N);

const shortened = (minutes: number): number =>
  minutes <= LONG_QUEUE.minutes
    ? minutes
    : LONG_QUEUE.minutes + LONG_QUEUE.share * (minutes - LONG_QUEUE.minutes);

/** One place in the queue: a cause to look for, or to repair outright, and how likely it has to be put right. */
export interface Queued {
  cause: number;
  probability: number;
  repair: boolean;
}

/**
 * Lays the queue: causes that matter, likeliest for their minutes first, each looked for or, where that is cheaper,
 * repaired outright; those behind the same covers together (Sidney's decomposition, with the opening as what comes
 * before). Fills the tables above; returns how many there are.
 */
function layQueue(causes: Float64Array, seen: number, offMask: number, routes: Routes): number {
  const { look, access, misses } = routes;
  const { opening, needless } = routes.at;
  let count = 0;
  for (let i = 0; i < N; i++) {
    placed[i] = 1;
    position[i] = -1;
    if (causes[i]! < FAINT) continue;
    placed[i] = 0;
    const p = i === seen ? causes[i]! : Math.min(SUREST_UNSEEN, causes[i]!);
    direct[i] = (1 - p) * needless[i]!;
    const r = causes[i]! / Math.min(look[i]!, direct[i]!);
    let at = count++;
    while (at > 0 && ratio[queue[at - 1]!]! < r) {
      queue[at] = queue[at - 1]!;
      at--;
    }
    queue[at] = i;
    ratio[i] = r;
  }
  const total = count;
  let off = offMask;
  let done = 0;
  let spent = 0;
  let left = total;
  while (left > 0) {
    // The best block: a set of covers, and the best first part of what lies behind it.
    let bestRate = -1;
    let bestMask = 0;
    let bestLength = 1;
    let alone = -1;
    let masks = 0;
    for (let at = 0; at < left; at++) {
      const i = queue[at]!;
      const mask = access[i]! & ~off;
      // Nothing is shared by what lies open or is repaired outright: one at a time.
      const cost = mask === 0 ? Math.min(look[i]!, direct[i]!) : direct[i]!;
      if (causes[i]! > bestRate * cost) {
        bestRate = causes[i]! / cost;
        bestMask = 0;
        alone = i;
      }
      if (mask === 0 || look[i]! >= direct[i]! || tried.subarray(0, masks).includes(mask)) continue;
      tried[masks++] = mask;
      const opened = off | mask;
      const toOpen = opening[mask]!;
      let sum = 0;
      let minutes = 0;
      let length = 0;
      for (let n = at; n < left; n++) {
        const other = queue[n]!;
        // Within a block of covers, what lies behind them.
        if ((access[other]! & ~opened) !== 0 || (access[other]! & mask) === 0) continue;
        sum += causes[other]!;
        minutes += Math.min(look[other]!, direct[other]!);
        length++;
        const then = sum / (minutes + toOpen * (1 - SPARED_SHARE * Math.min(1, sum)));
        if (then <= bestRate) continue;
        bestRate = then;
        bestMask = mask;
        bestLength = length;
      }
    }
    const place = (i: number): void => {
      placed[i] = 1;
      const behind = (access[i]! & ~off) === 0;
      const looked = behind && look[i]! <= direct[i]!;
      if (done === 0) foremost = looked ? i : -2 - i;
      before[done] = spent;
      position[i] = done++;
      ifAbsent[i] = looked ? look[i]! : needless[i]!;
      ifThere[i] = looked ? look[i]! + misses[i]! * MISSED_MINUTES : 0;
      // Its repair is reckoned with opening and closing: what is open by then is spared.
      spared[i] = SPARED_SHARE * opening[looked ? WAY_IN[i]! : WAY_IN[i]! & off]!;
      spent += ifAbsent[i]!;
    };
    if (bestMask === 0) place(alone);
    else {
      spent += opening[bestMask]!;
      const opened = off | bestMask;
      const before = off;
      off = opened;
      for (let at = 0, n = bestLength; at < left && n > 0; at++) {
        const i = queue[at]!;
        if ((access[i]! & ~opened) !== 0 || (access[i]! & ~before & bestMask) === 0) continue;
        place(i);
        n--;
      }
    }
    let kept = 0;
    for (let at = 0; at < left; at++) if (!placed[queue[at]!]) queue[kept++] = queue[at]!;
    left = kept;
  }
  before[done] = spent;
  return done;
}

/** What lies ahead: expected minutes, and what comes first. */
export interface Ahead {
  minutes: number;
  /** Position in CAUSES of what is looked for first; −2 − position where it is repaired outright; −1: nothing is left. */
  first: number;
}

const needed = new Float64Array(N + 1);

/** Probability that each cause has to be put right (length N + 1), under weights that sum to 1 / `scale`. */
function loadNeeded({ a, b, c }: Needs, weights: Float64Array, scale: number): void {
  needed.fill(0);
  for (let n = 0; n < weights.length; n++) {
    const w = weights[n]! * scale;
    needed[a[n]!]! += w;
    needed[b[n]!]! += w;
    needed[c[n]!]! += w;
  }
}

/**
 * Expected bench minutes spent on looking and on needless repairs until everything that has to be is put right, if
 * from here each cause were looked for or repaired in the best order and nothing else were checked (Heckerman, Breese,
 * Rommelse 1995, over sets instead of single faults). The minutes of repairs that are needed are the same under every
 * plan and are left out.
 *
 * `weights`: of the sets, in the order of `routes.needs`, `scale` times which they sum to one; `seen`: a cause just
 * seen, or −1; `offMask`: parts off, as bits.
 */
export function expectedMinutes(
  weights: Float64Array,
  scale: number,
  seen: number,
  offMask: number,
  routes: Routes,
): Ahead {
  const { a, b, c } = routes.needs;
  loadNeeded(routes.needs, weights, scale);
  const count = layQueue(needed, seen, offMask, routes);
  position[N] = -1;
  let sum = 0;
  for (let n = 0; n < weights.length; n++) {
    const w = weights[n]!;
    if (w === 0) continue;
    const pa = position[a[n]!]!;
    const pb = position[b[n]!]!;
    const pc = position[c[n]!]!;
    const last = pa > pb ? (pa > pc ? pa : pc) : pb > pc ? pb : pc;
    if (last < 0) {
      // Nothing here has to be looked for: what is known is all there is to mend, or nobody knows what it is.
      if (!routes.accounted) sum += w * LOST_MINUTES;
      continue;
    }
    let minutes = before[last]!;
    if (pa >= 0)
      minutes += pa === last ? ifThere[a[n]!]! - spared[a[n]!]! : ifThere[a[n]!]! - ifAbsent[a[n]!]!;
    if (pb >= 0)
      minutes += pb === last ? ifThere[b[n]!]! - spared[b[n]!]! : ifThere[b[n]!]! - ifAbsent[b[n]!]!;
    if (pc >= 0)
      minutes += pc === last ? ifThere[c[n]!]! - spared[c[n]!]! : ifThere[c[n]!]! - ifAbsent[c[n]!]!;
    sum += w * shortened(minutes);
  }
  const first = count > 0 ? foremost : -1;
  return { minutes: sum * scale, first };
}

/** The queue from these weights: what would be looked for or repaired, in this order, if nothing else were checked. */
export function queueOf(weights: Float64Array, offMask: number, routes: Routes): Queued[] {
  loadNeeded(routes.needs, weights, 1);
  const count = layQueue(needed, -1, offMask, routes);
  const laid = new Array<Queued>(count);
  for (let i = 0; i < N; i++)
    if (position[i]! >= 0)
      laid[position[i]!] = { cause: i, probability: needed[i]!, repair: ifThere[i] === 0 };
  return laid;
}
