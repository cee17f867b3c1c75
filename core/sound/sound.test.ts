import { describe, expect, it } from 'vitest';
import { PLAIN, soundOf, type SoundRecipe, type SpeedPoint } from '../engine';
import { HEARD, LiveSpeed, speedsOf, type SpeedReading } from './index';

const RATE = 16_000;
/** A blip: idle, up, full, down, idle. */
const BLIP: readonly SpeedPoint[] = [
  { t: 0, rpm: 2900, charge: 0.1 },
  { t: 1.5, rpm: 2900, charge: 0.8 },
  { t: 2.2, rpm: 11_500, charge: 0.75 },
  { t: 3.5, rpm: 12_000, charge: 0.1 },
  { t: 4.6, rpm: 3000, charge: 0.1 },
  { t: 6, rpm: 2800, charge: 0.1 },
];
const truth = (track: readonly SpeedPoint[], t: number): number => {
  const at = Math.max(
    1,
    track.findIndex((p) => p.t >= t),
  );
  const [a, b] = [track[at - 1]!, track[at]!];
  return a.rpm + ((b.rpm - a.rpm) * (t - a.t)) / (b.t - a.t);
};
const hear = (recipe: Partial<SoundRecipe>, track = BLIP, rate = RATE, full = 12_500): SpeedReading[] =>
  speedsOf(soundOf(track, { ...PLAIN, ...recipe }, rate, 11), rate, { full })!;
/** Idle, then full throttle from the first second on, where it fires every other turn by so much. */
const burbling = (idle: number, full: readonly [number, number], fourStroke: number): SpeedPoint[] => [
  { t: 0, rpm: idle, charge: 0.1, fourStroke: 0 },
  { t: 1, rpm: idle, charge: 0.8, fourStroke },
  { t: 1.6, rpm: full[0], charge: 0.8, fourStroke },
  { t: 4, rpm: full[1], charge: 0.8, fourStroke },
];
/** Share of readings over 5 % off, and the middle error. */
function errors(readings: readonly SpeedReading[], track = BLIP): { gross: number; median: number } {
  const off = readings.map((r) => Math.abs(r.rpm / truth(track, r.t) - 1)).toSorted((a, b) => a - b);
  return { gross: off.filter((e) => e > 0.05).length / off.length, median: off[off.length >> 1]! };
}

