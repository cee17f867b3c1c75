import { ambientFraction, ATMOSPHERE_PSI } from '../units';

/** Polytropic exponent of a hand-pulled compression: between slow (1) and adiabatic (1.4). */
const N = 1.28;
/** Share of the displacement left above the exhaust port when it shuts. */
const TRAPPED = 0.75;

/** The compression ratio (above the exhaust port) that makes a gauge show `psi` at an altitude (m): P·(CRⁿ − 1). */
export const ratioFor = (psi: number, altitudeM = 0): number =>
  (psi / (ATMOSPHERE_PSI * ambientFraction(altitudeM)) + 1) ** (1 / N);

/** What a gauge shows, psi, of an engine of this ratio at an altitude (m). */
export const gaugeOf = (ratio: number, altitudeM = 0): number =>
  ATMOSPHERE_PSI * ambientFraction(altitudeM) * (ratio ** N - 1);

/**
 * The ratio left of an engine's when a hose is filled anew at every pull (its check valve at the gauge end): its volume
 * (ml) joins what is left above the piston. Displacement in cc.
 */
export function ratioWithHose(ratio: number, displacementCc: number, hoseMl: number): number {
  const swept = TRAPPED * displacementCc;
  const left = swept / (ratio - 1) + hoseMl;
  return (swept + left) / left;
}

/**
 * The ratio of an engine whose gauge shows `psi` at an altitude (m) through such a hose (ml): `ratioWithHose` undone. Null
 * when no engine of this size could show it.
 */
export function ratioBehindHose(
  psi: number,
  displacementCc: number,
  hoseMl: number,
  altitudeM = 0,
): number | null {
  const swept = TRAPPED * displacementCc;
  const left = swept / (ratioFor(psi, altitudeM) - 1) - hoseMl;
  return left > 0 ? (swept + left) / left : null;
}
