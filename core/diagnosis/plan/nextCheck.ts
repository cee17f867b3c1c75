import {
  behindOf,
  CAUSES,
  CAUSE_INDEX,
  causeOf,
  checkOf,
  openingMinutes,
  REMEDIES,
  toOpen,
  type CauseId,
  type CheckDef,
  type CheckId,
  type PartId,
} from '../../knowledge';
import type { Case } from '../case';
import { causesOf, leadOf } from '../hypotheses';
import { ACT_ON, DISMANTLING_MINUTES, WORTH_BEFORE_DISMANTLING, WORTH_MAKING } from '../parameters';
import { shareOf, type Posterior, type Weighed } from '../posterior';
import { keepLikely, layBoard, weightsWith, type Answers, type Belief, type Board } from './board';
import {
  expectedMinutes,
  queueOf,
  type Ahead,
  routesOf,
  settling,
  type Queued,
  type Routes,
} from './expectedMinutes';
import { explainsAny, needsOf } from './needs';
import { costOf, minutesOf, offAfter, PART_BIT, possible, standing, stateOf, type State } from './possible';

/** What one result would do to the leading suspects. */
export interface Outlook {
  result: string;
  /** Chance of this result now (0–1). */
  chance: number;
  /** The suspect it would make likeliest, and its probability then. */
  leads: { cause: CauseId; probability: number };
}

export interface NextCheck {
  check: CheckId;
  /** Bench minutes: opening, and putting back what it needs on. */
  minutes: number;
  /** What has to come off first, and what has to go back on. */
  opens: readonly PartId[];
  puts: readonly PartId[];
  /** Bench minutes it is expected to save for each minute it costs. */
  value: number;
  /** Bench minutes it is expected to save, its own cost not taken off. */
  saves: number;
  /** Saved minutes less its cost: the order of the plan. */
  net: number;
  outlook: readonly Outlook[];
}

const OUTLOOKS = 12;

/** The board of a case and the machine as it stands: what planning starts from. */
export interface Planning {
  board: Board;
  state: State;
  off: ReadonlySet<PartId>;
  routes: Routes;
  /** The engine itself is known to be worn out or cooked: whether it is worth mending comes before all else. */
  ruined: boolean;
  /** What would come first if nothing else were checked: the look at the first in the queue, or the proof of its repair. */
  foremost: ReadonlySet<CheckId>;
  /** Checks that stand on the plan whatever they save: looks at leading suspects, and what a known damage asks. */
  owed: ReadonlySet<CheckId>;
}

/** Whether a check looks at what makes a top end or short block: all that matters once one is known to be needed. */
const ofTheEngine = ({ id }: CheckDef): boolean =>
  REMEDIES.some((r) => r.asksWorth && r.mends.some((cause) => causeOf(cause).seen?.[id]));

/** From this chance on that it was read wrong, a sure result is worth reading again, until it is confirmed. */
const DOUBTED = 0.25;

/** A suspect that needs looking for with at least this probability has its look on the plan. */
const LEADING = 0.08;
/** From this probability on, what nobody has seen is looked for although what was seen accounts for the complaints. */
const STILL_OPEN = 0.3;
/** Fainter than this, what may stand behind a damage counts as answered. */
const ANSWERED = 0.004;
/** From this probability on, a suspect about to be repaired unseen is proved first. */
const PROVED_FROM = 0.2;

/** Parts off as bits. */
export const maskOfParts = (off: Iterable<PartId>): number => {
  let mask = 0;
  for (const part of off) mask |= PART_BIT.get(part)!;
  return mask;
};

/** What may have brought a known damage about and is not known itself: it has to be answered before the job is done. */
export function unanswered(p: Posterior): CauseId[] {
  const known = new Set(p.timeline.known.map((k) => k.cause));
  const open = p.timeline.known.flatMap(({ cause, state }) =>
    state === 'vain' ? [] : behindOf(cause).filter((id) => !known.has(id)),
  );
  return [...new Set(open)];
}