describe('a speed by ear', () => {
  it.each<[string, Partial<SoundRecipe>]>([
    ['plain', {}],
    ['without bass: the fundamental is missing', { bassCutHz: 500 }],
    ['with mains hum on the idle', { hum: { hz: 50, level: 0.8 } }],
    ['with 60 Hz hum', { hum: { hz: 60, level: 0.8 } }],
    ['under a loud fan', { fan: { blades: 13, level: 1.5, rush: 1 } }],
    ['under a loud chain', { chain: { aTurn: 3, level: 1 } }],
    ['overdriven', { clipAt: 0.12 }],
    ['with another engine in the yard', { other: { rpm: 6300, downDb: 9 } }],
    ['in even noise as loud as itself', { noise: { kind: 'hiss', snrDb: 0 } }],
  ])('%s', (_, recipe) => {
    const { gross, median } = errors(hear(recipe));
    expect(median).toBeLessThan(0.005);
    expect(gross).toBeLessThan(0.02);
  });

  it.each([8000, 11_025, 22_050, 44_100, 48_000])('at %s samples a second', (rate) => {
    const { gross, median } = errors(hear({}, BLIP, rate));
    expect(median).toBeLessThan(0.005);
    expect(gross).toBeLessThan(0.02);
  });

  it('calls four-stroking by its name, not half the speed', () => {
    const track = burbling(2800, [8800, 9000], 1);
    const readings = hear({}, track);
    expect(errors(readings, track).gross).toBeLessThan(0.04);
    const mean = (from: number, to: number): number => {
      const some = readings.filter((r) => r.t > from && r.t < to);
      return some.reduce((s, r) => s + r.fourStroke, 0) / some.length;
    };
    expect(mean(2, 3.9)).toBeGreaterThan(0.3);
    expect(mean(0, 0.9)).toBeLessThan(0.1);
  });

  it('calls a slow blower’s burbling by its name where the machine is not known, and in even noise as loud', () => {
    const track = burbling(2300, [5000, 5200], 0.97);
    const fan = { blades: 11, level: 1.4, rush: 1 };
    for (const recipe of [{ fan }, { noise: { kind: 'hiss' as const, snrDb: 0 } }, { bassCutHz: 450 }]) {
      const sound = soundOf(track, { ...PLAIN, ...recipe }, RATE, 5);
      expect(errors(speedsOf(sound, RATE)!, track).gross).toBeLessThan(0.04);
    }
  });

  it('takes two beats a turn, an intake as loud as a low soft muffler, for one turn and not for two', () => {
    const soft = { exhaust: { hz: 150, q: 1.5 }, intake: { hz: 500, q: 2, level: 0.6 } };
    const track = BLIP.map((p) => ({ ...p, rpm: 0.6 * p.rpm + 500 }));
    const sound = soundOf(track, { ...PLAIN, ...soft }, RATE, 8);
    for (const full of [7500, undefined])
      expect(errors(speedsOf(sound, RATE, { full })!, track).gross).toBeLessThan(0.02);
  });

  it('says that it hears nothing where there is nothing', () => {
    const still = speedsOf(new Float32Array(RATE), RATE)!;
    expect(still).toHaveLength(50);
    expect(still.every((r) => r.confidence < HEARD)).toBe(true);
    const noise = soundOf(
      [
        { t: 0, rpm: 0 },
        { t: 3, rpm: 0 },
      ],
      { ...PLAIN, fan: { blades: 3, level: 0, rush: 0 }, noise: { kind: 'hiss', snrDb: -20 } },
      RATE,
      3,
    );
    const heard = speedsOf(noise, RATE)!.filter((r) => r.confidence >= HEARD);
    expect(heard.length).toBeLessThan(0.2 * 150);
    expect(hear({}).filter((r) => r.confidence >= HEARD).length).toBeGreaterThan(0.9 * 300);
  });

  it('is all there, in time, and may be stopped', () => {
    const sound = soundOf(BLIP, PLAIN, RATE, 1);
    const shares: number[] = [];
    const readings = speedsOf(sound, RATE, { progress: (share) => shares.push(share) > 0 })!;
    expect(readings).toHaveLength(300);
    expect(readings[10]!.t).toBeCloseTo(0.21, 6);
    expect(shares.length).toBeGreaterThan(4);
    expect(shares.toSorted((a, b) => a - b)).toEqual(shares);
    expect(speedsOf(sound, RATE, { progress: () => false })).toBeNull();
    expect(speedsOf(new Float32Array(0), RATE)).toEqual([]);
    expect(() => speedsOf(sound, 4000)).toThrow('under 8000');
  });
});

describe('live', () => {
  it('says the same as the whole recording, less than 0.25 s behind the sound, however it is cut up', () => {
    const sound = soundOf(BLIP, { ...PLAIN, noise: { kind: 'hiss', snrDb: 12 } }, 48_000, 6);
    for (const piece of [128, 4096]) {
      const live = new LiveSpeed(48_000, 12_500);
      const heard: SpeedReading[] = [];
      let furthest = 0;
      for (let from = 0; from < sound.length; from += piece) {
        const more = live.push(sound.slice(from, from + piece));
        const now = Math.min(sound.length, from + piece) / 48_000;
        for (const r of more) furthest = Math.max(furthest, now - r.t);
        heard.push(...more);
      }
      expect(furthest).toBeLessThan(0.25 + (piece > 1000 ? piece / 48_000 : 0));
      expect(heard.length).toBeGreaterThan(280);
      const { gross, median } = errors(heard.filter((r) => r.t > 0.5));
      expect(median).toBeLessThan(0.005);
      expect(gross).toBeLessThan(0.03);
    }
  });
});
