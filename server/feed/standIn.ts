import type { FeedLine, StandIn } from '@rusty-wren/contract';
import { chanceFrom } from '@rusty-wren/core/diagnosis';
import { imagineTrace, limitOf, TARGETS } from '@rusty-wren/core/pressure';
import { fromKpa } from '@rusty-wren/core/units';

const WATCH_S = 180;
const PULLS = 7;
/** Each pull closes this share of what is left below the plateau. */
const CLOSES = 0.52;

/** All a stand-in will ever show, in order of time: seconds, value, unit. */
export function readingsOf(standIn: StandIn, channel: string): FeedLine[] {
  const line = (t: number, value: number, unit: FeedLine['unit']): FeedLine => ({
    t: Math.round(t * 100) / 100,
    channel,
    value: Math.round(value * 100) / 100,
    unit,
    simulated: true,
  });
  const chance = chanceFrom(standIn.seed);
  switch (standIn.instrument) {
    case 'pump': {
      const { testKpa, volumeMl } = TARGETS[standIn.check];
      const { points } = imagineTrace({
        startKpa: testKpa,
        leak: standIn.leakTimes * limitOf(standIn.check),
        volumeMl,
        seconds: WATCH_S,
        hz: 2,
        unit: 'psi',
        noise: 0.04,
        step: 0.1,
        settles: 0.05,
        seed: standIn.seed,
      });
      return points.map(([t, psi]) => line(t, psi, 'psi'));
    }
    case 'compression':
      return Array.from({ length: PULLS }, (_, k) =>
        line(
          1 + k * 1.1,
          Math.round(
            standIn.plateauPsi * (1 - (1 - CLOSES) ** (k + 1)) + fromKpa(4 * (chance() - 0.5), 'psi'),
          ),
          'psi',
        ),
      );
    case 'tachometer':
      return Array.from({ length: 40 }, (_, n) =>
        line(n / 2, Math.round((standIn.rpm * (1 + 0.02 * (chance() - 0.5))) / 10) * 10, 'rpm'),
      );
  }
}

/** Shows them at their times, `faster` than life. Calls `show` with those that are due; stops by itself. */
export function play(
  lines: readonly FeedLine[],
  faster: number,
  show: (due: readonly FeedLine[]) => Promise<void>,
): void {
  const began = performance.now();
  let next = 0;
  const timer = setInterval(() => {
    const t = ((performance.now() - began) / 1000) * faster;
    const from = next;
    while (next < lines.length && lines[next]!.t <= t) next++;
    if (next > from) void show(lines.slice(from, next)).catch(() => clearInterval(timer));
    if (next >= lines.length) clearInterval(timer);
  }, 100);
  timer.unref();
}
