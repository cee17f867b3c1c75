import { ambientFraction, ATMOSPHERE_PSI } from '../units';

/** Polytropic exponent of a hand-pulled compression: between slow (1) and adiabatic (1.4). */
const N = 1.28;

/** The compression ratio (above the exhaust port) that makes a gauge show `psi` at an altitude (m): P·(CRⁿ − 1). */
export const ratioFor = (psi: number, altitudeM = 0): number =>
  (psi / (ATMOSPHERE_PSI * ambientFraction(altitudeM)) + 1) ** (1 / N);

/** What a gauge shows, psi, of an engine of this ratio at an altitude (m). */
export const gaugeOf = (ratio: number, altitudeM = 0): number =>
  ATMOSPHERE_PSI * ambientFraction(altitudeM) * (ratio ** N - 1);
