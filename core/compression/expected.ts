import { ratioFor } from '../machine';

/** Share of the displacement left above the exhaust port when it shuts. */
const TRAPPED = 0.75;

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
