import {
  CAUSE_INDEX,
  CHECKS,
  checkOf,
  REMEDIES,
  toOpen,
  type CauseId,
  type CheckDef,
  type CheckId,
  type ComplaintId,
  type EngineNeed,
  type PartId,
} from '../../knowledge';
import { rightedBy, type Case, type Evidence } from '../case';
import { bearingOn, isMending } from '../checkTable';
import { HANDLING_MINUTES } from '../parameters';
import type { Posterior } from '../posterior';
import { minutesAt, minutesToClose, minutesToOpen, TRADE, type BenchMinutes } from './benchMinutes';

/** Complaints of an engine that does not keep running: nothing can be read off it while it runs. */
const DEAD: ReadonlySet<ComplaintId> = new Set([
  'no-fire',
  'pops-only',
  'runs-on-prime-then-dies',
  'flooded',
  'primer-no-fuel',
  'kicks-back',
  'hard-to-pull',
]);
/** Starts that are no starts: nothing can be read off a running engine. */
export const DEAD_STARTS: ReadonlySet<string> = new Set(['nothing', 'pops', 'backfires', 'starts-and-dies']);
/** Complaints of a machine that hurts somebody when it is started. */
export const HURTING = ['kicks-back', 'wont-stop'] as const satisfies readonly ComplaintId[];
const hurts = (complaint: ComplaintId): boolean => (HURTING as readonly ComplaintId[]).includes(complaint);

/** What has to be on again before the engine is turned by the cord, or started. */
const ON_TO_TURN: readonly PartId[] = ['recoil', 'flywheel'];
const ON_TO_RUN: readonly PartId[] = [
  ...ON_TO_TURN,
  'plug',
  'muffler-cover',
  'muffler',
  'air-box',
  'carburettor',
  'metering-cover',
  'pump-cover',
];
/** With one of these off the engine is in pieces: it is put together for a proof, not for a check. */
const IN_PIECES: readonly PartId[] = ['carburettor', 'metering-cover', 'pump-cover', 'flywheel', 'muffler'];

/** Faults with which an engine is not run, lest it be ruined. */
export const RUINOUS: ReadonlySet<CauseId> = new Set([
  'no-oil-in-fuel',
  ...REMEDIES.filter((r) => r.asksWorth).flatMap((r) => r.mends),
]);

type Finding = Extract<Evidence, { kind: 'finding' }>;

/** What the machine can be asked to do as it now stands. */
export interface State {
  off: ReadonlySet<PartId>;
  canTurn: boolean;
  /** Somebody may try to start it. */
  canStart: boolean;
  canRun: boolean;
  /** There surely is no spark, and why not has not been followed to its end: fuel is no question before that. */
  noSpark: boolean;
  /** It is full of fuel already: none is poured in to see whether it fires. */
  wet: boolean;
  /** Why the machine is not to be run, where that is a matter of safety: the entry that says so. */
  hazard: Evidence | null;
}

/** Why running the machine would be dangerous: a safety fault found, or one it came in with; null when nothing stands. */
function hazardOf(c: Case, p: Pick<Posterior, 'timeline'>): Evidence | null {
  if (c.hazardPassed || p.timeline.cured) return null;
  return (
    c.evidence.find(
      (e) =>
        (e.kind === 'finding' && e.check === 'safety-walkround' && e.result === 'fault') ||
        (e.kind === 'finding' && e.check === 'pull-feel' && e.result === 'snatches') ||
        (e.kind === 'complaint' && hurts(e.complaint)),
    ) ?? null
  );
}

/** The latest finding of a check, unless something was put right with effect since. */
function lately(c: Case, check: CheckId): Finding | undefined {
  const since = c.evidence.findLastIndex((e) => e.kind === 'repair' && e.outcome !== 'no-change');
  return c.evidence.findLast(
    (e, at): e is Finding => at > since && e.kind === 'finding' && e.check === check,
  );
}

/** What follows a spark that surely is not there, to its end. */
const FOLLOW_NO_SPARK: readonly CheckId[] = [
  'spark-stop-wire-off',
  'plug-lead-look',
  'new-plug-trial',
  'coil-gap',
  'known-good-coil-trial',
];

/** Whether a sure "no spark" stands with something left to follow it by. */
function sparkUnfollowed(c: Case): boolean {
  const tested = lately(c, 'spark-tester');
  return (
    tested?.result === 'none' &&
    tested.sureness === 'sure' &&
    FOLLOW_NO_SPARK.some((check) => lately(c, check) === undefined)
  );
}

