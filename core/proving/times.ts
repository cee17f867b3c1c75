import { normalFrom, type Chance } from '../chance';
import { HANDLING_MINUTES } from '../diagnosis';
import { CHECKS, type CheckId } from '../knowledge';
import { timeKey, timesIn, type TimeCounts } from '../learning';
import type { TrailLine } from '../log';

/** How unevenly a practised hand works: the spread of the log of minutes. */
const UNEVEN = 0.35;
const PAUSES = 0.06;
const BY = 'a';

/**
 * The times of drawn benches' logs, where checks take so many times the trade's minutes (`truth`): unevenly, with a pause now and
 * then, and one entry in so many noted some minutes late.
 */
export function drawTimes(
  chance: Chance,
  truth: ReadonlyMap<CheckId, number>,
  { made, late }: { made: number; late: number },
): TimeCounts {
  const normal = normalFrom(chance);
  const checks = CHECKS.filter((c) => truth.has(c.id));
  const trail: Pick<TrailLine, 'entry' | 'state'>[] = [];
  let now = Date.parse('2026-01-05T08:00:00.000Z');
  const noted = (n: number, at: number, check: CheckId): void => {
    trail.push({
      state: 'live',
      entry: {
        id: String(n),
        seq: n,
        by: BY,
        notedAt: new Date(at).toISOString(),
        kind: 'finding',
        body: { check, result: 'x', sureness: 'sure' },
      } as unknown as TrailLine['entry'],
    });
  };
  for (let n = 0; n < made * checks.length; n++) {
    const check = checks[n % checks.length]!;
    const minutes =
      check.minutes * truth.get(check.id)! * Math.exp(UNEVEN * normal()) + HANDLING_MINUTES[check.is];
    now += 60_000 * (minutes + (chance() < PAUSES ? 15 + 60 * chance() : 0));
    const by = chance() < late ? -4 * Math.log(1 - chance()) : 0;
    noted(n, now + 60_000 * by, check.id);
  }
  const counts: Record<string, number> = {};
  for (const time of timesIn(trail)) counts[timeKey(time)] = (counts[timeKey(time)] ?? 0) + 1;
  return counts;
}
