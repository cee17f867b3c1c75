import jstat from 'jstat';

/** Chance that a part which is reordered at its least count does not run out before the new ones come. */
const ENOUGH = 0.9;
/** Nobody keeps more of a part for that. */
const MOST = 20;

/**
 * How many of a part should lie in the drawer, by what was used: the least count with which, ordered when it falls to it, it
 * lasts nine times in ten until the new ones come. Use is counted over `days` (calendar), `waitDays` are working days. Below two
 * uses there is nothing to go by: 0.
 */
export function leastFor({ used, days, waitDays }: { used: number; days: number; waitDays: number }): number {
  if (used < 2 || days <= 0) return 0;
  // A working day is seven fifths of a calendar one, and an order goes out the day after.
  const expected = (used / days) * (waitDays + 1) * (7 / 5);
  for (let n = 1; n < MOST; n++) if (jstat.poisson.cdf(n, expected) >= ENOUGH) return n;
  return MOST;
}
