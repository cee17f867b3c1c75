import { CAUSES, CAUSE_INDEX, checkOf, putRightBy, runsIt, type CauseId } from '../knowledge';
import { partsInIt, type Parts } from './atWork';
import type { Case, Evidence } from './case';
import type { Credit } from './credit';
import { CHOSEN, COMPLAINT_LEAK, FOUND_UNLISTED, SWAP_ERROR, WENT_BY_ITSELF } from './parameters';
import { posterior, standingComplaints } from './posterior';

const N = CAUSES.length;

/** Something that was changed between the last time it failed and the first time it ran right. */
export interface Changed {
  /** Entries of the log it is: repairs and trials among them are its own. */
  refs: readonly string[];
  /** The causes it puts right where they are there, each with its chance (0–1). */
  rights: ReadonlyMap<CauseId, number>;
  /** Somebody meant to put something right by it; else it was done in passing. */
  meant: boolean;
  /** The chance that it puts right what is not on the list: a repair in somebody's own words. */
  unlisted?: number;
  /** It was put back as it was, to see: whether it did it again. */
  swappedBack?: boolean;
}

/** What may have been the cure, and how likely each of it was. */
export interface WhoseCure {
  /** Of each change, in the order they were given: how likely it was of the cure (0–1), and of which causes, likeliest first. */
  shares: readonly { share: number; causes: readonly Credit[] }[];
  /** That something went by itself, or by what nobody noted. */
  byItself: number;
  /** That it is not cured: it is there, and has not shown since. */
  hidden: number;
  /** Of that, what is still there: each cause with its share, likeliest first. */
  left: readonly Credit[];
  /** How likely it was that these changes would cure it, before it was tried. */
  mended: number;
}

/** What goes by itself: as if somebody had done it. */
const BY_ITSELF: Changed = {
  refs: [],
  meant: false,
  rights: new Map(CAUSES.map(({ id }) => [id, WENT_BY_ITSELF])),
  unlisted: WENT_BY_ITSELF,
};

/** Fainter than this a cause is not named. */
const NAMED = 0.02;
const NAMED_LEFT = 0.002;

/** Entries that these changes are. */
const entriesOf = (changes: readonly Changed[]): ReadonlySet<string> =>
  new Set(changes.flatMap((change) => change.refs));

/** The case as it was before it first ran right: what was changed is done and not tried, what was run since left out. */
function beforeItRan(c: Case, changes: readonly Changed[]): Case {
  const own = entriesOf(changes);
  const untried = c.evidence.map((e): Evidence =>
    e.kind === 'repair' && own.has(e.ref) ? { ...e, outcome: 'untried' } : e,
  );
  const complaints = standingComplaints({ evidence: untried });
  const last = untried.findLastIndex((e) => own.has(e.ref));
  const evidence = untried.filter((e, at) => {
    if (e.kind === 'complaint') return complaints.includes(e.complaint);
    if (e.kind !== 'finding') return true;
    // A trial that is one of the changes says nothing but that it ran; a look is a look.
    return !(own.has(e.ref) && putRightBy(e.check).length > 0) && !(at > last && runsIt(checkOf(e.check)));
  });
  // A hand that mends one thing and not another has seen more than it noted.
  const meant = new Set(changes.flatMap((x) => (x.meant ? [...x.rights.keys()] : [])));
  const commonness = { ...c.commonness };
  for (const cause of meant) commonness[cause] = (commonness[cause] ?? 1) * CHOSEN;
  return { ...c, commonness, evidence };
}

/**
 * Whose cure it was. A fault that is there is at work in a complaint as often as it shows as it (noisy-or); it is cured when all that
 * was at work has been put right. Each change has the share of the causes that it put right, given that it ran right since: exact, over
 * all sets of up to three causes beside those that were seen.
 *
 * For a set with w the chance that a cause is at work and r that it was put right, one complaint was there with 1 − ∏(1 − w), was
 * cured with ∏(1 − w + w·r) − ∏(1 − w), and a cause had part in it with w·r·∏ of the others' (1 − w + w·r); several complaints by
 * inclusion and exclusion.
 * `hides`: the chance that a fault which is still there has not shown so far (0–1).
 *
 * @example
 * whoseCure(c, [{ refs: ['7'], meant: true, rights: new Map([['plug-fouled', 0.96]]) }], { hides: 0.2 }).shares[0]?.share
 */
