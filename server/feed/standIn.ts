import type { FeedLine, StandIn } from '@rusty-wren/contract';
import { chanceFrom } from '@rusty-wren/core/chance';
import { type CauseId } from '@rusty-wren/core/knowledge';
import { engineOf } from '@rusty-wren/core/engine';
import { imagineTrace, limitOf, TARGETS } from '@rusty-wren/core/pressure';
import { fromKpa } from '@rusty-wren/core/units';

const WATCH_S = 180;
const SPEEDS_S = 20;
/** A tachometer shows this many speeds a second, to the nearest ten. */
const SPEEDS_HZ = 2;
/** Speeds from here on are full throttle's, rpm; and idle as a share of full speed. */
const FULL_FROM = 5500;
const IDLE_OF_FULL = 0.22;

/** A simulated engine whose screws are right runs at this speed: at idle, or flat out where idle never is. */
function engineSpeeds(rpm: number, fault: CauseId | undefined, seed: number): number[] {
  const flatOut = rpm >= FULL_FROM;
  const screws = { L: 1, H: 1, stop: 1 };
  const make = {
    ...screws,
    full: flatOut ? rpm : rpm / IDLE_OF_FULL,
    idle: flatOut ? IDLE_OF_FULL * rpm : rpm,
    clutch: null,
  };
  const engine = engineOf(make, { seed, faults: fault ? [fault] : [] });
  const controls = { ...screws, throttle: flatOut ? 1 : 0 };
  // Come to speed before it is read.
  engine.run(controls, 4);
  return Array.from({ length: SPEEDS_S * SPEEDS_HZ }, () => {
    const run = engine.run(controls, 1 / SPEEDS_HZ);
    return run.reduce((sum, s) => sum + (s.running ? s.rpm : 0), 0) / run.length;
  });
}
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
      return engineSpeeds(standIn.rpm, standIn.fault, standIn.seed).map((rpm, n) =>
        line(n / SPEEDS_HZ, Math.round(rpm / 10) * 10, 'rpm'),
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
