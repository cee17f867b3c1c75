import {
  CAUSES,
  CAUSE_INDEX,
  causeOf,
  checkOf,
  putRightBy,
  resultOf,
  seenAs,
  showsAtTimes,
  type CauseId,
  type CheckId,
} from '../knowledge';
import { cleanBy, type ShowingRate } from '../chance';
import { rateIn, rightedBy, type Case, type Evidence } from './case';
import { asOutcome } from './likelihood';
import { HIDDEN } from './parameters';

const N = CAUSES.length;

/** A fault that is known: seen with one's own eyes, measured, or put right with effect. */
export interface Known {
  cause: CauseId;
  /** Entries in which it was seen, or was put right with effect. */
  refs: readonly string[];
  /**
   * `standing`: there now. `mended`: put right, and it helped. `untried`: put right, and the engine not run since. `vain`:
   * put right, and the complaint stood on.
   */
  state: 'standing' | 'mended' | 'untried' | 'vain';
  /** It was put right and the complaint was gone. */
  cured: boolean;
}

/** What is known at any moment of the log, apart from all inference. Masks have length N + 1. */
export interface Timeline {
  /** How often the fault shows, where it comes and goes. */
  rate: ShowingRate | null;
  known: readonly Known[];
  /** Something was put right and the complaint was gone, be it on the list or not, and nothing was complained of since. */
  cured: boolean;
  /** Where it was last cured; −1: never. What was complained of before is gone. */
  curedAt: number;
  /** Put right, seen before or not, and the engine not run since. */
  untried: readonly CauseId[];
  /** Known to be there, and put right, when the entry at a position was noted; the last position is now. */
  presentAt: (at: number) => Uint8Array;
  goneAt: (at: number) => Uint8Array;
  /** Where the complaints are to be explained: before the first repair that helped, else now. */
  complaintsAt: number;
  /** Surely seen sound or put right in vain, and nothing since: hardly there, whatever else is noted. */
  cleared: readonly CauseId[];
}

interface Mended {
  at: number;
  ref: string;
  /** It is known to have helped by this cause, and that something of it did. */
  helped: boolean;
  didGood: boolean;
  cured: boolean;
  untried: boolean;
}

/** What an entry puts right for good: a repair, or a trial whose new part or fuel stays in. */
function mendedBy(e: Evidence): { causes: readonly CauseId[] } & Omit<Mended, 'at' | 'ref' | 'didGood'> {
  if (e.kind === 'repair')
    return {
      causes: rightedBy(e),
      helped: e.outcome === 'cured' || e.outcome === 'better',
      cured: e.outcome === 'cured',
      untried: e.outcome === 'untried',
    };
  // A screw is turned back after its trial. One that cured it leaves nothing to look for.
  const outcome = e.kind === 'finding' && !checkOf(e.check).gradual ? asOutcome(e.result) : null;
  if (e.kind !== 'finding' || outcome === null || outcome === 'cured')
    return { causes: [], helped: false, cured: false, untried: false };
  return { causes: putRightBy(e.check), helped: outcome === 'better', cured: false, untried: false };
}

/** Whether other work was done since it last failed: what came right after it may have been the cure of that. */
function besides(evidence: readonly Evidence[], at: number): boolean {
  const failed = evidence
    .slice(0, at)
    .findLastIndex(
      (e) =>
        e.kind === 'complaint' ||
        (e.kind === 'repair' && (e.outcome === 'no-change' || e.outcome === 'better')),
    );
  return evidence.slice(failed + 1, at).some((e) => e.kind === 'repair' && e.outcome === 'untried');
}

/** The causes a finding is, beyond doubt: surely noted, and no other cause looks like it. */
export const factIn = (e: Evidence): readonly CauseId[] => {
  if (e.kind !== 'finding' || e.sureness !== 'sure' || resultOf(e.check, e.result)?.soft) return [];
  const seen = seenAs(e.check, e.result);
  return seen.length === 1 ? seen : [];
};

/** Checks that look at a cause's very part. */
const looksAt = (cause: CauseId): CheckId[] => Object.keys(causeOf(cause).seen ?? {}) as CheckId[];

/** Whether a finding shows a cause's part to be sound, beyond doubt. */
function clears(e: Evidence, cause: CauseId, rate: ShowingRate | null): boolean {
  const { severalPlaces, hidden } = causeOf(cause);
  if (e.kind !== 'finding' || e.sureness !== 'sure' || severalPlaces || hidden) return false;
  const [normal] = checkOf(e.check).results;
  // It was there, and did not show: that is no proof yet.
  if (rate && showsAtTimes(checkOf(e.check)) && cleanBy(rate, e.counts?.of ?? 1) > HIDDEN) return false;
  return !!normal && e.result === normal.id && !normal.soft && looksAt(cause).includes(e.check);
}

const maskAt = (positions: Iterable<number>): Uint8Array => {
  const mask = new Uint8Array(N + 1);
  for (const i of positions) mask[i] = 1;
  return mask;
};

