import { creditOf, type Case, type Credit } from '../diagnosis';
import { causesPutRight, type CauseId } from '../knowledge';
import { cureOf, isOneOfSeveral, MAY_BE_FROM, seenOn, type Cure } from './cure';
import type { FoundFault, Picture, Repair, SafetyFault, SafetyMended, Settled, ToMend } from '../log';

/**
 * On what it rests that a fault was there. `seen`: looked at or measured. `settled`: a technician said so. `credited`: its
 * repair is what cured it, and nobody saw it.
 */
export type Basis = 'seen' | 'settled' | 'credited';

/** What became of a fault: it stands, was put right and not tried, is mended, or was put right in vain. */
export type MatterState = 'standing' | 'untried' | 'mended' | 'vain';

/** One fault of the list, from when it was first known to what became of it. */
export interface Matter {
  cause: CauseId;
  basis: Basis;
  state: MatterState;
  /** How likely it was there at all, where nobody saw it and its repair may not have been the cure (0–1). */
  share: number;
  /** The entries it rests on, those that put it right among them. */
  from: readonly string[];
  /** What was said about it where it is not mended. */
  answer: FoundFault['answer'];
}

/** One piece of work, and what it can be said to have put right. */
export interface Act {
  repair: Repair;
  /**
   * For what it may take credit: faults that were seen, the one that was settled on, or those it may have been with their
   * shares. Empty: a fault in somebody's own words, or work that was in vain.
   */
  credit: readonly Credit[];
  /** Every fault in `credit` was seen, or named by a hand: nothing is guessed. */
  sure: boolean;
  /** The engine was run since, and ran right. */
  tried: boolean;
  /** How likely it was of the cure (0–1); null where nothing is cured, or it came before. */
  share: number | null;
  /** Something else may have been the cure, or was it. */
  rivalled: boolean;
}

/**
 * The one account of the work on a job: what was found and what became of it, what was done and what that showed, what
 * remains. Whatever tells anybody anything about a job reads this.
 */
export interface Account {
  matters: readonly Matter[];
  acts: readonly Act[];
  /** In words of one's own: settled on, and how its work turned out; null before it. */
  others: readonly { words: string; entryId: string; state: MatterState }[];
  /** What was settled on and is not done: to be put right next. */
  toMend: readonly Settled[];
  safety: { standing: readonly SafetyFault[]; mended: readonly SafetyMended[] };
  cured: boolean;
  /** Whose cure it was; null while nothing is cured. */
  cure: Cure | null;
  /** What it is was settled on or cured: what else might have been it is nobody's business any more. */
  decided: boolean;
}

/** Work after which the engine ran right: told so, or tried in the proof. */
function ranRightAfter(repair: Repair, { cured, repairs, starts, proof, order }: Picture): boolean {
  if (repair.outcome === 'cured' || repair.outcome === 'better') return true;
  if (repair.outcome !== 'untried' || !cured) return false;
  const at = order.get(repair.entryId) ?? -1;
  const later = (id: string): boolean => (order.get(id) ?? -1) > at;
  return (
    repairs.some((r) => r.outcome === 'cured' && later(r.toldBy)) ||
    starts.some((s) => s.outcome === 'runs' && later(s.id)) ||
    (proof.length > 0 && proof.every((step) => step.done))
  );
}

const stateOf = (outcome: Repair['outcome'] | null, tried: boolean): MatterState => {
  if (outcome === null) return 'standing';
  if (outcome === 'no-change') return 'vain';
  return outcome === 'untried' && !tried ? 'untried' : 'mended';
};

function actOf(repair: Repair, picture: Picture, { c, cure }: { c: Case; cure: Cure | null }): Act {
  const tried = ranRightAfter(repair, picture);
  const ofCure = cure?.shares.find((s) => s.change.refs.includes(repair.entryId));
  const cured = {
    share: ofCure?.share ?? null,
    rivalled: cure !== null && ofCure !== undefined && isOneOfSeveral(cure, repair.entryId),
  };
  if (!('cause' in repair) || repair.outcome === 'no-change')
    return { repair, credit: [], sure: true, tried, ...cured };
  const whole = causesPutRight(repair.cause, repair.remedy);
  const seen = picture.found.filter(
    (f) => whole.includes(f.cause) && f.refs.some((r) => r !== repair.entryId),
  );
  if (seen.length > 0)
    return { repair, credit: seen.map(({ cause }) => ({ cause, share: 1 })), sure: true, tried, ...cured };
  if (ofCure)
    return {
      repair,
      credit: ofCure.causes,
      sure: !repair.remedy && !cured.rivalled,
      tried,
      ...cured,
    };
  const credit = creditOf(c, repair.entryId);
  return { repair, credit, sure: credit.length === 1 && credit[0]!.share === 1, tried, ...cured };
}

