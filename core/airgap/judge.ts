import { COIL_GAP_MM, PLUG_GAP_MM, type Band } from '../machine';
import type { Judged } from '../verdict';
import { mmToThou } from '../units';

/** A feeler reads no finer than this, mm. */
const FEELER_MM = 0.02;

const both = (mm: number): string => `${mm.toFixed(2)} mm (${(mmToThou(mm) / 1000).toFixed(3)} in)`;

/**
 * Judges the coil air gap from each leg (mm; one or two legs) against a band. Uneven when one leg is in band and the other is not, or
 * the two lie on opposite sides. One leg alone in band is only fairly sure. Legs that measure right but scrape over a full turn touch somewhere: tight.
 */
export function judgeLegs(
  legs: readonly number[],
  band: Band = COIL_GAP_MM,
  contact?: 'quiet' | 'scrape',
): Judged {
  const [low, high] = band;
  const side = legs.map((mm) => (mm < low - FEELER_MM / 2 ? -1 : mm > high + FEELER_MM / 2 ? 1 : 0));
  const worst = legs.reduce((w, mm) =>
    Math.abs(mm - (low + high) / 2) > Math.abs(w - (low + high) / 2) ? mm : w,
  );
  const same = side.every((s) => s === side[0]);
  const measured = !same ? 'uneven' : side[0] === 0 ? 'in-band' : side[0] === 1 ? 'wide' : 'tight';
  const scrapes = contact === 'scrape';
  const result = scrapes && measured === 'in-band' ? 'tight' : measured;
  const nearEdge = [low, high].some((edge) => Math.abs(worst - edge) < FEELER_MM);
  return {
    result,
    // One leg may be right and the other wide.
    sureness:
      (nearEdge && measured !== 'in-band') || (legs.length === 1 && result === 'in-band') ? 'fair' : 'sure',
    value: worst,
    band,
    unit: 'mm',
    says: `${legs.map(both).join(' and ')}, band ${low}–${high} mm${
      scrapes
        ? measured === 'in-band'
          ? ', yet it scrapes: feel for a high spot or a worn bearing'
          : ', and scrapes'
        : ''
    }`,
  };
}

/** Judges the plug gap (mm) against a band. */
export function judgePlugGap(mm: number, band: Band = PLUG_GAP_MM): Judged {
  const [low, high] = band;
  const result = mm < low - FEELER_MM / 2 ? 'narrow' : mm > high + FEELER_MM / 2 ? 'wide' : 'in-band';
  return {
    result,
    sureness: 'sure',
    value: mm,
    band,
    unit: 'mm',
    says: `${both(mm)}, band ${low}–${high} mm`,
  };
}
