import type { Band } from '../machine';
import type { Judged } from '../reading';

/** Tolerance either side of the lever's reference, mm: tenths matter. */
const TOLERANCE_MM = 0.15;

/** Judges the metering lever from its height over the reference (mm; positive is proud, high, rich). */
export function judgeLever(mm: number): Judged {
  const band: Band = [-TOLERANCE_MM, TOLERANCE_MM];
  const result = mm > TOLERANCE_MM ? 'high' : mm < -TOLERANCE_MM ? 'low' : 'in-band';
  const nearEdge = Math.abs(Math.abs(mm) - TOLERANCE_MM) < 0.05;
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
