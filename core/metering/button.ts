import { TOLERANCE_MM } from './judge';

export interface ButtonCompared {
  /** Substitute's centre button over the old one's, mm; positive stands prouder towards the lever. */
  prouderMm: number;
  result: 'fits' | 'proud' | 'short';
  says: string;
}

/**
 * Compares the centre button of a substitute metering diaphragm with the old part's, each measured in mm over its own
 * gasket face towards the lever. A prouder button acts as a lever set that much too high, a shorter one as too low.
 */
export function compareButtons(oldMm: number, substituteMm: number): ButtonCompared {
  const prouderMm = substituteMm - oldMm;
  const far = `${Math.abs(prouderMm).toFixed(2)} mm`;
  if (prouderMm > TOLERANCE_MM)
    return {
      prouderMm,
      result: 'proud',
      says: `${far} prouder: it leans on the lever and floods. Do not fit it.`,
    };
  if (prouderMm < -TOLERANCE_MM)
    return {
      prouderMm,
      result: 'short',
      says: `${far} shorter: it reaches the lever late and starves. Do not fit it.`,
    };
  return { prouderMm, result: 'fits', says: `Within ${TOLERANCE_MM} mm of the old one: it fits.` };
}
