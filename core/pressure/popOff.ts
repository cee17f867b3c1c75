import type { Point } from './decay';

/** An inlet needle lifted by pressure: what it took, and where it shut again, kPa. */
export interface PopOff {
  popKpa: number;
  reseatKpa: number;
  /** Seconds at which it had shut again: what follows is the watch. */
  shutS: number;
}

/** A drop counts as a pop from this share of the pressure on, within this many seconds. */
const SHARE = 0.1;
const WITHIN_S = 1.5;
/** Shut again once it falls no faster than this share of the drop's own pace. */
const SLOWED = 0.2;

/**
 * Finds where a needle popped off and reseated: the sharpest drop after the peak, up to where the fall slows. Null when
 * nothing popped. Points in order of time.
 */
export function findPopOff(points: readonly Point[]): PopOff | null {
  let best: { from: number; to: number; drop: number } | null = null;
  for (let from = 0; from < points.length - 1; from++) {
    const [t0, p0] = points[from]!;
    for (let to = from + 1; to < points.length && points[to]![0] - t0 <= WITHIN_S; to++) {
      const drop = p0 - points[to]![1];
      if (drop >= SHARE * p0 && (!best || drop > best.drop)) best = { from, to, drop };
    }
  }
  if (!best) return null;
  const [t0, p0] = points[best.from]!;
  const [t1] = points[best.to]!;
  const pace = best.drop / (t1 - t0);
  let shut = best.to;
  while (shut < points.length - 1) {
    const [ta, pa] = points[shut]!;
    const [tb, pb] = points[shut + 1]!;
    if ((pa - pb) / (tb - ta) < SLOWED * pace) break;
    shut++;
  }
  const [shutS, reseatKpa] = points[shut]!;
  // A leak falls on and on; a needle shuts.
  const after = points.slice(shut);
  const fellOn = after.length > 2 && reseatKpa - after.at(-1)![1] > 0.6 * reseatKpa;
  return fellOn && reseatKpa < 0.2 * p0 ? null : { popKpa: p0, reseatKpa, shutS };
}
