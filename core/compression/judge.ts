import type { MachineFacts } from '../machine';
import { figuresOf, gaugeOf } from '../machine';
import type { Judged } from '../verdict';
import { ambientFraction } from '../units';
import { ratioBehindHose } from './expected';
import { fitPlateau } from './plateau';

/** How the squeeze was measured, besides the gauge. */
export interface SqueezeSetting {
  /** The starting valve: it must be shut for the gauge to mean anything. */
  decompressor?: 'open' | 'closed' | 'none';
  altitudeM?: number;
  throttle?: 'open' | 'shut';
  engine?: 'warm' | 'cold';
  /** Volume of the gauge's hose, ml, when its check valve sits at the gauge end and the hose fills at every pull. */
  hoseMl?: number;
  /** Below this a shop touches nothing else, psi. */
  floorPsi?: number;
}

export interface CompressionReading extends SqueezeSetting {
  /** Gauge after each pull, psi, in order; or one figure. */
  psi: readonly number[];
}

/** Below this share of the low edge of the band it is low, unless the shop has a floor of its own; between, marginal. */
const MARGINAL_SHARE = 0.85;
/** Below this no saw or trimmer of any class runs, psi at sea level (trade). */
const CONDEMNED_PSI = 50;
/** Wet over dry, from which on oil has sealed something. */
const WET_RISE = 0.12;
const NEAR_EDGE = 0.04;

/** A plateau (psi) as it would read at sea level on a gauge without a hose to fill; null when that cannot be. */
function atSeaLevel(
  psi: number,
  { altitudeM = 0, hoseMl }: SqueezeSetting,
  { displacementCc }: MachineFacts,
): number | null {
  if (!hoseMl || !displacementCc) return psi / ambientFraction(altitudeM);
  const ratio = ratioBehindHose(psi, displacementCc, hoseMl, altitudeM);
  return ratio && gaugeOf(ratio);
}

/**
 * Judges compression against the maker's figure, this shop's readings of the model or the class band, in that order,
 * after fitting the plateau and correcting the reading for altitude and hose. Refuses with the starting valve open or
 * the throttle shut.
 */
export function judgeCompression(reading: CompressionReading, machine: MachineFacts): Judged {
  if (reading.decompressor === 'open')
    return { refused: 'Starting valve open: shut it or plug its port and measure again.' };
  if (reading.throttle === 'shut')
    return { refused: 'Throttle shut: the cylinder cannot fill. Hold it open and measure again.' };
  const plateau = fitPlateau(reading.psi);
  const corrected = atSeaLevel(plateau.psi, reading, machine);
  if (corrected === null)
    return {
      refused: `A hose of ${reading.hoseMl} ml cannot show ${Math.round(plateau.psi)} psi on this engine.`,
    };
  const { squeezePsi: band, sources } = figuresOf(machine);
  const floor = Math.min(reading.floorPsi ?? band[0] * MARGINAL_SHARE, band[0]);
  const result = corrected >= band[0] ? 'good' : corrected >= floor ? 'marginal' : 'low';
  const nearEdge = [band[0], floor].some((edge) => Math.abs(corrected - edge) < NEAR_EDGE * edge);
  const cold = reading.engine === 'cold' && result !== 'good';
  const by = `band ${Math.round(band[0])}–${Math.round(band[1])} (${sources.squeezePsi})`;
  const says = [
    plateau.enough
      ? `heading for ${Math.round(corrected)} psi, ${by}`
      : `heading for about ${Math.round(corrected)} psi, but too few pulls to be sure; ${by}`,
    Math.round(corrected) !== Math.round(plateau.psi) && `gauge ${Math.round(plateau.psi)}, corrected`,
    corrected < CONDEMNED_PSI
      ? `below ${CONDEMNED_PSI} psi nothing else is worth touching`
      : cold && 'cold: warm it before condemning it',
  ];
  return {
    result,
    sureness: !plateau.enough || nearEdge || cold ? 'fair' : 'sure',
    value: corrected,
    band,
    unit: 'psi',
    says: says.filter(Boolean).join('; '),
  };
}

/** Judges a wet reading (oil in the cylinder) against the dry one, psi at the same gauge: a rise points at rings and bore. */
export function judgeWet(wetPsi: readonly number[], dryPsi: number): Judged {
  const wet = fitPlateau(wetPsi);
  const rise = wet.psi / dryPsi - 1;
  const percent = Math.round(rise * 100);
  return {
    result: rise >= WET_RISE ? 'rises' : 'unchanged',
    sureness: !wet.enough || Math.abs(rise - WET_RISE) < NEAR_EDGE ? 'fair' : 'sure',
    value: wet.psi,
    band: [dryPsi * (1 - WET_RISE), dryPsi * (1 + WET_RISE)],
    unit: 'psi',
    says: `${Math.round(dryPsi)} dry, ${Math.round(wet.psi)} wet, ${percent >= 0 ? '+' : ''}${percent} %: ${
      rise >= WET_RISE ? 'oil seals it, rings and bore' : 'not the rings'
    }`,
  };
}
