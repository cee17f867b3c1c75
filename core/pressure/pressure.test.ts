import { describe, expect, it } from 'vitest';
import { judgeReading } from '../reading';
import {
  beforeAndAfter,
  conductance,
  conductanceOfHole,
  equivalentHole,
  fitDecay,
  imagineTrace,
  inKpa,
  lineAgainstInlet,
  limitOf,
  pressureAgainstVacuum,
  rateThrough,
  readWatch,
  TARGETS,
  tooMuch,
  volumeFromPump,
  type Imagined,
  type PressureCheck,
} from './index';

const watch = (change: Partial<Imagined> = {}) =>
  imagineTrace({
    startKpa: 48,
    leak: limitOf('line-pressure'),
    volumeMl: 10,
    seconds: 60,
    hz: 2,
    unit: 'psi',
    noise: 0.05,
    step: 0.1,
    settles: 0.05,
    seed: 1,
    ...change,
  });
/** A watch of a check in its ordinary volume, leaking so many times what is allowed. */
const leaking = (check: PressureCheck, times: number, change: Partial<Imagined> = {}) =>
  readWatch(check, watch({ leak: times * limitOf(check), volumeMl: TARGETS[check].volumeMl, ...change }));

describe('the decay', () => {
  it.each([
    [10, 10],
    [10, 80],
    [120, 30],
    [120, 200],
    [500, 80],
    [500, 200],
  ])(
    'in %d ml halving in %d s is recovered within 5 %%, bumped or not, and its interval is honest',
    (ml, half) => {
      const rate = Math.LN2 / half;
      let covered = 0;
      const off: number[] = [];
      const runs = 120;
      for (let seed = 0; seed < runs; seed++) {
        const trace = watch({
          leak: conductance(rate, ml),
          volumeMl: ml,
          seed,
          ...(seed % 3 === 0 && { bumpedAt: 20 }),
        });
        const decay = fitDecay(inKpa(trace));
        if (!decay) throw new Error('not fitted');
        const [low, high] = decay.rateInterval;
        if (low <= rate && rate <= high) covered++;
        off.push(Math.abs(decay.ratePerS / rate - 1));
      }
      expect(off.sort((x, y) => x - y)[Math.floor(0.95 * runs)]).toBeLessThan(0.05);
      expect(covered / runs).toBeGreaterThanOrEqual(0.9);
    },
  );

  it('leaves the bump and the settling second out, and keeps the rest', () => {
    const decay = fitDecay(inKpa(watch({ bumpedAt: 20 })));
    const left = decay?.counted.flatMap((counted, i) => (counted ? [] : [i / 2])) ?? [];
    expect(left.every((t) => t < 1 || (t > 18 && t < 22))).toBe(true);
    expect(left.length).toBeGreaterThan(4);
  });

  it('is none with three readings, with no time between them, or with no pressure', () => {
    expect(
      fitDecay([
        [0, 40],
        [10, 39],
        [20, 38],
      ]),
    ).toBeNull();
    expect(
      fitDecay([
        [5, 40],
        [5, 39],
        [5, 38],
        [5, 38],
      ]),
    ).toBeNull();
    expect(
      fitDecay([
        [0, 0],
        [5, 0],
        [10, 0],
        [15, 0],
        [20, 0],
      ]),
    ).toBeNull();
  });

  it('is the same whatever unit the gauge reads in', () => {
    const psi = fitDecay(inKpa(watch({ step: 0, noise: 0 })))?.ratePerS ?? NaN;
    const bar = fitDecay(inKpa(watch({ step: 0, noise: 0, unit: 'bar' })))?.ratePerS ?? NaN;
    expect(bar / psi).toBeCloseTo(1, 2);
  });
});

describe('the leak', () => {
  it('goes there and back', () => {
    expect(rateThrough(conductance(0.01, 120), 120)).toBeCloseTo(0.01, 12);
    expect(equivalentHole(conductanceOfHole(0.05, 48), 48)).toBeCloseTo(0.05, 9);
  });

  it('is the same leak in a line, a case and a tank, though the gauge falls fifty times as fast', () => {
    const leak = conductanceOfHole(0.02, 48);
    const read = (check: PressureCheck, volumeMl: number, seconds: number) =>
      readWatch(check, watch({ leak, volumeMl, seconds, noise: 0.02, step: 0.02 }));
    const line = read('line-pressure', 10, 60);
    const tank = read('tank-pressure', 500, 600);
    expect(line.leak / leak).toBeCloseTo(1, 1);
    expect(tank.leak / leak).toBeCloseTo(1, 1);
    expect(tank.halfLifeS / line.halfLifeS).toBeGreaterThan(40);
  });

  it('has the volume from the pump: ten strokes of 5 ml to half an atmosphere are 100 ml', () => {
    expect(volumeFromPump(10, 5, 101.325 / 2)).toBeCloseTo(100, 9);
    expect(() => volumeFromPump(0, 5, 40)).toThrow('above nought');
    const { points, unit } = watch();
    expect(readWatch('line-pressure', { points, unit, strokes: 2, strokeMl: 3 })).toMatchObject({
      volumeFrom: 'pump',
    });
  });
});

