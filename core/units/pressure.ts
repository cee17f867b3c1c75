/** Exact by definition: the pound per square inch and the standard atmosphere, in kilopascals. */
const KPA_PER_PSI = 6.894757293168361;
/** Standard atmosphere at sea level, kPa. */
export const ATMOSPHERE_KPA = 101.325;
/** Standard atmosphere at sea level, psi. */
export const ATMOSPHERE_PSI = ATMOSPHERE_KPA / KPA_PER_PSI;

export const PRESSURE_UNITS = ['psi', 'bar', 'kPa', 'inHg'] as const;
export type PressureUnit = (typeof PRESSURE_UNITS)[number];

/** Kilopascals in one of each unit. The inch of mercury is the conventional one, at 0 °C. */
const KPA_IN: Readonly<Record<PressureUnit, number>> = {
  psi: KPA_PER_PSI,
  bar: 100,
  kPa: 1,
  inHg: 3.386388640341,
};

/** Pressure in kPa of a pressure in another unit. */
export const toKpa = (value: number, unit: PressureUnit): number => value * KPA_IN[unit];
/** Pressure in another unit of a pressure in kPa. */
export const fromKpa = (kpa: number, unit: PressureUnit): number => kpa / KPA_IN[unit];

/** Pressure in bar of a pressure in psi. */
export const psiToBar = (psi: number): number => (psi * KPA_PER_PSI) / 100;
/** Pressure in kPa of a pressure in psi. */
export const psiToKpa = (psi: number): number => psi * KPA_PER_PSI;
/** Pressure in psi of a pressure in bar. */
export const barToPsi = (bar: number): number => (bar * 100) / KPA_PER_PSI;

const DIGITS: Readonly<Record<PressureUnit, number>> = { psi: 1, bar: 2, kPa: 0, inHg: 1 };
/** The unit shown beside the one the gauge reads in. */
const BESIDE: Readonly<Record<PressureUnit, PressureUnit>> = {
  psi: 'bar',
  bar: 'psi',
  kPa: 'psi',
  inHg: 'bar',
};

/** A pressure of `kpa` in a unit, with its unit: "7.0 psi". */
export const pressureWords = (kpa: number, unit: PressureUnit): string =>
  `${fromKpa(kpa, unit).toFixed(DIGITS[unit])} ${unit}`;

/** The same in two units: "7.0 psi (0.48 bar)". */
export const bothPressures = (kpa: number, unit: PressureUnit): string =>
  `${pressureWords(kpa, unit)} (${pressureWords(kpa, BESIDE[unit])})`;
