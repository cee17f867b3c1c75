import { chanceFrom, type Chance } from '../chance';
import {
  causeOf,
  checkOf,
  probabilityOf,
  seenAs,
  signsOf,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type Strength,
} from '../knowledge';
import { fitPlateau } from '../compression';
import { seedOf } from '../engine';
import { drawResult, likeliestResult, staysRight, trialResult } from '../proving';
import { judgeReading } from '../reading';
import type { Hidden } from './hidden';
import type { Shows } from './moves';
import { readingFor } from './readings';
import { readsIn, readyFor, seemsIn, type ReadyId } from './ready';
import { signOf } from './signs';

/** How a machine is now, as it answers. */
export interface Condition {
  /** Faults still in it. */
  left: ReadonlySet<CauseId>;
  /** What each check showed on the machine as it is. */
  truths: ReadonlyMap<CheckId, string>;
  /** How often each check was made since something was mended. */
  times: ReadonlyMap<CheckId, number>;
  /** How many repairs and trials have put something right. */
  mended: number;
}

/** Complaints whose faults are still in the machine. */
export const standingOn = (hidden: Hidden, left: ReadonlySet<CauseId>): ComplaintId[] =>
  hidden.complaints.filter((id) => hidden.from.get(id)?.some((cause) => left.has(cause)));

/** A seeded series of its own for each question, so that asking one thing moves no other answer, and a repair only what it bears on. */
const chanceOf = (hidden: Hidden, question: string): Chance =>
  chanceFrom(seedOf(`${hidden.exercise.number} ${hidden.exercise.theme} ${question}`));

/** A look that often shows its fault shows it here: what is practised is to look, not to look again. */
const PLAINLY = probabilityOf('often');

/** The results with which a look shows a cause, where it shows it plainly; empty where it does not. */
function plainOf(cause: CauseId, check: CheckId): string[] {
  const words = signsOf(cause, check);
  const { seen, settledBy } = causeOf(cause);
  const results: readonly string[] = seen?.[check] ?? (settledBy?.includes(check) ? Object.keys(words) : []);
  const shown = results.filter((r) => words[r] !== undefined);
  return shown.reduce((sum, r) => sum + probabilityOf(words[r]!), 0) >= PLAINLY ? shown : [];
}

/**
 * Whether a check may show a result on a machine with these faults: what is the very fault, or next to never seen without one,
 * shows only where that fault is, a complaint that stands shows where it is asked again, and a machine that nothing is complained of any more runs well.
 */
export function mayShow(
  check: CheckId,
  result: string,
  left: ReadonlySet<CauseId>,
  standing: readonly ComplaintId[],
): boolean {
  const faults = seenAs(check, result);
  if (faults.length > 0 && !faults.some((cause) => left.has(cause))) return false;
  const { healthy } = checkOf(check);
  const ofNothing = (healthy as Readonly<Record<string, Strength>>)[result] === 'hardly-ever';
  if (ofNothing && ![...left].some((cause) => signsOf(cause, check)[result])) return false;
  const plain = [...left].flatMap((cause) => plainOf(cause, check));
  if (plain.length > 0 && !plain.includes(result)) return false;
  // A cord that will not pull is told of.
  if (check === 'pull-feel' && result === 'locked' && !standing.includes('hard-to-pull')) return false;
  if (check === 'start-trial' && standing.length === 0) return result === 'runs-well';
  const { restates } = checkOf(check);
  // Complaints come worst first: what will not fire does not run badly.
  const again = standing.map((id) => restates?.[id]).find((said) => said !== undefined);
  return !again || again.includes(result);
}

/** The causes whose putting right may change what a check shows. */
export const changes = (cause: CauseId, check: CheckId): boolean =>
  Object.keys(signsOf(cause, check)).length > 0 ||
  Object.keys(checkOf(check).restates ?? {}).some((id) => id in causeOf(cause).complaints) ||
  causeOf(cause).putRightBy?.includes(check) === true;

/** Whether a check may be read wrong even by a careful hand: only those are, in practice. */
const isSoft = (check: CheckId): boolean => checkOf(check).results.some((r) => 'soft' in r);

