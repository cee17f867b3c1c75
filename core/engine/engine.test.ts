import { describe, expect, it } from 'vitest';
import type { CauseId } from '../knowledge';
import { engineOf, guidedRun, PLAIN, soundOf, type EngineMake, type EngineState, type Screws } from './index';

const SAW: EngineMake = { idle: 2800, full: 12_500, clutch: 4000, L: 1, H: 1, stop: 1 };
const RIGHT: Screws = { L: 1, H: 1, stop: 1 };

interface Made {
  faults?: readonly CauseId[];
  density?: number;
  warmth?: number;
}
const run = (screws: Partial<Screws> = {}, made: Made = {}): EngineState[] =>
  guidedRun(engineOf(SAW, { seed: 7, ...made }), { ...RIGHT, ...screws });
const mean = (states: readonly EngineState[], from: number, to: number): number => {
  const some = states.filter((s) => s.t >= from && s.t < to);
  return some.reduce((sum, s) => sum + s.rpm, 0) / some.length;
};
const idle = (states: readonly EngineState[]): number => mean(states, 5, 10);
const full = (states: readonly EngineState[]): number => mean(states, 12.5, 14);
/** Seconds from the snap to a speed, Infinity when it never gets there. */
const reaches = (states: readonly EngineState[], rpm: number): number =>
  (states.find((s) => s.t > 10 && s.t < 14 && s.rpm >= rpm)?.t ?? Infinity) - 10;

describe('a sound engine', () => {
  it('idles and revs where its make says, and the same for the same seed', () => {
    const states = run();
    expect(idle(states) / SAW.idle).toBeCloseTo(1, 1);
    expect(full(states) / SAW.full).toBeCloseTo(1, 1);
    expect(run()).toEqual(states);
    expect(states.at(-1)?.running).toBe(true);
  });

  it('holds its speeds on machines of every class', () => {
    for (const make of [
      { ...SAW, idle: 2300, full: 7300 },
      { ...SAW, idle: 2800, full: 10_000 },
      { ...SAW, idle: 2700, full: 13_200 },
    ]) {
      const states = guidedRun(engineOf(make, { seed: 3 }), RIGHT);
      expect(Math.abs(idle(states) / make.idle - 1)).toBeLessThan(0.04);
      expect(Math.abs(full(states) / make.full - 1)).toBeLessThan(0.04);
    }
  });
});

describe('the screws', () => {
  it('H leaner raises the unloaded speed, then drops it', () => {
    const [rich, right, lean, starved] = [1.25, 1, 0.8, 0.4].map((H) => full(run({ H }))) as [
      number,
      number,
      number,
      number,
    ];
    expect(rich).toBeLessThan(right);
    expect(lean).toBeGreaterThan(right * 1.04);
    expect(starved).toBeLessThan(lean);
  });

  it('H rich four-strokes when free and clears in the cut', () => {
    const engine = engineOf(SAW, { seed: 2 });
    const wide = { L: 1, H: 1.25, stop: 1, throttle: 1 };
    const free = engine.run(wide, 3).at(-1)!;
    const cutting = engine.run({ ...wide, load: 0.8 }, 3).at(-1)!;
    expect(free.fourStroke).toBeGreaterThan(0.75);
    expect(cutting.fourStroke).toBeLessThan(0.5);
  });

  it('L lean hesitates on the throttle, dips coming back, and leaner dies', () => {
    const lean = run({ L: 0.72 });
    const right = run();
    expect(reaches(lean, 5000)).toBeGreaterThan(1.2 * reaches(right, 5000));
    const least = (states: readonly EngineState[]): number =>
      Math.min(...states.filter((s) => s.t > 14).map((s) => s.rpm));
    expect(least(lean)).toBeLessThan(0.97 * mean(lean, 5, 10));
    expect(least(lean) / idle(lean)).toBeLessThan(least(right) / idle(right));
    expect(run({ L: 0.5 })[499]?.running).toBe(false);
  });

  it('L rich slows the idle till it smothers', () => {
    expect(idle(run({ L: 1.25 }))).toBeLessThan(0.96 * idle(run()));
    expect(run({ L: 2.2 })[499]?.running).toBe(false);
  });

  it('the stop moves the idle and leaves the full speed alone', () => {
    expect(idle(run({ stop: 1.5 }))).toBeGreaterThan(1.1 * SAW.idle);
    expect(Math.abs(full(run({ stop: 1.5 })) / full(run()) - 1)).toBeLessThan(0.01);
  });
});

