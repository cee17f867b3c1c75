import {
  CAUSES,
  CAUSE_INDEX,
  causeOf,
  MANY_PULLS,
  probabilityOf,
  showsAtTimes,
  type CauseId,
  type CheckDef,
  type CheckId,
  type ComplaintId,
  type Counted,
  type Outcome,
  type Sureness,
} from '../knowledge';
import { cleanBy, showsSo, type ShowingRate } from '../chance';
import { maskOf, tableOf } from './checkTable';
import { SETS } from './hypotheses';
import {
  ABSENT,
  ALONE,
  ALONE_GRADUAL,
  COMPLAINT_LEAK,
  CONFIRMED,
  ERROR,
  IN_VAIN,
  IN_VAIN_ELSEWHERE,
  LUCK,
  OTHER_WAY,
  RESTATED,
  SOFT_ERROR,
  WET_FROM_PULLING,
  WITH_OTHERS,
} from './parameters';

/**
 * The probability of one observation for any set of causes, as a difference of two products over the causes in
 * the set: `hi0·∏hi[c] − lo0·∏lo[c]`. Both the noisy-or of complaints and the noisy-max of check results have
 * this form (Henrion 1987; Díez 1993), which is what makes exact inference over all sets cheap.
 */
export interface ProductForm {
  hi0: number;
  lo0: number;
  /** Per cause, in the order of CAUSES, and 1 for nobody (length N + 1). */
  hi: Float64Array;
  lo: Float64Array;
}

/** What putting something right would show, if one of the causes it mends is there. */
interface Mending {
  /** 1 for each cause it mends (length N + 1). */
  mends: Uint8Array;
  /** Probability of this outcome when what it mends was all that was wrong, or only a part of it. */
  alone: number;
  withOthers: number;
  /** 1 for each cause that counts as still there (length N + 1). */
  counts: Uint8Array;
  /** Of the causes known to have been there then: how many it mends, and how many it does not. */
  presentMended: number;
  presentOther: number;
}

/** A product form, softened by the chance of a misreading, with what a trial or repair mends overridden. */
export interface Likelihood extends ProductForm {
  /** Chance that what was recorded is not what was there (0–1), and the chance a misreading gives this result. */
  error: number;
  misread: number;
  /** Of these, what is a slip of eye or hand: a result that only says a complaint again is no slip. */
  slip: number;
  mending?: Mending;
}

const N = CAUSES.length;

/** A probability of exactly nought would end the argument for good; nothing at a bench is that certain. */
export const FLOOR = 1e-6;

const NOTHING: Float64Array = new Float64Array(N + 1);
const CERTAIN: Float64Array = new Float64Array(N + 1).fill(1);
const EVERYBODY: Uint8Array = Uint8Array.from({ length: N + 1 }, (_, i) => +(i < N));

const mendingOf = (mends: Uint8Array, alone: number, withOthers: number): Mending => ({
  mends,
  alone,
  withOthers,
  counts: EVERYBODY,
  presentMended: 0,
  presentOther: 0,
});

const COMPLAINT_LO = new Map<ComplaintId, Float64Array>();
for (const cause of CAUSES) {
  for (const [id, word] of Object.entries(cause.complaints)) {
    const lo = COMPLAINT_LO.get(id as ComplaintId) ?? new Float64Array(N + 1).fill(1);
    lo[CAUSE_INDEX.get(cause.id)!] = 1 - probabilityOf(word);
    COMPLAINT_LO.set(id as ComplaintId, lo);
  }
}

/** Likelihood of a behaviour the owner complained of. */
export const complaintLikelihood = (id: ComplaintId): Likelihood => ({
  hi0: 1,
  lo0: 1 - COMPLAINT_LEAK,
  hi: CERTAIN,
  lo: COMPLAINT_LO.get(id) ?? CERTAIN,
  error: 0,
  misread: 0,
  slip: 0,
});

/** What the noting of a finding adds to its result. */
export interface Circumstances {
  /** Made again and found the same. */
  confirmed?: boolean;
  /** Of the cord, just before. */
  pulls?: number;
  /** Complaints that stand: a result that only says one of them again is not believed twice. */
  complaints?: readonly ComplaintId[];
  /** The one mixture screw that was counted far off. */
  screw?: 'L' | 'H' | undefined;
  /** How often it was made, and how often it failed. */
  counts?: Counted | undefined;
  /** How often the fault shows, where it comes and goes. */
  rate?: ShowingRate | null;
}

/** A fault whose rate nobody knows shows any share of the times: uniform. */
const ANY_RATE: ShowingRate = { a: 1, b: 1 };

/**
 * The same likelihood of a check made several times, or once on a machine whose fault comes and goes. With p the chance that a set
 * shows this result, the observation has chance p·A + (1 − p)·B: that the fault is there and showed so often (Beta-binomial), or that
 * it is not, and as many were misread (binomial). Linear in p, so it is the same form with another error.
 */