export function whoseCure(c: Case, changes: readonly Changed[], { hides }: { hides: number }): WhoseCure {
  // Last of all, what nobody did.
  const all = [...changes, BY_ITSELF];
  const righted = putRight(all);
  const unlisted = oneAfterAnother(all.map((x) => x.unlisted ?? 0));
  const { part, left, other, cure, still } = partsBefore(c, changes, {
    ...righted,
    unlisted: unlisted.total,
  });
  const swaps = swappedWith(all, { part, righted, cure, hides });
  const total = swaps.cure + hides * still * swaps.still;
  const share = (x: number): number => (total > 0 ? Math.min(1, x / total) : 0);
  const shares = all.map((change, n) => {
    const causes = [...change.rights.keys()]
      .map((cause): Credit => {
        const i = CAUSE_INDEX.get(cause)!;
        const by = righted.total[i]! > 0 ? righted.by[n]!.get(i)! / righted.total[i]! : 0;
        return { cause, share: share(part[i]! * by * swaps.of(n)) };
      })
      .sort((x, y) => y.share - x.share);
    const listed = 1 - causes.reduce((q, x) => q * (1 - x.share), 1);
    return {
      share: Math.min(1, listed + share(other * unlisted.by[n]! * swaps.of(n))),
      causes: causes.filter((x) => x.share >= NAMED),
    };
  });
  return {
    shares: shares.slice(0, -1),
    byItself: shares.at(-1)!.share,
    hidden: share(hides * still * swaps.still),
    left: CAUSES.map(({ id }, i): Credit => ({ cause: id, share: share(hides * left[i]! * swaps.still) }))
      .filter((x) => x.share >= NAMED_LEFT)
      .sort((x, y) => y.share - x.share),
    mended: cure / (cure + still),
  };
}

/** Who was at work before these changes, and what of it they put right. */
function partsBefore(
  c: Case,
  changes: readonly Changed[],
  righted: { total: Float64Array; unlisted: number },
): Parts {
  const own = entriesOf(changes);
  const before = beforeItRan(c, changes);
  const { sets, timeline, complaints } = posterior(before);
  const first = before.evidence.findIndex((e) => own.has(e.ref));
  const from = first < 0 ? before.evidence.length : first;
  const present = timeline.presentAt(from);
  return partsInIt({
    complaints,
    sets,
    seen: CAUSES.flatMap((_, i) => (present[i] ? [i] : [])),
    gone: timeline.goneAt(from),
    righted,
    leak: changes.some((x) => x.unlisted) ? FOUND_UNLISTED : COMPLAINT_LEAK,
  });
}

/** Chances of several, one after another: in all, and that each of them is the first. */
function oneAfterAnother(chances: readonly number[]): { total: number; by: number[] } {
  let left = 1;
  const by = chances.map((q) => {
    const mine = left * q;
    left *= 1 - q;
    return mine;
  });
  return { total: 1 - left, by };
}

/** How likely the changes together put each cause right (length N), and each of them first. */
function putRight(changes: readonly Changed[]): { total: Float64Array; by: Map<number, number>[] } {
  const total = new Float64Array(N);
  const by = changes.map(() => new Map<number, number>());
  for (let i = 0; i < N; i++) {
    const chances = changes.map((change) => change.rights.get(CAUSES[i]!.id) ?? 0);
    const first = oneAfterAnother(chances);
    total[i] = first.total;
    first.by.forEach((q, n) => by[n]!.set(i, q));
  }
  return { total, by };
}

/**
 * What putting things back showed. It did it again: it was that. It did not: hardly, unless a fault that comes and goes was hiding.
 * Factors on the share of each change, of what is not of these, of the cure as a whole, and of its still being there.
 */
function swappedWith(
  changes: readonly Changed[],
  {
    part,
    righted,
    cure,
    hides,
  }: { part: Float64Array; righted: ReturnType<typeof putRight>; cure: number; hides: number },
): { of: (n: number) => number; cure: number; still: number } {
  const tried = changes.flatMap((x, n) => (x.swappedBack === undefined ? [] : [{ n, again: x.swappedBack }]));
  if (tried.length === 0) return { of: () => 1, cure, still: 1 };
  /** How likely what was seen is, where change `m` was the cure; −1: another thing, or none. */
  const seenIf = (m: number): number =>
    tried.reduce((p, { n, again }) => {
      const shows = n === m ? 1 - hides : SWAP_ERROR;
      return p * (again ? shows : 1 - shows);
    }, 1);
  const weightOf = (n: number): number => {
    let none = 1;
    for (const [i, q] of righted.by[n]!)
      if (righted.total[i]! > 0)
        none *= 1 - Math.min(1, (part[i]! / Math.max(cure, 1e-12)) * (q / righted.total[i]!));
    return 1 - none;
  };
  const weights = changes.map((_, n) => weightOf(n));
  const sum = weights.reduce((x, y) => x + y, 0);
  const scale = sum > 1 ? 1 / sum : 1;
  const others = seenIf(-1);
  const rest = 1 - Math.min(1, sum * scale);
  const mixed = weights.reduce((x, w, n) => x + w * scale * seenIf(n), rest * others);
  return { of: seenIf, cure: cure * mixed, still: others };
}
