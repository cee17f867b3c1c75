import {
  behindOf,
  CAUSE_INDEX,
  causeOf,
  checkOf,
  REMEDIES,
  type CauseId,
  type CheckDef,
  type CheckId,
  type PartId,
} from '../../knowledge';
import type { Case } from '../case';
import { DOUBTED, LEADING, PROVED_FROM, STILL_OPEN, ANSWERED } from '../parameters';
import { shareOf, type Posterior, type Weighed } from '../posterior';
import { minutesAt, PART_BIT } from './benchMinutes';
import { keepLikely, layBoard, type Belief, type Board } from './board';
import {
  expectedMinutes,
  queueOf,
  routesOf,
  settling,
  type Ahead,
  type Queued,
  type Routes,
} from './expectedMinutes';
import { explainsAny, needsOf } from './needs';
import { minutesOf, possible, standing, stateOf, type State } from './possible';

/** The board of a case and the machine as it stands: what planning starts from. */
export interface Planning {
  board: Board;
  state: State;
  off: ReadonlySet<PartId>;
  routes: Routes;
  /** The engine itself is known to be worn out or cooked: whether it is worth mending comes before all else. */
  ruined: boolean;
  /** Nothing better is left: what was made is made again, and whatever may still say something is worth its minutes. */
  goingOver: boolean;
  /** What would come first if nothing else were checked: the look at the first in the queue, or the proof of its repair. */
  foremost: ReadonlySet<CheckId>;
  /** Checks that stand on the plan whatever they save: looks at leading suspects, and what a known damage asks. */
  owed: ReadonlySet<CheckId>;
}

/** Parts off as bits. */
export const maskOfParts = (off: Iterable<PartId>): number => {
  let mask = 0;
  for (const part of off) mask |= PART_BIT.get(part)!;
  return mask;
};

/** Chance that a finding was read wrong, judged by the likeliest sets. */
function misreadAmong(p: Posterior, chosen: Uint32Array, w: Weighed): number {
  const share = shareOf(w, p.weighed, chosen);
  let sum = 0;
  chosen.forEach((s, n) => (sum += p.sets[s]! / share[n]!));
  return sum * w.likelihood.slip;
}

/**
 * The checks whose result stands beyond doubt: nothing is learnt by making them again. Going over it all once more, none
 * does that was not made twice. What a check showed before a repair is of the machine as it was: only its latest result counts.
 */
function doneWith(c: Case, p: Posterior, chosen: Uint32Array, goingOver: boolean): Set<CheckId> {
  const done = standing(c);
  const latest = new Map(c.evidence.flatMap((e) => (e.kind === 'finding' ? [[e.check, e] as const] : [])));
  for (const w of p.weighed) {
    const e = w.evidence;
    if (e.kind !== 'finding' || e.again === 'same' || e !== latest.get(e.check) || !done.has(e.check))
      continue;
    if (goingOver || misreadAmong(p, chosen, w) > DOUBTED) done.set(e.check, false);
  }
  return new Set([...done].flatMap(([check, sure]) => (sure ? [check] : [])));
}

/** What may have brought a known damage about and is not known itself: it has to be answered before the job is done. */
function unanswered(p: Posterior): CauseId[] {
  const known = new Set(p.timeline.known.map((k) => k.cause));
  const open = p.timeline.known.flatMap(({ cause, state }) =>
    state === 'vain' ? [] : behindOf(cause).filter((id) => !known.has(id)),
  );
  return [...new Set(open)];
}

/** Whether a cause is damage so dear that the first question is whether the machine is worth it. */
const asksWorth = (cause: CauseId): boolean => REMEDIES.some((r) => r.asksWorth && r.mends.includes(cause));

/**
 * What tries out the repair that would come first: the trial that puts a known fault right, or the check that could still
 * prove an unseen leader wrong before anything is spent on it.
 */