/** Reads what is known and when from a case's evidence, in the order it was noted. */
export function timelineOf({ evidence, history }: Case): Timeline {
  const rate = rateIn({ evidence, history });
  const seen = new Map<CauseId, { at: number; ref: string; check: CheckId }[]>();
  const mended = new Map<CauseId, Mended[]>();
  const soundAt = new Map<CauseId, number>();
  // What one look showed is taken back by that look alone: a clear screen says nothing of a wrong diaphragm.
  const soundBy = new Map<string, number>();
  const append = <T>(map: Map<CauseId, T[]>, cause: CauseId, item: T): void => {
    map.set(cause, [...(map.get(cause) ?? []), item]);
  };
  evidence.forEach((e, at) => {
    if (e.kind === 'finding')
      for (const cause of factIn(e)) append(seen, cause, { at, ref: e.ref, check: e.check });
    const { causes, helped, cured, untried } = mendedBy(e);
    // What helped and mends several things does not say which of them it was, unless one was seen and not seen sound since.
    const standsSeen = (cause: CauseId): boolean =>
      (seen.get(cause) ?? []).some((s) => s.at > (soundBy.get(`${cause} ${s.check}`) ?? -1));
    const alone = causes.length === 1 && !(cured && besides(evidence, at));
    const certain = (cause: CauseId): boolean => alone || standsSeen(cause);
    for (const cause of causes)
      append(mended, cause, {
        at,
        ref: e.ref,
        helped: helped && certain(cause),
        didGood: helped,
        cured,
        untried,
      });
    if (e.kind === 'finding')
      for (const { id } of CAUSES)
        if (clears(e, id, rate)) {
          soundAt.set(id, at);
          soundBy.set(`${id} ${e.check}`, at);
        }
  });

  /** Known to be there at a position: seen since it was last put right, or put right with effect later on. */
  const presentThen = (cause: CauseId, at: number): boolean => {
    const repairs = mended.get(cause) ?? [];
    const since = repairs.findLast((m) => m.at < at)?.at ?? -1;
    const next = repairs.find((m) => m.at >= at);
    const until = next?.at ?? Infinity;
    return (
      (seen.get(cause) ?? []).some((s) => {
        const sound = soundBy.get(`${cause} ${s.check}`) ?? -1;
        return s.at > since && s.at < until && (s.at > sound || sound > until);
      }) ||
      (!!next?.helped && since < 0)
    );
  };
  const goneThen = (cause: CauseId, at: number): boolean =>
    (mended.get(cause) ?? []).some((m) => m.at < at) &&
    !presentThen(cause, at) &&
    !(
      causeOf(cause).severalPlaces &&
      !(mended.get(cause) ?? []).some((m) => (m.didGood || m.untried) && m.at < at)
    );

  const touched = new Set([...seen.keys(), ...mended.keys()]);
  const here = (ask: (cause: CauseId, at: number) => boolean) => {
    const masks = new Map<number, Uint8Array>();
    return (at: number): Uint8Array => {
      let mask = masks.get(at);
      if (!mask) {
        mask = maskAt([...touched].filter((c) => ask(c, at)).map((c) => CAUSE_INDEX.get(c)!));
        masks.set(at, mask);
      }
      return mask;
    };
  };
  const now = evidence.length;
  const known = [...touched].flatMap((cause): Known[] => {
    const last = mended.get(cause)?.at(-1);
    const refs = (seen.get(cause) ?? []).map((s) => s.ref);
    if (presentThen(cause, now)) return [{ cause, refs, state: 'standing', cured: false }];
    if (last?.helped) return [{ cause, refs: [...refs, last.ref], state: 'mended', cured: last.cured }];
    // Among what a whole job put right, and seen sound before it: nothing that is known.
    if (!last || last.didGood || refs.length === 0) return [];
    return [{ cause, refs, state: last.untried ? 'untried' : 'vain', cured: false }];
  });
  // What was put right untried may have been it: the complaint is explained as things were before.
  const firstHelp = evidence.findIndex((e) => {
    const { helped, untried } = mendedBy(e);
    return helped || untried;
  });
  const standing = new Set(known.filter((k) => k.state === 'standing').map((k) => k.cause));
  const curedAt = evidence.findLastIndex((e) => e.kind === 'repair' && e.outcome === 'cured');
  const vain = [...mended].filter(
    ([cause, repairs]) => !causeOf(cause).severalPlaces && repairs.every((m) => !m.didGood && !m.untried),
  );
  return {
    rate,
    known,
    cured: curedAt >= 0 && !evidence.slice(curedAt).some((e) => e.kind === 'complaint'),
    curedAt,
    untried: [...mended].flatMap(([cause, repairs]) => (repairs.at(-1)?.untried ? [cause] : [])),
    presentAt: here(presentThen),
    goneAt: here(goneThen),
    complaintsAt: firstHelp < 0 ? now : firstHelp,
    cleared: [...new Set([...soundAt.keys(), ...vain.map(([cause]) => cause)])].filter(
      (c) => !standing.has(c),
    ),
  };
}
