import { CAUSES, causeOf, probabilityOf, type CauseId, type ComplaintId } from '../knowledge';
import { SETS } from './hypotheses';

const N = CAUSES.length;
/** Causes, and nobody in the last place. */
const W = N + 1;

/** More complaints than this say nothing more of whose cure it was. */
const MOST_COMPLAINTS = 4;
/** Sets fainter than this are not gone over: what they come to together is less than a thousandth. */
const FAINT = 1e-7;

/** What is known before it is worked out who was at work. */
export interface Before {
  complaints: readonly ComplaintId[];
  /** Weight of every set of unseen causes, in the order of SETS. */
  sets: Float64Array;
  /** Positions in CAUSES of those that were seen, and stood then. */
  seen: readonly number[];
  /** 1 for each cause that was put right before (length N + 1). */
  gone: Uint8Array;
  /** How likely each cause has been put right by now (length N), and what is not on the list. */
  righted: { total: Float64Array; unlisted: number };
  /** How likely something that is not on the list is at work in a complaint beside causes that are. */
  leak: number;
}

/** What comes of it, over all sets: sums in which `cure` and `still` are one. */
export interface Parts {
  /** That each cause was at work and put right in what was cured, and that it was at work and is still there (length N). */
  part: Float64Array;
  left: Float64Array;
  /** The same of what is not on the list, for each chance of its having been put right. */
  other: number;
  /** That all that was at work was put right; that it was not. */
  cure: number;
  still: number;
}

/**
 * Of one cause, for each set of complaints (a bit mask): that it has no part in these (`silent`), and of that and of its being silent
 * or put right in the rest (`well`), at work in the rest and put right (`righted`), or not (`left`).
 */
interface Row {
  silent: Float64Array;
  well: Float64Array;
  righted: Float64Array;
  left: Float64Array;
}

/** `shows`: how likely it shows as each complaint; `right`: that it was put right. */
function rowOf(shows: readonly number[], right: number): Row {
  const masks = Array.from({ length: 1 << shows.length }, (_, mask) => mask);
  const silentIn = (mask: number): number =>
    shows.reduce((q, w, k) => (mask & (1 << k) ? q * (1 - w) : q), 1);
  const some = masks.map((mask) => silentIn(mask) * (1 - silentIn(masks.length - 1 - mask)));
  return {
    silent: Float64Array.from(masks, silentIn),
    well: Float64Array.from(masks, (mask) => silentIn(mask) - some[mask]! * (1 - right)),
    righted: Float64Array.from(some, (q) => q * right),
    left: Float64Array.from(some, (q) => q * (1 - right)),
  };
}

/** How likely a cause shows as a complaint. */
function showsAs(cause: CauseId, complaint: ComplaintId): number {
  const word = causeOf(cause).complaints[complaint];
  return word ? probabilityOf(word) : 0;
}

/** One for an even count of bits, minus one for an odd. */
function signOf(mask: number): number {
  let sign = 1;
  for (let left = mask; left > 0; left &= left - 1) sign = -sign;
  return sign;
}

/** Of each mask, one of a row's figures of some rows multiplied; of the row at `but`, another. */
const product = (
  rows: readonly Row[],
  are: keyof Row,
  masks: number,
  but?: { at: number; is: keyof Row },
): Float64Array =>
  Float64Array.from({ length: masks }, (_, mask) =>
    rows.reduce((q, row, n) => q * row[but?.at === n ? but.is : are][mask]!, 1),
  );

/**
 * Who was at work in the complaints, and what of it was put right: exact over all sets of unseen causes beside those that were seen.
 * That every complaint has something at work in it is inclusion and exclusion over the complaints.
 */