function asCounted(
  l: Likelihood,
  isClean: boolean,
  counts: Counted | undefined,
  rate: ShowingRate | null,
): Likelihood {
  const { failed, of } = counts ?? { failed: 0, of: 1 };
  if (isClean) {
    if (!rate) return l;
    // It is there, and did not show: as if nothing had been wrong. What is seen is no slip of the eye.
    const hidden = cleanBy(rate, of);
    const error = hidden + (1 - hidden) * l.error;
    return { ...l, error, misread: (hidden + (1 - hidden) * l.error * l.misread) / error };
  }
  if (!counts) return l;
  const slip = Math.max(FLOOR, l.error * l.misread);
  const misread = slip ** failed * (1 - slip) ** (of - failed);
  const error = Math.min(1, misread / showsSo(rate ?? ANY_RATE, failed, of));
  return { ...l, error, misread: 1, slip: Math.min(l.slip, error) };
}

/** Which way a screw counted far off points. */
const SIDE: Readonly<Record<string, 'lean' | 'rich'>> = { 'far-in': 'lean', 'far-out': 'rich' };

/**
 * A count of one screw for its own side: it says nothing of the other screw, and against its own being set wrong the other
 * way.
 */
function forItsScrew(l: Likelihood, result: string, screw: 'L' | 'H'): Likelihood {
  const side = SIDE[result];
  if (!side) return l;
  const [hi, lo] = [l.hi.slice(), l.lo.slice()];
  CAUSES.forEach((cause, i) => {
    if (!cause.screw) return;
    if (cause.screw.of !== screw) hi[i] = lo[i] = 1;
    else if (cause.screw.is !== side) hi[i] = lo[i] = OTHER_WAY;
  });
  return { ...l, hi, lo };
}

/** The results of a check that only say again what is complained of. */
const restating = ({ restates }: CheckDef, complaints: readonly ComplaintId[]): readonly string[] =>
  restates ? complaints.flatMap((id) => restates[id] ?? []) : [];

/**
 * Likelihood of a check's result, or null for a neutral result ("none fitted") that says nothing. Throws when the check
 * has no such result.
 */
export function findingLikelihood(
  id: CheckId,
  result: string,
  sureness: Sureness,
  { confirmed = false, pulls = 0, complaints = [], screw, counts, rate = null }: Circumstances = {},
): Likelihood | null {
  const { check, ranks, base, causes, slips, mends } = tableOf(id);
  const rank = ranks.get(result);
  if (rank === undefined) {
    if (check.results.some((r) => r.id === result)) return null;
    throw new Error(`${id} has no result ${result}`);
  }
  const { soft, fromPulling } = check.results.find((r) => r.id === result) ?? {};
  const error = (soft ? SOFT_ERROR : ERROR)[sureness] * (confirmed ? CONFIRMED : 1);
  const likelihood: Likelihood = {
    hi0: base[rank] ?? 1,
    lo0: rank === 0 ? 0 : (base[rank - 1] ?? 0),
    hi: causes[rank] ?? NOTHING,
    lo: rank === 0 ? NOTHING : (causes[rank - 1] ?? NOTHING),
    error,
    misread: slips.get(result)!,
    slip: error * slips.get(result)!,
    ...(fromPulling && pulls > MANY_PULLS && WET_FROM_PULLING),
  };
  const said = restating(check, complaints);
  if (said.length > 0) {
    const again = said.includes(result) ? 1 / said.length : 0;
    const { error: wrong, misread } = likelihood;
    likelihood.error = RESTATED + (1 - RESTATED) * wrong;
    likelihood.slip *= 1 - RESTATED;
    likelihood.misread = (RESTATED * again + (1 - RESTATED) * wrong * misread) / likelihood.error;
  }
  if (mends) {
    const outcome = asOutcome(result);
    likelihood.mending = mendingOf(
      mends,
      outcome ? (check.gradual ? ALONE_GRADUAL : ALONE)[outcome] : 0.01,
      outcome ? WITH_OTHERS[outcome] : 0.03,
    );
    // Nothing it mends is there: change for the better is luck.
    if (outcome === 'cured') likelihood.hi0 = Math.max(likelihood.hi0, likelihood.lo0 + LUCK.cured);
    if (outcome === 'better') likelihood.hi0 = Math.max(likelihood.hi0, likelihood.lo0 + LUCK.better);
    // Nobody takes an engine that will not run for one that does.
    if (outcome === 'cured') likelihood.misread = likelihood.slip = 0.001;
  }
  if (screw) return forItsScrew(likelihood, result, screw);
  const isClean = mends ? asOutcome(result) === 'cured' : rank === 0;
  return showsAtTimes(check) ? asCounted(likelihood, isClean, counts, rate) : likelihood;
}

/** The outcome a trial's result amounts to; null where it is no outcome ("worse", "floods again"). */
export const asOutcome = (result: string): Outcome | null => {
  if (result === 'cured' || result === 'starts-each-time' || result === 'then-starts') return 'cured';
  if (result === 'better') return 'better';
  return result === 'no-change' ? 'no-change' : null;
};