/** What a trap shows in a check, time after time; what is made ready for it shows it at once. */
function setBy(
  { trap }: Hidden,
  check: CheckId,
  nth: number,
  ready?: readonly ReadyId[],
): string | undefined {
  const set = trap?.shows?.[check];
  const light = readyFor(check).find((r) => r.id === trap?.seenWith);
  if (!light || !ready) return set?.[Math.min(nth, set.length - 1)];
  return ready.includes(light.id) ? set?.at(-1) : set?.[0];
}

/** What a check shows on the machine as it is, nothing put right by it. `ready`: what was made ready for it, where it is said. */
export function truthOf(hidden: Hidden, check: CheckId, now: Condition, ready?: readonly ReadyId[]): string {
  const nth = now.times.get(check) ?? 0;
  const set = now.mended === 0 ? setBy(hidden, check, nth, ready) : undefined;
  if (set) return set;
  const standing = standingOn(hidden, now.left);
  const may = (result: string): boolean => mayShow(check, result, now.left, standing);
  const before = now.truths.get(check);
  if (hidden.plain) return before ?? likeliestResult(check, [...now.left], standing, may);
  return drawResult(chanceOf(hidden, `${check} ${nth}`), check, [...now.left], {
    shared: hidden.shared,
    complaints: standing,
    before,
    exact: !isSoft(check),
    may,
  });
}

/** How a check is made. */
export interface Manner {
  /** What the pump was brought to, kPa. */
  kpa?: number | undefined;
  /** What was not made ready. */
  missed?: readonly ReadyId[];
  /** What was not made ready when the squeeze was last measured without oil. */
  dryMissed?: readonly ReadyId[];
}

/** The reading or the words with which a result of a check shows, as it is made. */
export function showsOf(
  hidden: Hidden,
  check: CheckId,
  result: string,
  now: Condition,
  { kpa, missed = [], dryMissed = [] }: Manner = {},
): Shows {
  const chance = chanceOf(hidden, `${check} reads ${now.times.get(check) ?? 0}`);
  const wet = check === 'compression-wet';
  const there = readingFor(chance, check, result, hidden.machine, {
    kpa,
    dryPsi: wet ? dryPsiOf(hidden, now) : undefined,
  });
  const seems = seemsIn(missed, check, result);
  if (!there) return { check, result: seems, reading: null, words: signOf(check, seems) ?? PUMPED_SHUT };
  // Oil raises what is there; it is compared with what the gauge came to before.
  const compared =
    wet && dryMissed.length > 0 ? { ...there, dryPsi: dryPsiOf(hidden, now, dryMissed) } : there;
  const reading = readsIn(missed, compared);
  const judged = judgeReading(check, reading, hidden.machine);
  return { check, result: 'result' in judged ? judged.result : seems, reading, words: signOf(check, seems) };
}

const PUMPED_SHUT = 'The needle stands like a post, and goes on standing with the metering lever pressed.';

/** The squeeze before oil goes in, psi, as its gauge reads without what was `missed`. */
function dryPsiOf(hidden: Hidden, now: Condition, missed: readonly ReadyId[] = []): number {
  const first = { ...now, times: new Map() };
  const dry = truthOf(hidden, 'compression-gauge', first);
  const { reading } = showsOf(hidden, 'compression-gauge', dry, first, { missed });
  return Math.round(fitPlateau(reading?.psi ?? []).psi);
}

/**
 * What putting some faults right does for the owner: whether it is felt, and whether anything is still complained of. While what is left
 * hides the effect of any repair, nothing is felt.
 */
export function effectOf(
  hidden: Hidden,
  left: ReadonlySet<CauseId>,
  rights: readonly CauseId[],
): { helped: boolean; more: boolean } {
  const after = new Set([...left].filter((cause) => !rights.includes(cause)));
  const { trap, toBlame } = hidden;
  const hides = trap?.hides !== undefined && after.has(trap.hides);
  return {
    helped: !hides && rights.some((cause) => toBlame.includes(cause)),
    more: standingOn(hidden, after).length > 0,
  };
}

/** What a trial puts right here, and how it turns out; null where it puts nothing right. */
export function triedOn(
  hidden: Hidden,
  check: CheckId,
  now: Condition,
): { rights: readonly CauseId[]; result: string } | null {
  const rights = staysRight(check).filter((cause) => now.left.has(cause));
  if (rights.length === 0) return null;
  const { helped, more } = effectOf(hidden, now.left, rights);
  return { rights, result: trialResult(check, helped, more) };
}