describe('the air', () => {
  it('thinner richens as one over the root of density', () => {
    const at = (density: number): number =>
      engineOf(SAW, { seed: 1, density })
        .run({ ...RIGHT, throttle: 0 }, 6)
        .at(-1)!.mixture;
    expect(at(0.864) / at(1)).toBeCloseTo(1 / Math.sqrt(0.864), 1);
    expect(full(run({}, { density: 0.864 }))).toBeLessThan(0.9 * full(run()));
  });
});

describe('faults act where they are', () => {
  const after = (states: readonly EngineState[], s: number): number => mean(states, 14 + s, 14.4 + s);

  it('an air leak raises the idle, leans it and hangs', () => {
    const leaking = run({}, { faults: ['crank-seal-leak'] });
    expect(idle(leaking)).toBeGreaterThan(1.04 * idle(run()));
    expect(after(leaking, 1.5)).toBeGreaterThan(after(run(), 1.5));
    expect(leaking[480]!.mixture).toBeLessThan(run()[480]!.mixture);
  });

  it('a blocked main circuit has no top speed and its screw no effect', () => {
    const blocked = full(run({}, { faults: ['main-circuit-blocked'] }));
    expect(blocked).toBeLessThan(0.6 * SAW.full);
    expect(full(run({ H: 1.5 }, { faults: ['main-circuit-blocked'] }))).toBeCloseTo(blocked, 0);
  });

  it('a blocked filter starves after a while, not at once', () => {
    const engine = engineOf(SAW, { seed: 1, faults: ['fuel-filter-clogged'] });
    const states = engine.run({ ...RIGHT, throttle: 1, load: 0.3 }, 25);
    expect(Math.max(...states.slice(0, 150).map((s) => s.rpm))).toBeGreaterThan(8000);
    expect(states.at(-1)!.rpm).toBeLessThan(0.75 * Math.max(...states.slice(0, 150).map((s) => s.rpm)));
  });

  it.each([
    ['spark-screen-clogged', 0.85],
    ['piston-heat-scored', 0.85],
    ['air-filter-clogged', 0.8],
    ['plug-fouled', 0.95],
  ] as const)('%s takes off the top', (fault, share) => {
    expect(full(run({}, { faults: [fault] }))).toBeLessThan(share * full(run()));
  });
});

describe('starting', () => {
  it('cold needs the choke, warm does not', () => {
    const cold = engineOf(SAW, { seed: 5, warmth: 0, running: false });
    expect(cold.pull({ ...RIGHT, L: 0.8, throttle: 0 })).toBe(false);
    expect(cold.pull({ ...RIGHT, L: 0.8, throttle: 0.1, choke: true })).toBe(true);
    const warm = engineOf(SAW, { seed: 5, running: false });
    expect(warm.state.running).toBe(false);
    expect(warm.pull({ ...RIGHT, throttle: 0.05 })).toBe(true);
  });
});

describe('its sound', () => {
  const track = [
    { t: 0, rpm: 6000 },
    { t: 1, rpm: 6000 },
  ];

  it('is as long as the track, within bounds, and the same for the same seed', () => {
    const sound = soundOf(track, PLAIN, 16_000, 4);
    expect(sound).toHaveLength(16_000);
    expect(Math.max(...sound.map(Math.abs))).toBeCloseTo(0.8, 5);
    expect(soundOf(track, PLAIN, 16_000, 4)).toEqual(sound);
    expect(soundOf(track, PLAIN, 16_000, 5)).not.toEqual(sound);
  });

  it('repeats itself once a turn: 100 Hz at 6,000 rpm', () => {
    const sound = soundOf(track, { ...PLAIN, cycleVariation: 0.02 }, 16_000, 4);
    const alike = (lag: number): number => {
      let sum = 0;
      for (let i = 4000; i < 12_000; i++) sum += sound[i]! * sound[i + lag]!;
      return sum;
    };
    expect(alike(160)).toBeGreaterThan(0.7 * alike(0));
    expect(alike(160)).toBeGreaterThan(alike(120));
  });
});
