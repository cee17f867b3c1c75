import {
  CAUSE_INDEX,
  CAUSES,
  CHECKS,
  probabilityOf,
  putRightBy,
  seenAs,
  signsOf,
  type CauseId,
  type CheckDef,
  type CheckId,
  type Strength,
} from '../knowledge';
import { SLIPS } from './parameters';

const N = CAUSES.length;

/** A check's words as numbers, for every cause. */
export interface CheckTable {
  check: CheckDef;
  /** Rank of each result: the order in which worse hides better. */
  ranks: ReadonlyMap<string, number>;
  /** P(rank ≤ r) of a sound machine, length results. */
  base: Float64Array;
  /** P(rank ≤ r) each cause allows, [rank][cause]; 1 for nobody. */
  causes: readonly Float64Array[];
  /** The share of all slips that ends in each result. */
  slips: ReadonlyMap<string, number>;
  /** 1 for each cause (and, last, nobody: 0) that has any bearing on the check; length N + 1. */
  bears: Uint8Array;
  /** 1 for each cause a trial puts right; length N + 1. */
  mends: Uint8Array | null;
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

/** 1 at the positions of these causes (length N + 1). */
export function maskOf(ids: readonly CauseId[]): Uint8Array {
  const mask = new Uint8Array(N + 1);
  for (const id of ids) mask[CAUSE_INDEX.get(id)!] = 1;
  return mask;
}

/** More is overlooked than imagined: a slip ends in a normal or a deceiving result oftener than in another. */
function slipsOf({ results }: CheckDef, ordered: readonly string[]): Map<string, number> {
  const share = ordered.map((id, r) => {
    const soft = results.find((x) => x.id === id)?.soft;
    return r === 0 ? SLIPS.normal : soft ? SLIPS.soft : SLIPS.other;
  });
  const sum = share.reduce((a, b) => a + b, 0);
  return new Map(ordered.map((id, r) => [id, share[r]! / sum]));
}

function compile(check: CheckDef): CheckTable {
  const mended = putRightBy(check.id);
  const named = check.results.filter((r) => !r.neutral).map((r) => r.id);
  // A trial that meets no cause it mends changes nothing; that is its resting result.
  const resting = named.includes('no-change') && mended.length > 0;
  const ordered = resting ? ['no-change', ...named.filter((id) => id !== 'no-change')] : named;
  const ranks = new Map(ordered.map((id, i) => [id, i]));
  // A fault that was seen is there: a part that shows it is not sound, and is only misread.
  const sound = Object.fromEntries(
    Object.entries(check.healthy).filter(([result]) => seenAs(check.id, result).length !== 1),
  );
  const bears = maskOf(mended);
  CAUSES.forEach((cause, i) => {
    if (cause.shows[check.id]) bears[i] = 1;
  });
  return {
    check,
    ranks,
    base: Float64Array.from(ordered, (_, r) => (r === ordered.length - 1 ? 1 : upTo(r, ranks, sound))),
    causes: ordered.map((_, r) => {
      const row = new Float64Array(N + 1).fill(1);
      if (r < ordered.length - 1)
        CAUSES.forEach((cause, i) => {
          if (cause.shows[check.id]) row[i] = upTo(r, ranks, signsOf(cause.id, check.id));
        });
      return row;
    }),
    slips: slipsOf(check, ordered),
    bears,
    mends: mended.length > 0 ? maskOf(mended) : null,
  };
}

/** The trade's word as tables, one a check; worked out once when the module is loaded. */
const TABLES: ReadonlyMap<CheckId, CheckTable> = new Map(CHECKS.map((check) => [check.id, compile(check)]));
/** The table of a check. */
export const tableOf = (id: CheckId): CheckTable => TABLES.get(id)!;

/** 1 for each cause that has any bearing on the check (length N + 1; the last is nobody, always 0). */
export const bearingOn = (id: CheckId): Uint8Array => tableOf(id).bears;

/** The informative results of a check: those that say something about a cause. */
export const informativeResults = (id: CheckId): string[] => [...tableOf(id).ranks.keys()];

/** Whether a check is a trial that puts something right. */
export const isMending = (id: CheckId): boolean => tableOf(id).mends !== null;
