/** Exact by definition: the pound per square inch in pascals, and the standard atmosphere. */
const PA_PER_PSI = 6894.757293168361;
/** Standard atmosphere at sea level, psi. */
export const ATMOSPHERE_PSI = 101325 / PA_PER_PSI;

/** Pressure in bar of a pressure in psi. */
export const psiToBar = (psi: number): number => (psi * PA_PER_PSI) / 1e5;
/** Pressure in kPa of a pressure in psi. */
export const psiToKpa = (psi: number): number => (psi * PA_PER_PSI) / 1e3;
/** Pressure in psi of a pressure in bar. */
export const barToPsi = (bar: number): number => (bar * 1e5) / PA_PER_PSI;

/**
 * Ambient pressure at an altitude in metres as a fraction of sea level (International Standard Atmosphere,
 * troposphere, below 11 km).
 */
export const ambientFraction = (altitudeM: number): number => (1 - 2.25577e-5 * altitudeM) ** 5.25588;
