export interface Plateau {
  /** Gauge pressure the pulls are heading for, psi. */
  psi: number;
  /** Whether the last pull is within 5 % of it. */
  enough: boolean;
}

/** Two pulls that differ by no more than this share: the needle rises no further. */
const STOPPED = 0.01;

/** Pulls after which the needle has usually stopped, fewest and most. */
export const USUAL_PULLS = [4, 6] as const;

/**
 * Fits P_k = P∞(1 − r^k) to the gauge after each pull (psi, in order) by least squares over r on a grid with the best
 * P∞ in closed form. With fewer than three pulls the last reading stands, and is not enough unless only the final
 * figure was written down. Throws on an empty list.
 */
export function fitPlateau(pulls: readonly number[]): Plateau {
  const last = pulls.at(-1);
  if (last === undefined) throw new Error('no pulls to fit');
  if (pulls.length === 1) return { psi: last, enough: true };
  const before = pulls.at(-2)!;
  // The needle has stopped: it says so itself.
  if (pulls.length > 2 && Math.abs(last - before) <= STOPPED * last) return { psi: last, enough: true };
  if (pulls.length === 2) return { psi: last, enough: false };
  let best = { error: Infinity, psi: last };
  for (let r = 0; r <= 0.9; r += 0.005) {
    let top = 0;
    let bottom = 0;
    pulls.forEach((p, k) => {
      const shape = 1 - r ** (k + 1);
      top += p * shape;
      bottom += shape * shape;
    });
    const psi = top / bottom;
    const error = pulls.reduce((sum, p, k) => sum + (p - psi * (1 - r ** (k + 1))) ** 2, 0);
    if (error < best.error) best = { error, psi };
  }
  return { psi: best.psi, enough: last >= 0.95 * best.psi };
}
