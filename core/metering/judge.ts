import type { Band } from '../machine';
import type { Judged } from '../verdict';

/** Tolerance either side of the lever's reference, mm: tenths matter. */
export const TOLERANCE_MM = 0.15;

/**
 * Judges the metering lever from its height over the reference face (mm; positive is proud, high, rich), where the
 * family sets it `referenceMm` over it.
 */
export function judgeLever(mm: number, referenceMm = 0): Judged {
  const band: Band = [referenceMm - TOLERANCE_MM, referenceMm + TOLERANCE_MM];
  const off = mm - referenceMm;
  const result = off > TOLERANCE_MM ? 'high' : off < -TOLERANCE_MM ? 'low' : 'in-band';
  const nearEdge = Math.abs(Math.abs(off) - TOLERANCE_MM) < 0.05;
  const meaning = { high: 'rich side', low: 'lean side', 'in-band': 'level' }[result];
  return {
    result,
    sureness: nearEdge ? 'fair' : 'sure',
    value: mm,
    band,
    unit: 'mm',
    says: `${mm > 0 ? '+' : ''}${mm.toFixed(2)} mm from the reference: ${meaning}`,
  };
}