function proofs(p: Posterior, first: Queued | undefined): CheckId[] {
  const trials = p.timeline.known
    .filter((k) => k.state === 'standing' && explainsAny(k.cause, p.complaints))
    .flatMap((k) => causeOf(k.cause).putRightBy ?? []);
  if (!first?.repair || first.probability < PROVED_FROM) return trials;
  return [...trials, ...settling(first.cause).map((check) => check.id)];
}

/** How planning is narrowed or widened. */
interface Bounds {
  /** Leaves out checks that are not to be thought of. */
  among?: ((check: CheckId) => boolean) | undefined;
  mostSets?: number;
  goingOver?: boolean;
}

/** Lays out what can still be checked. */
export function planningFor(
  c: Case,
  p: Posterior,
  { among = () => true, mostSets, goingOver = false }: Bounds = {},
): Planning {
  const chosen = keepLikely(p, mostSets);
  const done = doneWith(c, p, chosen, goingOver);
  const state = stateOf(c, p);
  const open = (check: CheckDef): boolean =>
    !done.has(check.id) && among(check.id) && possible(check, c, p, state);
  const board = layBoard(p, chosen, open);
  const behind = unanswered(p);
  // What is known accounts for the complaints: it is put right before anything else is looked for.
  const accounted = p.timeline.known.some(
    (k) => k.cured || (k.state === 'standing' && explainsAny(k.cause, p.complaints)),
  );
  const offMask = maskOfParts(state.off);
  const at = minutesAt(c);
  const routes = routesOf({ needs: needsOf(chosen, p, behind), accounted, at }, offMask, (check) =>
    open(check) ? minutesOf({ ...check, access: [] }, state.off, at) : null,
  );
  const queue = queueOf(board.now.weights, offMask, routes);
  const ready = (ids: readonly CheckId[]): CheckId[] => ids.filter((id) => open(checkOf(id)));
  return {
    board,
    state,
    off: state.off,
    routes,
    goingOver,
    ruined: p.timeline.known.some((k) => k.state === 'standing' && asksWorth(k.cause)),
    foremost: new Set(ready(comesFirst(p, queue, routes))),
    owed: new Set(
      ready([
        ...leadingLooks(queue, routes),
        ...behind.filter((id) => p.causes[CAUSE_INDEX.get(id)!]! > ANSWERED).flatMap(looksFor),
        ...(state.hazard && !accounted ? (['safety-walkround'] as const) : []),
      ]),
    ),
  };
}

const looksFor = (cause: CauseId): CheckId[] => settling(CAUSE_INDEX.get(cause)!).map((check) => check.id);

/** The look at what stands first in the queue, or the proof of its repair; only the trial of what is known, if that accounts for all. */
function comesFirst(p: Posterior, queue: readonly Queued[], { accounted, by }: Routes): CheckId[] {
  if (accounted && !queue.some((q) => q.probability >= STILL_OPEN)) return proofs(p, undefined);
  const [first] = queue;
  const look = first && !first.repair ? by[first.cause] : null;
  return [...proofs(p, first), ...(look ? [look.id] : [])];
}

/** The looks at suspects likely enough to be looked for whatever else is done. */
const leadingLooks = (queue: readonly Queued[], { accounted, by }: Routes): CheckId[] =>
  queue
    .filter((q) => q.probability >= (accounted ? STILL_OPEN : LEADING))
    .flatMap((q) => by[q.cause] ?? [])
    .filter((check) => check.is !== 'trial')
    .map((check) => check.id);

/** What lies ahead of a belief if nothing else were checked. */
export const aheadFrom = ({ routes }: Planning, belief: Belief, off: ReadonlySet<PartId>, seen = -1): Ahead =>
  expectedMinutes(belief.weights, 1, seen, maskOfParts(off), routes);

/** What would be done first from a belief if nothing else were checked. */
export const firstFrom = (
  { routes }: Planning,
  belief: Belief,
  off: ReadonlySet<PartId>,
): Queued | undefined => queueOf(belief.weights, maskOfParts(off), routes)[0];
