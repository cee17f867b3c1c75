import type { MachineFacts } from '../diagnosis';
import { classOf, type Band } from '../machine';
import { ambientFraction } from '../units';
import type { Judged } from '../reading';
import { fitPlateau } from './plateau';

export interface CompressionReading {
  /** Gauge after each pull, psi, in order; or one figure. */
  psi: readonly number[];
  /** The starting valve: it must be shut for the gauge to mean anything. */
  decompressor?: 'open' | 'closed' | 'none';
  altitudeM?: number;
  /** The maker's figure, psi, at sea level: wins over the class. */
  makerPsi?: number;
}

/** Below this share of the low edge of the band it is low; between, marginal. Below 100 psi on saws nobody goes on. */
const MARGINAL_SHARE = 0.85;

/**
 * Judges compression against the maker's figure or the class band, after fitting the plateau and correcting the
 * reading to sea level. Refuses with the starting valve open.
 */
export function judgeCompression(reading: CompressionReading, machine: MachineFacts): Judged {
  if (reading.decompressor === 'open') {
    return { refused: 'Starting valve open: shut it or plug its port and measure again.' };
  }
  const plateau = fitPlateau(reading.psi);
  const corrected = plateau.psi / ambientFraction(reading.altitudeM ?? 0);
  const figures = classOf(machine);
  const band: Band = reading.makerPsi ? [reading.makerPsi * 0.9, reading.makerPsi * 1.1] : figures.squeezePsi;
  const floor = band[0] * MARGINAL_SHARE;
  const result = corrected >= band[0] ? 'good' : corrected >= floor ? 'marginal' : 'low';
  const nearEdge = [band[0], floor].some((edge) => Math.abs(corrected - edge) < 0.04 * edge);
  const judgedBy = reading.makerPsi ? 'the maker’s figure' : figures.name;
  return {
    result,
    sureness: !plateau.enough || nearEdge ? 'fair' : 'sure',
    value: corrected,
    band,
    unit: 'psi',
    says: plateau.enough
      ? `heading for ${Math.round(corrected)} psi, band ${Math.round(band[0])}–${Math.round(band[1])} (${judgedBy})`
      : `heading for about ${Math.round(corrected)} psi, but too few pulls to be sure (${judgedBy})`,
  };
}