/** Likelihood of a repair that changed nothing: a new part in vain was not the cause, nor was any that went in with it. */
export function vainLikelihood(causes: readonly CauseId[]): Likelihood {
  const { alone, withOthers } = causes.every((id) => causeOf(id).severalPlaces) ? IN_VAIN_ELSEWHERE : IN_VAIN;
  return {
    hi0: ABSENT['no-change'],
    lo0: 0,
    hi: CERTAIN,
    lo: NOTHING,
    error: 0.01,
    misread: 1 / 3,
    slip: 0.003,
    mending: mendingOf(maskOf(causes), alone, withOthers),
  };
}

/**
 * Likelihood of a complaint standing on after a repair that made it better: something else still shows as one of the
 * behaviours complained of before.
 */
export function leftoverLikelihood(complaints: readonly ComplaintId[]): Likelihood {
  const lo = new Float64Array(N + 1).fill(1);
  for (const id of complaints) complaintLikelihood(id).lo.forEach((p, i) => (lo[i]! *= p));
  return { hi0: 1, lo0: 1 - 10 * COMPLAINT_LEAK, hi: CERTAIN, lo, error: 0.02, misread: 1, slip: 0 };
}

/**
 * The same likelihood on the machine as it stood then: with some causes already put right (they show nothing), and
 * others known to have been there (they show whatever is wrong besides). Masks of length N + 1.
 */
export function asItStood(likelihood: Likelihood, gone: Uint8Array, present: Uint8Array): Likelihood {
  let { hi0, lo0, hi, lo } = likelihood;
  let changed = false;
  for (let i = 0; i < N; i++) {
    if (!gone[i] && !present[i]) continue;
    if (!changed) [hi, lo] = [hi.slice(), lo.slice()];
    changed = true;
    if (present[i] && !gone[i]) {
      hi0 *= hi[i]!;
      lo0 *= lo[i]!;
    }
    hi[i] = lo[i] = 1;
  }
  if (!changed) return likelihood;
  const { mending } = likelihood;
  if (!mending) return { ...likelihood, hi0, lo0, hi, lo };
  const then = { ...mending, counts: mending.counts.slice(), mends: mending.mends.slice() };
  for (let i = 0; i < N; i++) {
    if (gone[i]) then.counts[i] = then.mends[i] = 0;
    else if (present[i]) {
      if (then.mends[i]) then.presentMended++;
      else then.presentOther++;
      then.counts[i] = then.mends[i] = 0;
    }
  }
  return { ...likelihood, hi0, lo0, hi, lo, mending: then };
}

/** P(observation | set of these three), unsoftened. */
function ofTriple({ hi0, lo0, hi, lo, mending }: Likelihood, i: number, j: number, k: number): number {
  if (mending) {
    const { mends, counts } = mending;
    const put = mends[i]! + mends[j]! + mends[k]! + mending.presentMended;
    if (put > 0) {
      const there = counts[i]! + counts[j]! + counts[k]! + mending.presentMended + mending.presentOther;
      return there > put ? mending.withOthers : mending.alone;
    }
  }
  return Math.max(0, hi0 * hi[i]! * hi[j]! * hi[k]! - lo0 * lo[i]! * lo[j]! * lo[k]!);
}

/** Writes P(observation | set) for the listed sets into `out` (length of `chosen`), unsoftened when `exact`. */
export function fillChosen(
  out: Float64Array,
  likelihood: Likelihood,
  chosen: Uint32Array,
  exact = false,
): void {
  const { hi0, lo0, hi, lo, misread, mending } = likelihood;
  const error = exact ? 0 : likelihood.error;
  const keep = 1 - error;
  const floor = error * misread + FLOOR;
  const { a, b, c } = SETS;
  for (let n = 0; n < chosen.length; n++) {
    const s = chosen[n]!;
    const i = a[s]!;
    const j = b[s]!;
    const k = c[s]!;
    const p = mending
      ? ofTriple(likelihood, i, j, k)
      : hi0 * hi[i]! * hi[j]! * hi[k]! - lo0 * lo[i]! * lo[j]! * lo[k]!;
    out[n] = (p > 0 ? keep * p : 0) + floor;
  }
}

/**
 * The causes that change what is expected, as positions in CAUSES: every set that holds none of them is as likely to give
 * the observation as the empty one.
 */
export function bearersOf({ lo0, hi, lo, mending }: ProductForm & Pick<Likelihood, 'mending'>): number[] {
  const bearers: number[] = [];
  for (let i = 0; i < N; i++) {
    const shows = hi[i] !== 1 || (lo0 !== 0 && lo[i] !== 1);
    const put = mending && (mending.mends[i] || (mending.presentMended > 0 && mending.counts[i]));
    if (shows || put) bearers.push(i);
  }
  return bearers;
}
