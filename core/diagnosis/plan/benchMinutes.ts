import {
  CAUSE_INDEX,
  CAUSES,
  PARTS,
  partOf,
  toOpen,
  type CheckDef,
  type CauseDef,
  type CauseId,
  type Pace,
  type PartId,
} from '../../knowledge';
import { CLOSING_SHARE, DEAR_MINUTES, HANDLING_MINUTES, NEEDLESS_MINUTES } from '../parameters';

/** Minutes at one bench: what a plan is reckoned with. */
export interface BenchMinutes {
  /** A check by itself, without its opening and handling. */
  own(check: CheckDef): number;
  /** A part off, once it can be reached. */
  off(part: PartId): number;
  /** To open and close again every set of parts, as a number of part bits. */
  opening: Float64Array;
  /** A repair of something that was not wrong, a dear part and its wait counted in; in the order of CAUSES. */
  needless: Float64Array;
}

/** Bit of each part, for sets of parts as numbers. */
export const PART_BIT: ReadonlyMap<PartId, number> = new Map(PARTS.map((part, i) => [part.id, 1 << i]));

/** The least that a check takes, minutes. */
const LEAST_MINUTES = 0.1;

/** The minutes of a bench that is so much slower or faster than the trade says. A pace of a check is of it with its handling, as both are noted in one. */
export function benchMinutes(pace: Pace = {}): BenchMinutes {
  const own = ({ id, is, minutes }: CheckDef): number => {
    const factor = pace[id];
    if (factor === undefined) return minutes;
    const handling = HANDLING_MINUTES[is];
    return Math.max(LEAST_MINUTES, factor * (minutes + handling) - handling);
  };
  const off = (part: PartId): number => partOf(part).minutes * (pace[part] ?? 1);
  const opening = new Float64Array(1 << PARTS.length);
  PARTS.forEach((part, i) => {
    const whole = off(part.id) * (1 + CLOSING_SHARE);
    // Every set whose last part it is: that without it, and it.
    for (let before = 0; before < 1 << i; before++) opening[before | (1 << i)] = opening[before]! + whole;
  });
  const needlessly = ({ id, minutes, dear }: CauseDef): number =>
    minutes * (pace[id] ?? 1) + NEEDLESS_MINUTES + (dear ? DEAR_MINUTES : 0);
  return { own, off, opening, needless: Float64Array.from(CAUSES, needlessly) };
}

/** The trade's minutes. */
export const TRADE: BenchMinutes = benchMinutes();

/** Minutes at the bench of a case. */
export const minutesAt = ({ pace }: { pace?: Pace | undefined }): BenchMinutes =>
  pace ? benchMinutes(pace) : TRADE;

/** Bench minutes to open the wanted parts, given what is off. */
export const minutesToOpen = (
  wanted: readonly PartId[],
  off: ReadonlySet<PartId>,
  at: BenchMinutes = TRADE,
): number => toOpen(wanted, off).reduce((sum, part) => sum + at.off(part), 0);

/** Bench minutes to put parts back. */
export const minutesToClose = (parts: readonly PartId[], at: BenchMinutes = TRADE): number =>
  parts.reduce((sum, part) => sum + CLOSING_SHARE * at.off(part), 0);

/** Minutes by the trade to open parts and close them again. */
export const minutesOffAndOn = (parts: readonly PartId[]): number =>
  parts.reduce((sum, part) => sum + (1 + CLOSING_SHARE) * TRADE.off(part), 0);

/** Minutes by the trade of repairing something that was not wrong. */
export const needlessMinutes = (cause: CauseId): number => TRADE.needless[CAUSE_INDEX.get(cause)!]!;
