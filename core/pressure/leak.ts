import { ATMOSPHERE_KPA } from '../units';

/** Of air at 20 °C, kg/m³, and the discharge of a sharp-edged hole. */
const AIR = 1.204;
const DISCHARGE = 0.62;

/**
 * Conductance of a leak, ml of outside air a second for each kPa across it, from the rate a pressure decays at (1/s) in
 * a volume (ml): τ = V / (C·P_atm), P_atm being kPa around it.
 */
export const conductance = (ratePerS: number, volumeMl: number, ambientKpa = ATMOSPHERE_KPA): number =>
  (ratePerS * volumeMl) / ambientKpa;

/** The rate (1/s) a pressure decays at through a leak of this conductance (ml/s a kPa) out of a volume (ml). */
export const rateThrough = (conductanceMl: number, volumeMl: number, ambientKpa = ATMOSPHERE_KPA): number =>
  (conductanceMl * ambientKpa) / volumeMl;

/**
 * Diameter, mm, of the round hole that would pass as much at a pressure across it (kPa): Q = c·A·√(2Δp/ρ) for an
 * orifice, incompressible. A seep through a seal is no hole; the figure gives its size a face.
 */
export function equivalentHole(conductanceMl: number, acrossKpa: number): number {
  const cubicMetres = Math.max(0, conductanceMl) * acrossKpa * 1e-6;
  const area = cubicMetres / (DISCHARGE * Math.sqrt((2 * acrossKpa * 1000) / AIR));
  return Math.sqrt((4 * area) / Math.PI) * 1000;
}

/** The leak such a hole (mm) is, ml/s a kPa at a pressure across it (kPa). */
export function conductanceOfHole(mm: number, acrossKpa: number): number {
  const area = (Math.PI * (mm / 1000) ** 2) / 4;
  return (DISCHARGE * area * Math.sqrt((2 * acrossKpa * 1000) / AIR) * 1e6) / acrossKpa;
}

/**
 * The volume, ml, that `strokes` of a pump of `strokeMl` raised by `roseKpa` (fast strokes of outside air: Boyle). Throws
 * when nothing was pumped or nothing rose.
 */
export function volumeFromPump(
  strokes: number,
  strokeMl: number,
  roseKpa: number,
  ambientKpa = ATMOSPHERE_KPA,
): number {
  if (!(strokes > 0 && strokeMl > 0 && roseKpa > 0))
    throw new RangeError('strokes, stroke volume and rise must all be above nought');
  return (strokes * strokeMl * ambientKpa) / roseKpa;
}