export function partsInIt({ complaints, sets, seen, gone, righted, leak }: Before): Parts {
  const said = complaints.slice(0, MOST_COMPLAINTS);
  const M = 1 << said.length;
  const isSeen = new Set(seen);
  const rows = CAUSES.map(({ id }, i) =>
    rowOf(
      said.map((c) => (gone[i] && !isSeen.has(i) ? 0 : showsAs(id, c))),
      righted.total[i]!,
    ),
  );
  const nobody: Row = rowOf(
    said.map(() => 0),
    0,
  );
  const tables = { silent: flat('silent'), well: flat('well'), righted: flat('righted'), left: flat('left') };
  function flat(name: keyof Row): Float64Array {
    const table = new Float64Array(M * W);
    [...rows, nobody].forEach((row, i) => row[name].forEach((q, mask) => (table[mask * W + i] = q)));
    return table;
  }
  const { silent, well, righted: right, left } = tables;
  const unlistedAs = (shows: number): Row =>
    rowOf(
      said.map(() => shows),
      righted.unlisted,
    );
  const [leaks, alone] = [unlistedAs(leak), unlistedAs(1)];
  const known = seen.map((i) => rows[i]!);
  const knownSilent = product(known, 'silent', M);
  const knownWell = product(known, 'well', M);
  const knownRighted = known.map((_, at) => product(known, 'well', M, { at, is: 'righted' }));
  const knownLeft = known.map((_, at) => product(known, 'silent', M, { at, is: 'left' }));
  const signs = Float64Array.from({ length: M }, (_, mask) => signOf(mask));

  const sum: Parts = { part: new Float64Array(N), left: new Float64Array(N), other: 0, cure: 0, still: 0 };
  /** Of one set: its three causes put right, the same left, then of each that was seen both. */
  const ofSet = new Float64Array(6 + 2 * seen.length);
  const { a, b, c, count } = SETS;
  for (let s = 0; s < count; s++) {
    const weight = sets[s]!;
    if (weight < FAINT) continue;
    const i = a[s]!;
    const j = b[s]!;
    const k = c[s]!;
    // Nothing of the list: something else is at work.
    const unlisted = i === N && seen.length === 0 ? alone : leaks;
    let shown = 0;
    let cured = 0;
    let other = 0;
    ofSet.fill(0);
    for (let mask = 0; mask < M; mask++) {
      const at = mask * W;
      const si = silent[at + i]!;
      const sj = silent[at + j]!;
      const sk = silent[at + k]!;
      const wi = well[at + i]!;
      const wj = well[at + j]!;
      const wk = well[at + k]!;
      const quiet = signs[mask]! * unlisted.silent[mask]!;
      const fine = signs[mask]! * unlisted.well[mask]!;
      const besideQuiet = quiet * knownSilent[mask]!;
      const besideFine = fine * knownWell[mask]!;
      shown += besideQuiet * si * sj * sk;
      cured += besideFine * wi * wj * wk;
      other += signs[mask]! * unlisted.righted[mask]! * knownWell[mask]! * wi * wj * wk;
      ofSet[0]! += besideFine * right[at + i]! * wj * wk;
      ofSet[1]! += besideFine * wi * right[at + j]! * wk;
      ofSet[2]! += besideFine * wi * wj * right[at + k]!;
      ofSet[3]! += besideQuiet * left[at + i]! * sj * sk;
      ofSet[4]! += besideQuiet * si * left[at + j]! * sk;
      ofSet[5]! += besideQuiet * si * sj * left[at + k]!;
      for (let n = 0; n < seen.length; n++) {
        ofSet[6 + 2 * n]! += fine * knownRighted[n]![mask]! * wi * wj * wk;
        ofSet[7 + 2 * n]! += quiet * knownLeft[n]![mask]! * si * sj * sk;
      }
    }
    if (shown <= 0) continue;
    const scale = weight / shown;
    sum.cure += scale * cured;
    sum.still += scale * (shown - cured);
    sum.other += (scale * other) / righted.unlisted;
    for (let n = 0; n < 3; n++) {
      const cause = n === 0 ? i : n === 1 ? j : k;
      if (cause === N) break;
      sum.part[cause]! += scale * Math.max(0, ofSet[n]!);
      sum.left[cause]! += scale * Math.max(0, ofSet[3 + n]!);
    }
    for (let n = 0; n < seen.length; n++) {
      sum.part[seen[n]!]! += scale * Math.max(0, ofSet[6 + 2 * n]!);
      sum.left[seen[n]!]! += scale * Math.max(0, ofSet[7 + 2 * n]!);
    }
  }
  return sum;
}
