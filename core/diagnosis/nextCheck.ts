import type { Case } from './case';
import {
  CAUSES,
  CHECKS,
  openingMinutes,
  toOpen,
  type CauseId,
  type CheckDef,
  type CheckId,
  type PartId,
} from './knowledge';
import { asItStood, bearingOn, findingLikelihood, informativeResults, type Likelihood } from './likelihood';
import type { Posterior } from './posterior';
import { fillChosen, normalise, SETS } from './sets';

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
  /** Information about what is wrong, bits per minute. */
  value: number;
  /** Information about what is wrong, bits. */
  bits: number;
  outlook: readonly Outlook[];
}

/** Handling any check costs something besides its minutes: fetching the tool, wiping hands, noting it. */
const HANDLING_MINUTES = 0.5;
/** A look repeated in the same conditions tends to come out the same way. */
const REPEAT_WORTH = 0.25;
/** Sets kept for planning: those that hold nearly all of the probability. */
const KEPT_SETS = 600;

/** Whether a check can be made at all: some need the engine to run, some a part this machine lacks. */
function possible(check: CheckDef, c: Case): boolean {
  if (check.running && !canRun(c)) return false;
  if (check.id === 'drive-free' && (c.machine.kind === 'blower' || c.machine.kind === 'backpack-blower'))
    return false;
  if (
    check.id === 'cap-cracked-trial' &&
    !c.evidence.some((e) => e.kind === 'complaint' && FADES.has(e.complaint))
  )
    return false;
  return true;
}
const FADES = new Set(['fades-under-way', 'cuts-dead', 'wont-reach-speed']);
const DEAD_RESULTS = new Set(['nothing', 'pops']);

/** Whether the engine can be expected to run for a running check: from the last start, else from the complaint. */
export function canRun(c: Case): boolean {
  const started = c.evidence.findLast((e) => e.kind === 'finding' && e.check === 'start-trial');
  if (started?.kind === 'finding') return !DEAD_RESULTS.has(started.result);
  return !c.evidence.some(
    (e) => e.kind === 'complaint' && (e.complaint === 'no-fire' || e.complaint === 'pops-only'),
  );
}

function keptSets(p: Posterior): { chosen: Uint32Array; weights: Float64Array } {
  let floor = 1e-6;
  let count = KEPT_SETS + 1;
  while (count > KEPT_SETS) {
    floor *= 2;
    count = 0;
    for (let s = 0; s < p.sets.length; s++) if (p.sets[s]! > floor) count++;
  }
  const chosen = new Uint32Array(count);
  for (let s = 0, n = 0; s < p.sets.length; s++) if (p.sets[s]! > floor) chosen[n++] = s;
  const weights = Float64Array.from(chosen, (s) => p.sets[s]!);
  normalise(weights);
  return { chosen, weights };
}

/**
 * Every check still worth making, best first by information per bench minute (one step ahead; expected reduction of
 * entropy over the sets, de Kleer and Williams 1987), with what must come off for it. Checks already on the log with
 * a sure result are left out.
 */
export function nextChecks(c: Case, p: Posterior): NextCheck[] {
  const off = new Set(c.off);
  const done = new Map<CheckId, boolean>();
  for (const e of c.evidence) {
    if (e.kind === 'finding') done.set(e.check, e.sureness === 'sure');
  }
  const { chosen, weights } = keptSets(p);
  const ranked: { check: CheckDef; bits: number; minutes: number; value: number }[] = [];
  for (const check of CHECKS) {
    if (done.get(check.id) === true || !possible(check, c)) continue;
    const bits = information(check, p, chosen, weights) * (done.has(check.id) ? REPEAT_WORTH : 1);
    const minutes = check.minutes + openingMinutes(check.access, off);
    const value = bits / (minutes + HANDLING_MINUTES);
    if (value > 0.001) ranked.push({ check, bits, minutes, value });
  }
  ranked.sort((x, y) => y.value - x.value);
  return ranked.map(({ check, bits, minutes, value }, rank) => ({
    check: check.id,
    minutes,
    bits,
    value,
    opens: toOpen(check.access, off),
    outlook: rank < 6 ? outlookOf(check.id, p, chosen, weights) : [],
  }));
}

const likelihoodsOf = (id: CheckId, p: Posterior): { result: string; likelihood: Likelihood }[] =>
  informativeResults(id).flatMap((result) => {
    const likelihood = findingLikelihood(id, result, 'sure');
    return likelihood ? [{ result, likelihood: asItStood(likelihood, p.repaired, []) }] : [];
  });

function information(check: CheckDef, p: Posterior, chosen: Uint32Array, weights: Float64Array): number {
  // Sets in which no cause bears on the check all expect what a sound machine shows: one row stands for them.
  const bears = bearingOn(check.id);
  const { a, b, c } = SETS;
  const bearing: number[] = [];
  let restWeight = 0;
  chosen.forEach((s, n) => {
    if (bears[a[s]!]! | bears[b[s]!]! | bears[c[s]!]!) bearing.push(n);
    else restWeight += weights[n]!;
  });
  if (bearing.length === 0) return 0;
  const rows = Uint32Array.from([0, ...bearing.map((n) => chosen[n]!)]);
  const rowWeights = Float64Array.from([restWeight, ...bearing.map((n) => weights[n]!)]);
  const columns = likelihoodsOf(check.id, p).map(({ likelihood }) => {
    const column = new Float64Array(rows.length);
    fillChosen(column, likelihood, rows);
    return column;
  });
  const totals = new Float64Array(columns.length);
  let conditional = 0;
  for (let n = 0; n < rows.length; n++) {
    let sum = 0;
    for (const column of columns) sum += column[n]!;
    for (let r = 0; r < columns.length; r++) {
      const q = columns[r]![n]! / sum;
      const wq = rowWeights[n]! * q;
      conditional -= wq * Math.log(q);
      totals[r]! += wq;
    }
  }
  let marginal = 0;
  for (const q of totals) if (q > 0) marginal -= q * Math.log(q);
  return Math.max(0, marginal - conditional) / Math.LN2;
}

function outlookOf(id: CheckId, p: Posterior, chosen: Uint32Array, weights: Float64Array): Outlook[] {
  const column = new Float64Array(chosen.length);
  const { a, b, c } = SETS;
  const outlooks = likelihoodsOf(id, p).map(({ result, likelihood }) => {
    fillChosen(column, likelihood, chosen);
    const causes = new Float64Array(CAUSES.length + 1);
    let chance = 0;
    for (let n = 0; n < chosen.length; n++) {
      const s = chosen[n]!;
      const w = weights[n]! * column[n]!;
      chance += w;
      causes[a[s]!]! += w;
      causes[b[s]!]! += w;
      causes[c[s]!]! += w;
    }
    let lead = -1;
    for (let i = 0; i < CAUSES.length; i++) {
      const id = CAUSES[i]!.id;
      if (!p.repaired.includes(id) && (lead < 0 || causes[i]! > causes[lead]!)) lead = i;
    }
    return { result, chance, leads: { cause: CAUSES[lead]!.id, probability: causes[lead]! / chance } };
  });
  const total = outlooks.reduce((sum, o) => sum + o.chance, 0);
  return outlooks.map((o) => ({ ...o, chance: o.chance / total }));
}
