import {
  CAUSES,
  checkOf,
  probabilityOf,
  type CauseId,
  type CheckDef,
  type CheckId,
  type ComplaintId,
  type Outcome,
  type Strength,
  type Sureness,
} from './knowledge';
import { CAUSE_INDEX } from './prior';

/**
 * The probability of one observation for any set of causes, as a difference of two products over the causes in
 * the set: `hi0·∏hi[c] − lo0·∏lo[c]`. Both the noisy-or of complaints and the noisy-max of check results have
 * this form (Henrion 1987; Díez 1993), which is what makes exact inference over all sets cheap.
 */
export interface ProductForm {
  hi0: number;
  lo0: number;
  /** Per cause, vocabulary order. */
  hi: Float64Array;
  lo: Float64Array;
}

interface Trial {
  cures: ReadonlySet<number>;
  /** Probability of this outcome when what it cures was all that was wrong, or only a part of it. */
  alone: number;
  withOthers: number;
  /** Causes already put right by then, which count for nothing. */
  gone: ReadonlySet<number>;
  /** Causes known to have been there then, besides the set: how many it cures, and how many it does not. */
  presentCured: number;
  presentOther: number;
}

/** A product form, softened by the chance of a misreading, with trial repairs overridden. */
export interface Likelihood extends ProductForm {
  /** Chance that what was recorded is not what was there (0–1), and the chance a misreading gives this result. */
  error: number;
  misread: number;
  /** For a trial repair: what is expected when the set holds a cause it cures. */
  trial?: Trial;
}

const N = CAUSES.length;
/** Behaviours that turn up with no fault the list knows. */
const COMPLAINT_LEAK = 0.003;

const ERROR: Readonly<Record<Sureness, number>> = { sure: 0.015, fair: 0.15, doubtful: 0.45 };
const SOFT_ERROR: Readonly<Record<Sureness, number>> = { sure: 0.12, fair: 0.25, doubtful: 0.5 };

/** Past so many pulls one should have stopped to think; a plug is then wet whatever is wrong. */
export const MANY_PULLS = 10;
const WET_FROM_PULLING = { error: 0.75, misread: 0.8 } as const;

/** Of the chance of a misreading, what is left when the check was made again and came out the same. */
const CONFIRMED = 0.25;

/** How a trial repair or a repair turns out when it does, or does not, put a cause right. */
const ALONE: Readonly<Record<Outcome, number>> = { cured: 0.86, better: 0.09, 'no-change': 0.05 };
/** A trial that goes part of the way: half a cure is the ordinary sign. */
const ALONE_GRADUAL: Readonly<Record<Outcome, number>> = { cured: 0.5, better: 0.45, 'no-change': 0.05 };
const WITH_OTHERS: Readonly<Record<Outcome, number>> = { cured: 0.1, better: 0.45, 'no-change': 0.45 };

interface CheckTable {
  check: CheckDef;
  /** Rank of each result: the order in which worse hides better. */
  ranks: ReadonlyMap<string, number>;
  /** P(rank ≤ r) of a sound machine, length results. */
  base: Float64Array;
  /** P(rank ≤ r) each cause allows, [rank][cause]. */
  causes: readonly Float64Array[];
  informative: number;
  /** 1 for each cause (and, last, nobody: 0) that has any bearing on the check; length causes + 1. */
  bears: Uint8Array;
  /** Positions of the causes a trial cures. */
  cures: ReadonlySet<number>;
}

const upTo = (
  rank: number,
  ranks: ReadonlyMap<string, number>,
  words: Readonly<Record<string, Strength>>,
): number => {
  let above = 0;
  for (const [result, word] of Object.entries(words)) {
    const r = ranks.get(result);
    if (r === undefined) throw new Error(`knowledge names a result that is not on the list: ${result}`);
    if (r > rank) above += probabilityOf(word);
  }
  return Math.max(0.005, 1 - above);
};

function compile(check: CheckDef): CheckTable {
  const named = check.results.filter((r) => !r.neutral).map((r) => r.id);
  // A trial that meets no cause it cures changes nothing; that is its resting result.
  const ordered = check.cures ? ['no-change', ...named.filter((id) => id !== 'no-change')] : named;
  const ranks = new Map(ordered.map((id, i) => [id, i]));
  return {
    check,
    ranks,
    base: Float64Array.from(ordered, (_, r) =>
      r === ordered.length - 1 ? 1 : upTo(r, ranks, check.healthy),
    ),
    causes: ordered.map((_, r) =>
      Float64Array.from(CAUSES, (cause) => {
        const words = cause.shows[check.id];
        return words && r < ordered.length - 1 ? upTo(r, ranks, words) : 1;
      }),
    ),
    informative: ordered.length,
    bears: Uint8Array.from([
      ...CAUSES.map((c) => +(!!c.shows[check.id] || !!check.cures?.includes(c.id))),
      0,
    ]),
    cures: positions(check.cures ?? []),
  };
}

const positions = (ids: readonly CauseId[]): Set<number> =>
  new Set(ids.map((id) => CAUSE_INDEX.get(id) ?? -1));

const tables = new Map<CheckId, CheckTable>();
const tableOf = (id: CheckId): CheckTable => {
  let table = tables.get(id);
  if (!table) tables.set(id, (table = compile(checkOf(id))));
  return table;
};

const NOBODY_ELSE = { gone: new Set<number>(), presentCured: 0, presentOther: 0 } as const;
const NOTHING: Float64Array = new Float64Array(N);

