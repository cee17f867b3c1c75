import type { Band } from '../machine';
import { psiToBar } from '../units';
import type { Judged } from '../verdict';

/** What is pumped at most on a carburettor whose maker gives no figure, psi (1 bar). */
export const MOST_PSI = 14.5;
/** A needle shuts again at this share of where it opened, or higher (trade: a half). */
const RESEATS_AT = 0.5;
/** A lower edge this near is a matter of the gauge. */
const NEAR_PSI = 1;

/**
 * Judges where an inlet needle opened and where it shut again (psi, bare carburettor, needle wet). One figure alone: where it
 * opened, or what it was pumped to without opening. `limit`: what was pumped at most, psi.
 *
 * @example judgePopOff([12, 7], [8, 28]) // { result: 'in-band', … }
 */
export function judgePopOff([opened, shut]: readonly number[], band: Band, limit = MOST_PSI): Judged {
  if (opened === undefined) return { refused: 'The reading has no pressure at which it opened.' };
  const [low, high] = band;
  if (shut !== undefined && shut > opened)
    return { refused: `It cannot shut at ${shut} psi and open at ${opened}: where it opened comes first.` };
  const common = { value: opened, band, unit: 'psi' as const };
  const bar = (psi: number): string => `${psi.toFixed(1)} psi (${psiToBar(psi).toFixed(2)} bar)`;
  if (shut === undefined && opened >= Math.min(limit, high) && opened <= high)
    return {
      ...common,
      result: 'in-band',
      sureness: 'fair',
      says: `Not opened by ${bar(opened)}: high enough`,
    };
  const near = Math.min(Math.abs(opened - low), Math.abs(opened - high)) < NEAR_PSI;
  const sureness = near ? 'fair' : 'sure';
  if (opened < low)
    return { ...common, result: 'low', sureness, says: `Opens at ${bar(opened)}: a weak or wrong spring` };
  if (opened > high)
    return {
      ...common,
      result: 'high',
      sureness,
      says: `Opens at ${bar(opened)}: gummed, or a strong spring`,
    };
  if (shut === undefined)
    return {
      refused: `It opened at ${opened} psi. Write where it shut and held after it: 0 where it did not.`,
    };
  if (shut < RESEATS_AT * opened) {
    const says = shut < 1 ? 'and does not shut again' : `and shuts only at ${bar(shut)}`;
    return {
      ...common,
      result: 'will-not-reseat',
      sureness: 'sure',
      says: `Opens at ${bar(opened)} ${says}`,
    };
  }
  return { ...common, result: 'in-band', sureness, says: `Opens at ${bar(opened)}, shuts at ${bar(shut)}` };
}