describe('the verdict', () => {
  it.each([
    ['line-pressure', 0.1, 'holds'],
    ['line-pressure', 4, 'leaks'],
    ['inlet-pressure', 6, 'slow-leak'],
    ['inlet-pressure', 60, 'fast-leak'],
    ['tank-pressure', 0.2, 'holds'],
    ['crankcase-pressure', 3, 'leaks'],
    ['crankcase-vacuum', 0.2, 'holds'],
  ] as const)('on %s leaking %d times what is allowed: %s', (check, times, result) => {
    expect(leaking(check, times)).toMatchObject({ result, sureness: 'sure' });
    const trace = watch({ leak: times * limitOf(check), volumeMl: TARGETS[check].volumeMl });
    expect(judgeReading(check, { trace }, { kind: 'chainsaw' })).toMatchObject({ result, unit: '%' });
  });

  it('says how much longer to hold when it is too short to tell, and tells when it was held', () => {
    const short = leaking('crankcase-pressure', 0.85, { seconds: 8, hz: 1 });
    expect(short).toMatchObject({ result: null });
    expect(short.holdS).toBeGreaterThanOrEqual(5);
    expect(short.says).toMatch(/hold \d+ s more/);
    const { volumeMl } = TARGETS['crankcase-pressure'];
    const trace = watch({ leak: limitOf('crankcase-pressure'), volumeMl, seconds: 8, hz: 1 });
    expect(judgeReading('crankcase-pressure', { trace }, { kind: 'chainsaw' })).toHaveProperty('refused');
    expect(leaking('crankcase-pressure', 0.5, { seconds: 60, hz: 1 }).result).toBe('holds');
  });

  it('stops asking for more at the limit itself, and is then only fairly sure', () => {
    const at = leaking('line-pressure', 1, { seconds: 200, hz: 1, noise: 0.3 });
    expect(at.holdS).toBeNull();
    expect(at.sureness).toBe('fair');
  });

  it('wants four readings', () => {
    expect(readWatch('line-pressure', { unit: 'psi', points: [[0, 7]] })).toMatchObject({ result: null });
    expect(judgeReading('line-pressure', {}, { kind: 'chainsaw' })).toHaveProperty('refused');
  });

  it('warns before the most a target bears is passed', () => {
    expect(tooMuch('crankcase-pressure', 0.7, 'bar')).toBeNull();
    expect(tooMuch('crankcase-pressure', 0.75, 'bar')).toContain('never beyond 0.70 bar');
    expect(tooMuch('line-pressure', 15, 'psi')).toContain('14.5 psi');
    expect(leaking('crankcase-pressure', 1, { startKpa: 90 }).tooHigh).toBe(true);
  });
});

describe('an inlet needle', () => {
  it('that pops shows where, and where it shut, and the watch begins there', () => {
    const rise = Array.from({ length: 11 }, (_, n) => [n / 5, n * 1.2] as const);
    const drop = [
      [2.2, 8.1],
      [2.4, 6.2],
      [2.6, 6],
    ] as const;
    const rest = Array.from({ length: 60 }, (_, n) => [2.8 + n, 6 * Math.exp(-n / 900)] as const);
    const watched = readWatch('inlet-pressure', { unit: 'psi', points: [...rise, ...drop, ...rest] });
    expect(watched.pop?.popKpa).toBeCloseTo(12 * 6.895, 0);
    expect(watched.pop?.reseatKpa).toBeCloseTo(6 * 6.895, 0);
    expect(watched.result).toBe('holds');
  });

  it('that only leaks does not pop', () => {
    expect(leaking('inlet-pressure', 100).pop).toBeNull();
    expect(leaking('inlet-pressure', 2).pop).toBeNull();
  });
});

describe('two watches', () => {
  it('before and after a repair', () => {
    expect(beforeAndAfter(leaking('line-pressure', 8), leaking('line-pressure', 0.1))?.says).toMatch(
      /^Mended/,
    );
    expect(beforeAndAfter(leaking('line-pressure', 8), leaking('line-pressure', 4))?.says).toMatch(/^Better/);
    expect(
      beforeAndAfter(leaking('line-pressure', 3), leaking('line-pressure', 3, { seed: 9 }))?.says,
    ).toMatch(/^No different/);
    expect(beforeAndAfter(leaking('line-pressure', 2), leaking('line-pressure', 8))?.says).toMatch(/^Worse/);
  });

  it('under pressure and under vacuum: one lip holds one way only', () => {
    const [holds, leaks] = [0.2, 5] as const;
    const both = (pressure: number, vacuum: number): string | null =>
      pressureAgainstVacuum(leaking('crankcase-pressure', pressure), leaking('crankcase-vacuum', vacuum));
    expect(both(holds, leaks)).toContain('leaks under vacuum');
    expect(both(leaks, holds)).toContain('holds vacuum');
    expect(both(leaks, leaks)).toContain('both ways');
    expect(both(holds, holds)).toBe('Holds both ways');
  });

  it('of the line and of both say which of them leaks', () => {
    const line = limitOf('line-pressure');
    const says = (lineTimes: number, needleTimes: number): string | undefined =>
      lineAgainstInlet(
        leaking('line-pressure', lineTimes),
        readWatch('inlet-pressure', watch({ leak: (lineTimes + needleTimes) * line, volumeMl: 12 })),
      )?.says;
    expect(says(0.1, 10)).toContain('needle');
    expect(says(10, 0)).toContain('the line that leaks');
    expect(says(8, 8)).toContain('Both leak');
    expect(says(0.1, 0.1)).toBe('Both hold');
  });
});
