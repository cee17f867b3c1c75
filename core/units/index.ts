export {
  ATMOSPHERE_KPA,
  ATMOSPHERE_PSI,
  barToPsi,
  bothPressures,
  fromKpa,
  PRESSURE_UNITS,
  pressureWords,
  psiToBar,
  psiToKpa,
  toKpa,
  type PressureUnit,
} from './pressure';
export { airAt, altitudeOf, ambientFraction, densityFraction, mixtureShift } from './atmosphere';
export { mmToThou, thouToMm } from './length';
export { figureIn, figuresIn, readNumber, wholeIn, type NumberRead, type Within } from './numbers';
export { formatTurns, parseTurns } from './turns';
export { convert, QUANTITIES, type ConverterUnit, type Quantity } from './quantities';
