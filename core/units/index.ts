export { ambientFraction, ATMOSPHERE_PSI, barToPsi, psiToBar, psiToKpa } from './pressure';
export { mmToThou, thouToMm } from './length';
export { formatTurns, parseTurns } from './turns';