/** The account of a job: from its log, and from the engine's case for what a cure may have been the cure of. Pure. */
export function accountOf(picture: Picture, c: Case): Account {
  const cure = cureOf(picture, c);
  const acts = picture.repairs.map((repair) => actOf(repair, picture, { c, cure }));
  const actOn = (cause: CauseId): Act | undefined =>
    acts.findLast(({ repair: r }) => 'cause' in r && causesPutRight(r.cause, r.remedy).includes(cause));
  const shareOf = (cause: CauseId): number => {
    const act = actOn(cause);
    if (!act || act.share === null) return 1;
    return act.credit.find((x) => x.cause === cause)?.share ?? 0;
  };
  // Put right on the way, and hardly what cured it: nothing says that it was there.
  const hardly = (cause: CauseId): boolean => actOn(cause)?.rivalled === true && shareOf(cause) < MAY_BE_FROM;
  const matters = new Map<CauseId, Matter>();
  const own = new Set(picture.repairs.map((r) => r.entryId));
  const wasSeen = seenOn(picture);
  // A part that was seen sound is never a fault that was mended, whatever was done to it.
  const sound = new Set(
    picture.cleared.filter((cause) => !picture.found.some((f) => f.cause === cause && wasSeen(f.refs))),
  );
  for (const { cause, refs, state, answer } of picture.found) {
    if (sound.has(cause) && state !== 'standing') continue;
    const last = actOn(cause);
    matters.set(cause, {
      cause,
      ...(wasSeen(refs) ? { basis: 'seen', share: 1 } : { basis: 'credited', share: shareOf(cause) }),
      state: state === 'untried' && last?.tried ? 'mended' : state,
      from: last ? [...new Set([...refs, last.repair.entryId])] : refs,
      answer,
    });
  }
  for (const s of picture.settled) {
    // A whole job that was settled on names no fault: it mends whichever it is.
    if (!('cause' in s) || s.remedy || matters.has(s.cause)) continue;
    // A cure by itself settles nothing of a part that was seen sound; a technician who says so does.
    if ((sound.has(s.cause) && own.has(s.entryId)) || hardly(s.cause)) continue;
    const act = acts.findLast((a) => 'cause' in a.repair && a.repair.cause === s.cause);
    matters.set(s.cause, {
      cause: s.cause,
      basis: act?.repair.entryId === s.entryId ? 'credited' : 'settled',
      state: stateOf(s.outcome, act?.tried ?? false),
      share: shareOf(s.cause),
      from: [s.entryId, ...(act ? [act.repair.entryId] : [])],
      answer: null,
    });
  }
  for (const act of acts) {
    const { repair, sure, tried } = act;
    if (
      !('cause' in repair) ||
      repair.remedy ||
      !sure ||
      matters.has(repair.cause) ||
      sound.has(repair.cause) ||
      hardly(repair.cause)
    )
      continue;
    matters.set(repair.cause, {
      cause: repair.cause,
      basis: 'credited',
      state: stateOf(repair.outcome, tried),
      share: shareOf(repair.cause),
      from: [repair.entryId],
      answer: null,
    });
  }
  return {
    matters: [...matters.values()],
    acts,
    others: picture.settled.flatMap((s) =>
      'other' in s ? [{ words: s.other, entryId: s.entryId, state: stateOf(s.outcome, false) }] : [],
    ),
    toMend: picture.settled.filter((s) => s.outcome === null),
    safety: { standing: picture.safetyFaults, mended: picture.safetyMended },
    cured: picture.cured,
    cure,
    decided:
      picture.cured ||
      picture.settled.some((s) => s.outcome === null || s.outcome === 'untried' || s.outcome === 'cured'),
  };
}

/** Faults that stand, were put right, or were put right in vain, as the account has them. */
export const mattersIn = (account: Account, ...states: readonly MatterState[]): Matter[] =>
  account.matters.filter((m) => states.includes(m.state));

/**
 * The work that helped, each once: a whole job by what it is, else the fault it put right. A part that was seen sound was not mended.
 *
 * @example workThatHelped(account) // [{ cause: 'fuel-filter-clogged' }, { other: 'bolt in the fan' }]
 */
export function workThatHelped({ acts, matters, others }: Account): ToMend[] {
  const helped = new Map<string, ToMend>();
  for (const { repair, tried } of acts) {
    if (!('cause' in repair) || !tried) continue;
    const { cause, remedy } = repair;
    if (remedy) helped.set(remedy, { cause, remedy });
    else if (matters.some((m) => m.cause === cause && m.state === 'mended')) helped.set(cause, { cause });
  }
  return [...helped.values(), ...others.flatMap((o) => (o.state === 'mended' ? [{ other: o.words }] : []))];
}
