import {
  CAUSES,
  causeOf,
  checkOf,
  REMEDIES,
  toOpen,
  type CauseId,
  type CheckDef,
  type CheckId,
  type PartId,
} from '../../knowledge';
import { leadOf } from '../hypotheses';
import {
  ACT_ON,
  AT_ONCE,
  DISMANTLING_MINUTES,
  EARLY_SHARE,
  SEEN,
  UNLIKELY,
  WORTH_BEFORE_DISMANTLING,
  WORTH_GOING_OVER,
  WORTH_MAKING,
} from '../parameters';
import type { Posterior } from '../posterior';
import { minutesToOpen } from './benchMinutes';
import { believing } from './board';
import type { Queued } from './expectedMinutes';
import { aheadFrom, type Planning } from './planning';
import { minutesOf, offAfter } from './possible';
import type { Rated } from './rate';

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

/** For so many checks of the plan it is told what each result would say. */
const OUTLOOKS = 6;
/** Whether a check looks at what makes a top end or short block: all that matters once one is known to be needed. */
const ofTheEngine = ({ id }: CheckDef): boolean =>
  REMEDIES.some((r) => r.asksWorth && r.mends.some((cause) => causeOf(cause).seen?.[id]));

/** Whether a check begins with a dismantling. */
const dismantles = ({ access }: CheckDef, off: ReadonlySet<PartId>): boolean =>
  minutesToOpen(access, off) >= DISMANTLING_MINUTES;

interface Placed extends Rated {
  saves: number;
  /** Whatever it shows, the same is done next; all it saves is opening what that opens. */
  idle: boolean;
}

/** Whether all that a check opens is opened for what comes first anyway. */
function opensForFirst({ access }: CheckDef, { foremost, off }: Planning): boolean {
  const opens = toOpen(access, off);
  const first = new Set([...foremost].flatMap((id) => toOpen(checkOf(id).access, off)));
  return opens.length > 0 && opens.every((part) => first.has(part));
}

/** Where a check stands on the plan: its expected minutes, by which the plan is ordered, with its place argued. */
function place(r: Rated, planning: Planning, now: number, first: number): Placed {
  const { check } = r.answers;
  // A dismantling is not hurried: whatever is cheap and might still save it comes before.
  const bias = dismantles(check, planning.off) ? -AT_ONCE : AT_ONCE;
  let { through } = r;
  // What comes first anyway is as good as the expected minutes it was reckoned with, and waiting for it gains nothing.
  if (planning.foremost.has(check.id)) through = Math.min(through, now) - bias;
  else if (planning.owed.has(check.id) && now - (r.through - r.cost) > EARLY_SHARE * r.cost) through -= bias;
  const saves = Math.max(0, now - (through - r.cost));
  const foregone = r.prospects.every((o) => o.chance < UNLIKELY || o.ahead.first === first);
  // What leaves the same thing to be done first is not done before it.
  if (foregone && planning.foremost.size > 0 && !planning.foremost.has(check.id))
    through = Math.max(through, now);
  return { ...r, through, saves, idle: foregone && opensForFirst(check, planning) };
}

/** Whether a check stands on the plan at all. */
function worthListing(
  { answers: { check }, saves, cost, idle }: Placed,
  planning: Planning,
  deep: boolean,
): boolean {
  const { owed, foremost, ruined, goingOver, off } = planning;
  if (owed.has(check.id) || foremost.has(check.id)) return true;
  if (idle || (ruined && !ofTheEngine(check))) return false;
  if (goingOver) return saves >= cost * WORTH_GOING_OVER;
  return saves >= cost * (deep && !dismantles(check, off) ? WORTH_BEFORE_DISMANTLING : WORTH_MAKING);
}

/** The plan from rated checks: best first, with what must come off for each and what its results would say. */
export function planFrom(rated: readonly Rated[], planning: Planning, p: Posterior): NextCheck[] {
  const { board, off, foremost, owed, routes } = planning;
  const { minutes: now, first } = aheadFrom(planning, board.now, off);
  const deep = (ids: ReadonlySet<CheckId>): boolean => [...ids].some((id) => dismantles(checkOf(id), off));
  const all = rated.map((r) => place(r, planning, now, first)).sort((x, y) => x.through - y.through);
  const paying = all.filter((r) => worthListing(r, planning, deep(foremost)));
  // Before a dismantling that only has to be made some time stands what is cheap and might save it, after all that pays; never first.
  const isDeep = ({ answers: { check } }: Placed): boolean =>
    dismantles(check, off) && !foremost.has(check.id);
  const tail = Math.max(1, paying.findLastIndex((r) => !isDeep(r)) + 1);
  const saving = deep(owed) ? all.filter((r) => !paying.includes(r) && worthListing(r, planning, true)) : [];
  const placed = [...paying.slice(0, tail), ...saving, ...paying.slice(tail)];
  const listed = new Set<string>(placed.map((r) => r.answers.check.id));
  return placed
    .filter(({ answers: { check } }) => !check.insteadOf || !listed.has(check.insteadOf))
    .map((r, n): NextCheck => {
      const { check } = r.answers;
      return {
        check: check.id,
        minutes: minutesOf(check, off, routes.at),
        opens: toOpen(check.access, off),
        puts: [...off].filter((part) => !offAfter(check, off).has(part)),
        value: r.saves / r.cost,
        saves: r.saves,
        net: now - r.through,
        outlook: n < OUTLOOKS ? outlookOf(r, planning, p) : [],
      };
    });
}

function outlookOf({ answers, prospects }: Rated, { board }: Planning, { gone }: Posterior): Outlook[] {
  return prospects.map(({ r, result, chance }) => {
    const seen = answers.seen[r]!;
    const { causes } = believing(board, board.now, answers, r);
    const lead = seen >= 0 ? seen : leadOf(causes, gone);
    // Seen, it is a fact.
    const probability = seen >= 0 ? Math.max(SEEN, causes[lead]!) : Math.min(1, causes[lead]!);
    return { result, chance, leads: { cause: CAUSES[lead]!.id, probability } };
  });
}

/**
 * Position of the cause to act on when no check pays: the lead once it is likely enough, else the first to repair; never
 * one of those put right.
 */
export function causeToActOn(
  causes: Float64Array,
  first: Queued | undefined,
  { gone }: Pick<Posterior, 'gone'>,
): number {
  const lead = leadOf(causes, gone);
  return causes[lead]! >= ACT_ON || !first ? lead : first.cause;
}
