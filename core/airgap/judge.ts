import type { Band } from '../machine';
import type { Judged } from '../reading';
import { mmToThou } from '../units';

/** Usual coil air gap, mm (0.010–0.014 in). */
export const COIL_GAP_MM: Band = [0.25, 0.36];
/** Usual plug gap, mm (0.020–0.026 in). */
export const PLUG_GAP_MM: Band = [0.5, 0.65];

/** A feeler reads no finer than this, mm. */
const FEELER_MM = 0.02;

const both = (mm: number): string => `${mm.toFixed(2)} mm (${(mmToThou(mm) / 1000).toFixed(3)} in)`;

/**
 * Judges the coil air gap from each leg (mm; one or two legs). Uneven when one leg is in band and the other is not, or
 * the two lie on opposite sides.
 */
export function judgeLegs(legs: readonly number[]): Judged {
  const [low, high] = COIL_GAP_MM;
  const side = legs.map((mm) => (mm < low - FEELER_MM / 2 ? -1 : mm > high + FEELER_MM / 2 ? 1 : 0));
  const worst = legs.reduce((w, mm) =>
    Math.abs(mm - (low + high) / 2) > Math.abs(w - (low + high) / 2) ? mm : w,
  );
  const same = side.every((s) => s === side[0]);
  const result = !same ? 'uneven' : side[0] === 0 ? 'in-band' : side[0] === 1 ? 'wide' : 'tight';
  const nearEdge = [low, high].some((edge) => Math.abs(worst - edge) < FEELER_MM);
  return {
    result,
    sureness: nearEdge && result !== 'in-band' ? 'fair' : 'sure',
    value: worst,
    band: COIL_GAP_MM,
    unit: 'mm',
    says: `${legs.map(both).join(' and ')}, band ${low}–${high} mm`,
  };
}

/** Judges the plug gap (mm). */
export function judgePlugGap(mm: number): Judged {
  const [low, high] = PLUG_GAP_MM;
  const result = mm < low - FEELER_MM / 2 ? 'narrow' : mm > high + FEELER_MM / 2 ? 'wide' : 'in-band';
  return {
    result,
    sureness: 'sure',
    value: mm,
    band: PLUG_GAP_MM,
    unit: 'mm',
    says: `${both(mm)}, band ${low}–${high} mm`,
  };
}
