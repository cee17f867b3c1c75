/** International Standard Atmosphere, sea level: temperature (K), lapse (K/m), density (kg/m³), gas constant of air. */
const T0 = 288.15;
const LAPSE = 0.0065;
const RHO0 = 1.225;
const R_AIR = 287.05287;
const P0 = 101_325;
/** g₀ / (R·L), ISO 2533. */
const EXPONENT = 5.25588;
/** Metres; the formula holds in the troposphere. */
const LOWEST = -500;
const HIGHEST = 11_000;

/**
 * Ambient pressure at an altitude in metres as a fraction of sea level (International Standard Atmosphere, ISO 2533,
 * troposphere). Throws outside −500 to 11,000 m.
 */
export function ambientFraction(altitudeM: number): number {
  if (!(altitudeM >= LOWEST && altitudeM <= HIGHEST))
    throw new RangeError(`altitude ${altitudeM} m is outside ${LOWEST} to ${HIGHEST} m`);
  return (1 - (LAPSE * altitudeM) / T0) ** EXPONENT;
}

/** Altitude, metres, at which the standard atmosphere has this pressure (kPa). */
export const altitudeOf = (kpa: number): number => (T0 / LAPSE) * (1 - ((kpa * 1000) / P0) ** (1 / EXPONENT));

/** Density of dry air as a fraction of the standard 1.225 kg/m³, at a pressure (kPa) and temperature (°C). */
export const densityFraction = (kpa: number, celsius: number): number =>
  (kpa * 1000) / (R_AIR * (celsius + 273.15)) / RHO0;

/** The standard atmosphere's temperature at an altitude in metres, °C (ISO 2533, troposphere). */
const usualAt = (metres: number): number => T0 - 273.15 - LAPSE * metres;

/** Air somewhere: its pressure, kPa, and density as a fraction of standard, at an altitude (m) and, where known, °C. */
export function airAt(metres: number, celsius?: number | null): { kpa: number; density: number } {
  const kpa = (P0 / 1000) * ambientFraction(metres);
  return { kpa, density: densityFraction(kpa, celsius ?? usualAt(metres)) };
}

/**
 * How much richer (+) or leaner (−) a mixture gets, as a fraction, when density goes from `tuned` to `now` (fractions of
 * standard): a carburettor meters fuel to air as one over the root of density.
 */
export const mixtureShift = (tuned: number, now: number): number => Math.sqrt(tuned / now) - 1;