/** Reads from a case what can be asked of the machine as it stands on the bench. */
export function stateOf(c: Case, p: Pick<Posterior, 'timeline' | 'present' | 'complaints'>): State {
  const off = new Set(c.off);
  const hazard = hazardOf(c, p);
  const pull = lately(c, 'pull-feel')?.result;
  const canTurn = pull !== 'locked';
  const ruined = p.timeline.known.some((k) => k.state === 'standing' && RUINOUS.has(k.cause));
  const canStart = canTurn && pull !== 'no-resistance' && !hazard && !ruined;
  const started = lately(c, 'start-trial')?.result;
  const dead = started
    ? DEAD_STARTS.has(started)
    : p.complaints.some((id) => DEAD.has(id)) || lately(c, 'spark-tester')?.result === 'none';
  const wet =
    p.complaints.includes('flooded') ||
    lately(c, 'plug-look')?.result === 'wet-fuel' ||
    p.present[CAUSE_INDEX.get('engine-flooded')!] === 1;
  return { off, canTurn, canStart, canRun: canStart && !dead, noSpark: sparkUnfollowed(c), wet, hazard };
}

/** Parts that have to go back on before a check's engine can be turned or run. */
export function toPutBack({ engine, access }: CheckDef, off: ReadonlySet<PartId>): PartId[] {
  if (!engine) return [];
  const open = new Set(toOpen(access, new Set()));
  return (engine === 'turned' ? ON_TO_TURN : ON_TO_RUN).filter((part) => off.has(part) && !open.has(part));
}

/** The parts that are off without which the engine cannot be started. */
export const missingToRun = (off: ReadonlySet<PartId>): PartId[] => ON_TO_RUN.filter((part) => off.has(part));

/** Whether a check can be made on this machine as it stands. */
export function possible(check: CheckDef, c: Case, p: Pick<Posterior, 'complaints'>, state: State): boolean {
  if (check.notOn?.includes(c.machine.kind)) return false;
  if (check.onlyFor && !check.onlyFor.some((id) => p.complaints.includes(id))) return false;
  if (check.addsFuel && state.wet) return false;
  if (state.noSpark && (check.group === 'fuel' || check.addsFuel)) return false;
  const able: Record<EngineNeed, boolean> = {
    turned: state.canTurn,
    started: state.canStart,
    running: state.canRun,
  };
  if (check.engine && !able[check.engine]) return false;
  return !toPutBack(check, state.off).some((part) => IN_PIECES.includes(part));
}

/** Bench minutes of a check as the state says: its own, opening, and putting back what it needs on. */
export const minutesOf = (check: CheckDef, off: ReadonlySet<PartId>, at: BenchMinutes = TRADE): number =>
  at.own(check) + minutesToOpen(check.access, off, at) + minutesToClose(toPutBack(check, off), at);

/** Bench minutes of a check as a case stands, at its bench. */
export function minutesIn(c: Pick<Case, 'off' | 'pace'>): (check: CheckDef) => number {
  const off = new Set(c.off);
  const at = minutesAt(c);
  return (check) => minutesOf(check, off, at);
}

/** What a check costs in all: its minutes, handling it, and closing up what it opened. */
export const costOf = (check: CheckDef, off: ReadonlySet<PartId>, at: BenchMinutes = TRADE): number =>
  minutesOf(check, off, at) + HANDLING_MINUTES[check.is] + minutesToClose(toOpen(check.access, off), at);

/** What is off once a check has been made. */
export function offAfter(check: CheckDef, off: ReadonlySet<PartId>): ReadonlySet<PartId> {
  const after = new Set([...off, ...toOpen(check.access, off)]);
  for (const part of toPutBack(check, off)) after.delete(part);
  return after;
}

/**
 * The checks whose latest result still stands, and whether it was sure. A repair that changed something makes stale
 * whatever the repaired cause had a bearing on: that may look different now.
 */
export function standing(c: Case): Map<CheckId, boolean> {
  const made = new Map<CheckId, boolean>();
  for (const e of c.evidence) {
    if (e.kind === 'finding') made.set(e.check, e.sureness === 'sure');
    if (e.kind !== 'repair' || e.outcome === 'no-change') continue;
    const repaired = rightedBy(e).map((id) => CAUSE_INDEX.get(id)!);
    for (const check of made.keys())
      if (isMending(check) || repaired.some((i) => bearingOn(check)[i])) made.delete(check);
  }
  return made;
}

/** An order of checks with every check it leaves out after it. */
export const wholeOrder = (order: readonly CheckId[]): CheckId[] => [
  ...order,
  ...CHECKS.map((c) => c.id).filter((id) => !order.includes(id)),
];

/** The next check of an order that has not been made and can be; null when none is left. */
export function firstInOrder(
  order: readonly CheckId[],
  c: Case,
  p: Pick<Posterior, 'timeline' | 'present' | 'complaints'>,
  among: (check: CheckId) => boolean = () => true,
): CheckId | null {
  const made = standing(c);
  const state = stateOf(c, p);
  return (
    wholeOrder(order).find((id) => !made.has(id) && among(id) && possible(checkOf(id), c, p, state)) ?? null
  );
}