/** Likelihood of a behaviour the owner complained of. */
export function complaintLikelihood(id: ComplaintId): Likelihood {
  return {
    hi0: 1,
    lo0: 1 - COMPLAINT_LEAK,
    hi: new Float64Array(N).fill(1),
    lo: Float64Array.from(CAUSES, (cause) => {
      const word = cause.complaints[id];
      return word ? 1 - probabilityOf(word) : 1;
    }),
    error: 0,
    misread: 0,
  };
}

/** 1 for each cause that has any bearing on the check (length causes + 1; the last is nobody, always 0). */
export const bearingOn = (id: CheckId): Uint8Array => tableOf(id).bears;

/** The informative results of a check: those that say something about a cause. */
export const informativeResults = (id: CheckId): string[] => [...tableOf(id).ranks.keys()];

/**
 * Likelihood of a check's result, or null for a neutral result ("none fitted") that says nothing.
 * `confirmed`: made again and found the same. `pulls`: of the cord, just before. Throws when the check has no such
 * result.
 */
export function findingLikelihood(
  id: CheckId,
  result: string,
  sureness: Sureness,
  { confirmed = false, pulls = 0 }: { confirmed?: boolean; pulls?: number } = {},
): Likelihood | null {
  const { check, ranks, base, causes, informative, cures } = tableOf(id);
  const rank = ranks.get(result);
  if (rank === undefined) {
    if (check.results.some((r) => r.id === result)) return null;
    throw new Error(`${id} has no result ${result}`);
  }
  const { soft, fromPulling } = check.results.find((r) => r.id === result) ?? {};
  const likelihood: Likelihood = {
    hi0: base[rank] ?? 1,
    lo0: rank === 0 ? 0 : (base[rank - 1] ?? 0),
    hi: causes[rank] ?? NOTHING,
    lo: rank === 0 ? NOTHING : (causes[rank - 1] ?? NOTHING),
    error: (soft ? SOFT_ERROR : ERROR)[sureness] * (confirmed ? CONFIRMED : 1),
    misread: 1 / informative,
    ...(fromPulling && pulls > MANY_PULLS && WET_FROM_PULLING),
  };
  if (check.cures) {
    const outcome = asOutcome(result);
    likelihood.trial = {
      ...NOBODY_ELSE,
      cures,
      alone: outcome ? (check.gradual ? ALONE_GRADUAL : ALONE)[outcome] : 0.01,
      withOthers: outcome ? WITH_OTHERS[outcome] : 0.03,
    };
    // Nothing it cures is there: change for the better is luck.
    if (outcome === 'cured') likelihood.hi0 = Math.max(likelihood.hi0, likelihood.lo0 + 0.005);
    if (outcome === 'better') likelihood.hi0 = Math.max(likelihood.hi0, likelihood.lo0 + 0.04);
  }
  return likelihood;
}

const asOutcome = (result: string): Outcome | null => {
  if (result === 'cured' || result === 'starts-each-time') return 'cured';
  if (result === 'better') return 'better';
  return result === 'no-change' ? 'no-change' : null;
};

/** Likelihood of a repair turning out as it did. A new part that changed nothing was not the cause. */
export function repairLikelihood(cause: CauseId, outcome: Outcome): Likelihood {
  const absent: Readonly<Record<Outcome, number>> = { cured: 0.008, better: 0.015, 'no-change': 0.977 };
  return {
    hi0: absent[outcome],
    lo0: 0,
    hi: new Float64Array(N).fill(1),
    lo: NOTHING,
    error: 0.01,
    misread: 1 / 3,
    trial: {
      ...NOBODY_ELSE,
      cures: positions([cause]),
      alone: outcome === 'no-change' ? 0.03 : ALONE[outcome],
      withOthers: outcome === 'no-change' ? 0.25 : WITH_OTHERS[outcome],
    },
  };
}

/**
 * Likelihood of a complaint standing on after a repair that made it better: something else still shows as one of the
 * behaviours complained of before.
 */
export function leftoverLikelihood(complaints: readonly ComplaintId[]): Likelihood {
  const lo = new Float64Array(N).fill(1);
  for (const id of complaints) complaintLikelihood(id).lo.forEach((p, i) => (lo[i]! *= p));
  return {
    hi0: 1,
    lo0: 1 - 10 * COMPLAINT_LEAK,
    hi: new Float64Array(N).fill(1),
    lo,
    error: 0.02,
    misread: 1,
  };
}

/**
 * The same likelihood on the machine as it stood then: with some causes already put right (they show nothing), and
 * others known to have been there (they show whatever is wrong besides).
 */
export function asItStood(
  likelihood: Likelihood,
  gone: readonly CauseId[],
  present: readonly CauseId[],
): Likelihood {
  if (gone.length === 0 && present.length === 0) return likelihood;
  const hi = likelihood.hi.slice();
  const lo = likelihood.lo.slice();
  let { hi0, lo0 } = likelihood;
  for (const i of positions(present)) {
    hi0 *= hi[i]!;
    lo0 *= lo[i]!;
  }
  for (const i of positions([...gone, ...present])) hi[i] = lo[i] = 1;
  const { trial } = likelihood;
  if (!trial) return { ...likelihood, hi0, lo0, hi, lo };
  const presentCured = [...positions(present)].filter((i) => trial.cures.has(i)).length;
  return {
    ...likelihood,
    hi0,
    lo0,
    hi,
    lo,
    trial: { ...trial, gone: positions(gone), presentCured, presentOther: present.length - presentCured },
  };
}