/** Lays out what can still be checked. `among` leaves out checks that are not to be thought of. */
export function planningFor(
  c: Case,
  p: Posterior,
  among: (check: CheckId) => boolean = () => true,
  mostSets?: number,
): Planning {
  const chosen = keepLikely(p, mostSets);
  const done = standing(c);
  for (const w of p.weighed) {
    const e = w.evidence;
    if (e.kind !== 'finding' || e.again === 'same' || !done.has(e.check)) continue;
    if (misreadAmong(p, chosen, w) > DOUBTED) done.set(e.check, false);
  }
  const state = stateOf(c, p);
  const open = (check: CheckDef): boolean =>
    done.get(check.id) !== true && among(check.id) && possible(check, c, p, state);
  const board = layBoard(p, chosen, open);
  const behind = unanswered(p);
  const accounted = p.timeline.known.some((k) => k.state !== 'vain' && explainsAny(k.cause, p.complaints));
  const offMask = maskOfParts(state.off);
  const routes = routesOf(needsOf(chosen, p, behind), accounted, offMask, (check) =>
    open(check) ? minutesOf({ ...check, access: [] }, state.off) : null,
  );
  const ruined = p.timeline.known.some(
    (k) => k.state === 'standing' && REMEDIES.some((r) => r.asksWorth && r.mends.includes(k.cause)),
  );
  const queue = queueOf(board.now.weights, offMask, routes);
  const [first] = queue;
  const ready = (ids: readonly CheckId[]): CheckId[] => ids.filter((id) => open(checkOf(id)));
  // What is known accounts for the complaints: it is put right before anything else is looked for.
  const unsettled = !accounted || queue.some((q) => q.probability >= STILL_OPEN);
  const looked = unsettled && first && !first.repair ? (routes.by[first.cause]?.id ?? null) : null;
  const foremost = new Set(ready([...proofs(p, unsettled ? first : undefined), ...(looked ? [looked] : [])]));
  const owed = new Set([
    ...queue
      .filter((q) => q.probability >= (accounted ? STILL_OPEN : LEADING))
      .flatMap((q) => routes.by[q.cause] ?? [])
      .filter((check) => check.is !== 'trial')
      .map((check) => check.id),
    ...ready(
      behind.flatMap((id) => {
        const i = CAUSE_INDEX.get(id)!;
        return p.causes[i]! > ANSWERED ? settling(i).map((check) => check.id) : [];
      }),
    ),
    ...(state.hazard && !accounted ? ready(['safety-walkround']) : []),
  ]);
  return { board, state, off: state.off, routes, ruined, foremost, owed };
}

/**
 * What tries out the repair that would come first: the trial that puts a known fault right, or the check that could still
 * prove an unseen leader wrong before anything is spent on it.
 */
function proofs(p: Posterior, first: Queued | undefined): CheckId[] {
  const standing = p.timeline.known.filter(
    (k) => k.state === 'standing' && explainsAny(k.cause, p.complaints),
  );
  const trials = standing.flatMap((k) => causeOf(k.cause).putRightBy ?? []);
  if (!first?.repair || first.probability < PROVED_FROM) return trials;
  return [...trials, ...settling(first.cause).map((check) => check.id)];
}

/** Chance that a finding was read wrong, judged by the likeliest sets. */
function misreadAmong(p: Posterior, chosen: Uint32Array, w: Weighed): number {
  const share = shareOf(w, p.weighed, chosen);
  let sum = 0;
  chosen.forEach((s, n) => (sum += p.sets[s]! / share[n]!));
  return sum * w.likelihood.slip;
}

/** What lies ahead of a belief if nothing else were checked. */
export const aheadFrom = ({ routes }: Planning, belief: Belief, off: ReadonlySet<PartId>, seen = -1): Ahead =>
  expectedMinutes(belief.weights, 1, seen, maskOfParts(off), routes);

/** What would be done first from a belief if nothing else were checked. */
export const firstFrom = (
  { routes }: Planning,
  belief: Belief,
  off: ReadonlySet<PartId>,
): Queued | undefined => queueOf(belief.weights, maskOfParts(off), routes)[0];

/** What one result of a check would leave. */
export interface Prospect {
  result: string;
  /** Chance of the result (0–1). */
  chance: number;
  /** Probability of each cause then (length N + 1; the last is nobody). */
  causes: Float64Array;
  /** What lies ahead from there. */
  ahead: Ahead;
}

/** A check weighed: what it costs, and what it leaves. */
export interface Rated {
  answers: Answers;
  cost: number;
  /** Expected minutes from here through this check, its cost counted in. */
  through: number;
  prospects: readonly Prospect[];
}

/** Minutes' worth of doing at once what has to be done anyway: the queue is reckoned as if no look ever misled. */
const AT_ONCE = 1;
/** A result rarer than this does not justify making the check first. */
const UNLIKELY = 0.04;
/** Results rarer than this are not thought of. */
const RARE = 1e-4;

