import type { Case } from '../case';
import { CAUSES, openingMinutes, toOpen, type CauseId, type CheckId, type PartId } from '../knowledge';
import type { Posterior, Weighed } from '../posterior';
import { leadOf } from '../sets';
import { available, standing } from './available';
import { foresee, keepLikely, layBoard, type Answers, type Belief, type Board, type Prospect } from './board';
import { bestToTry, expectedWaste } from './waste';

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
  /** Bench minutes, opening included. */
  minutes: number;
  /** What has to come off first. */
  opens: readonly PartId[];
  /** Minutes it is expected to save for each minute it takes, with what follows it: the order of the plan. */
  value: number;
  /** Minutes of needless repair it is expected to save by itself. */
  saves: number;
  /** Information about what is wrong, bits. */
  bits: number;
  outlook: readonly Outlook[];
}

/** Handling any check costs something besides its minutes: fetching the tool, wiping hands, noting it. */
export const HANDLING_MINUTES = 0.5;
/** From this probability on, one cause is likely enough to act on, if the technician will not spend more minutes. */
export const ACT_ON = 0.9;
/**
 * A check that saves fewer minutes than this for each it takes is not worth making: act on what is best to try. Below
 * one, because what a check saves is reckoned as if nothing could be checked after it. Found by playing drawn machines.
 */
export const WORTH_MAKING = 0.6;
/** Below this a check is not on the plan at all. */
const WORTH_LISTING = 0.001;
const OUTLOOKS = 12;

/** Position of the cause to act on: the lead once it is likely enough, else the one best to try. */
export function causeToActOn(causes: Float64Array): number {
  const lead = leadOf(causes);
  return causes[lead]! >= ACT_ON ? lead : bestToTry(causes);
}

/** What a check is worth under a belief. */
export interface Worth {
  answers: Answers;
  bits: number;
  saves: number;
  prospects: readonly Prospect[];
}

/** The board of a case and what is off the machine: what planning starts from. */
export interface Planning {
  board: Board;
  off: ReadonlySet<PartId>;
}

/** From this chance on that it was read wrong, a sure result is worth reading again, until it is confirmed. */
const DOUBTED = 0.05;

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
  const board = layBoard(
    p,
    chosen,
    (check) => done.get(check.id) !== true && available(check, c) && among(check.id),
  );
  return { board, off: new Set(c.off) };
}

/** Chance that a finding was read wrong, judged by the likeliest sets. */
function misreadAmong(p: Posterior, chosen: Uint32Array, { adds, likelihood }: Weighed): number {
  let sum = 0;
  for (const s of chosen) sum += p.sets[s]! / adds[s]!;
  return sum * likelihood.error * likelihood.misread;
}

/** What one check is worth under a belief, whose expected waste is `wasteNow` minutes. */
export function worthOf({ board }: Planning, belief: Belief, answers: Answers, wasteNow: number): Worth {
  const { bits, prospects } = foresee(board, belief, answers);
  const after = prospects.reduce((sum, o) => sum + o.chance * expectedWaste(o.causes), 0);
  const saves = Math.max(0, wasteNow - after);
  return { answers, bits, saves, prospects };
}

/** Bench minutes a check takes with these parts off, opening included. */
export const minutesOf = ({ check }: Answers, off: ReadonlySet<PartId>): number =>
  check.minutes + openingMinutes(check.access, off);

/** A check weighed, with the rate at which it pays for its minutes. */
export interface Rated extends Worth {
  minutes: number;
  value: number;
}

/** Every check of the board, rated by what it alone saves. */
export function rateAll(planning: Planning): Rated[] {
  const { board, off } = planning;
  const wasteNow = expectedWaste(board.now.causes);
  return [...board.answers.values()].map((answers) => {
    const worth = worthOf(planning, board.now, answers, wasteNow);
    const minutes = minutesOf(answers, off);
    return { ...worth, minutes, value: worth.saves / (minutes + HANDLING_MINUTES) };
  });
}

/** The plan from rated checks: best first, with what must come off for each and what its results would say. */
export function planFrom(rated: readonly Rated[], { off }: Planning, p: Posterior): NextCheck[] {
  return rated
    .filter((plan) => plan.value > WORTH_LISTING)
    .toSorted((x, y) => y.value - x.value)
    .map(({ answers, minutes, value, saves, bits, prospects }, rank) => ({
      check: answers.check.id,
      minutes,
      opens: toOpen(answers.check.access, off),
      value,
      saves,
      bits,
      outlook: rank < OUTLOOKS ? prospects.map((o) => outlookOf(o, p)) : [],
    }));
}

/**
 * Every check still worth making, best first by minutes saved per bench minute, looking one check ahead. Checks already
 * on the log with a sure result are left out.
 */
export function nextChecks(c: Case, p: Posterior, among?: (check: CheckId) => boolean): NextCheck[] {
  const planning = planningFor(c, p, among);
  return planFrom(rateAll(planning), planning, p);
}

function outlookOf({ result, chance, causes }: Prospect, p: Posterior): Outlook {
  const lead = leadOf(causes, p.repaired);
  return { result, chance, leads: { cause: CAUSES[lead]!.id, probability: Math.min(1, causes[lead]!) } };
}