/** What one check leads to from a belief: the minutes through it, and each of its prospects. */
export function rate(
  { board, routes }: Planning,
  belief: Belief,
  answers: Answers,
  off: ReadonlySet<PartId>,
): Rated {
  const cost = costOf(answers.check, off);
  const offMask = maskOfParts(offAfter(answers.check, off));
  const weights = new Float64Array(board.chosen.length);
  let through = cost;
  const prospects = answers.results.flatMap((result, r): Prospect[] => {
    weightsWith(belief, answers, r, weights);
    let chance = 0;
    for (let n = 0; n < weights.length; n++) chance += weights[n]!;
    if (chance < RARE) return [];
    const causes = causesOf(board.chosen, weights);
    for (let i = 0; i < causes.length; i++) causes[i]! /= chance;
    const ahead = expectedMinutes(weights, 1 / chance, answers.seen[r]!, offMask, routes);
    through += chance * ahead.minutes;
    return [{ result, chance, causes, ahead }];
  });
  return { answers, cost, through, prospects };
}

/** Every check of the board, rated by what it alone leads to. */
export const rateAll = (planning: Planning): Rated[] =>
  [...planning.board.answers.values()].map((answers) =>
    rate(planning, planning.board.now, answers, planning.off),
  );

/** Whether a check begins with a dismantling. */
const dismantles = ({ access }: CheckDef, off: ReadonlySet<PartId>): boolean =>
  openingMinutes(access, off) >= DISMANTLING_MINUTES;

/** The plan from rated checks: best first, with what must come off for each and what its results would say. */
export function planFrom(rated: readonly Rated[], planning: Planning, p: Posterior): NextCheck[] {
  const { board, off, owed, foremost } = planning;
  const { minutes: now, first } = aheadFrom(planning, board.now, off);
  const leaves = rated.find((r) => foremost.has(r.answers.check.id));
  return (
    rated
      // What comes first anyway is as good as the expected minutes it was reckoned with, and waiting for it gains nothing.
      .map((r) => {
        const { check } = r.answers;
        // A dismantling is not hurried: whatever is cheap and might still save it comes before.
        const bias = dismantles(check, off) ? -AT_ONCE : AT_ONCE;
        if (foremost.has(check.id)) return { ...r, through: Math.min(r.through, now) - bias };
        return owed.has(check.id) ? { ...r, through: r.through - bias } : r;
      })
      .map((r) => ({ ...r, saves: Math.max(0, now - (r.through - r.cost)) }))
      .filter(({ saves, cost, answers: { check } }) => {
        if (planning.ruined && !ofTheEngine(check)) return owed.has(check.id) || foremost.has(check.id);
        const worth = deep && !dismantles(check, off) ? WORTH_BEFORE_DISMANTLING : WORTH_MAKING;
        return saves >= worth * cost || owed.has(check.id) || foremost.has(check.id);
      })
      // What leaves the same thing to be done first is not done before it.
      .map((r) =>
        leaves &&
        !foremost.has(r.answers.check.id) &&
        r.prospects.every((o) => o.chance < UNLIKELY || o.ahead.first === first)
          ? { ...r, through: Math.max(r.through, now) }
          : r,
      )
      .toSorted((x, y) => x.through - y.through)
      .filter(({ answers: { check } }, _, all) => !all.some((r) => r.answers.check.id === check.insteadOf))
      .map(({ answers: { check }, cost, saves, through, prospects }, n) => ({
        check: check.id,
        minutes: minutesOf(check, off),
        opens: toOpen(check.access, off),
        puts: [...off].filter((part) => !offAfter(check, off).has(part)),
        value: saves / cost,
        saves,
        net: now - through,
        outlook: n < OUTLOOKS ? prospects.map((o) => outlookOf(o, p)) : [],
      }))
  );
}

/**
 * Every check worth making, best first by the bench minutes it saves over what it costs, looking one check ahead. Checks
 * already on the log with a sure result are left out, and so is what would leave the same thing to be done.
 */
export function nextChecks(c: Case, p: Posterior, among?: (check: CheckId) => boolean): NextCheck[] {
  const planning = planningFor(c, p, among);
  return planFrom(rateAll(planning), planning, p);
}

function outlookOf({ result, chance, causes }: Prospect, p: Posterior): Outlook {
  const gone = CAUSES.flatMap(({ id }, i) => (p.gone[i] ? [id] : []));
  const lead = leadOf(causes, gone);
  return { result, chance, leads: { cause: CAUSES[lead]!.id, probability: Math.min(1, causes[lead]!) } };
}

/** Position of the cause to act on when no check pays: the lead once it is likely enough, else the first to repair. */
export function causeToActOn(causes: Float64Array, first: Queued | undefined): number {
  const lead = leadOf(causes);
  return causes[lead]! >= ACT_ON || !first ? lead : first.cause;
}
