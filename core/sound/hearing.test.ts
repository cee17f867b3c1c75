import { describe, expect, it } from 'vitest';
import { chanceFrom, normalFrom } from '../chance';
import { CANDIDATES, OCTAVE } from './candidates';
import { HumFilter, withoutHum } from './hum';
import { MiddleBand, QuietSoFar, quietOf } from './loudness';
import { Path } from './path';
import { Decimator } from './resample';
import { Spectrum } from './spectrum';

const RATE = 8000;
const tone = (hz: number | ((t: number) => number), seconds: number, rate = RATE): Float32Array => {
  let turns = 0;
  return Float32Array.from({ length: Math.round(seconds * rate) }, (_, i) => {
    turns += (typeof hz === 'number' ? hz : hz(i / rate)) / rate;
    return Math.sin(2 * Math.PI * turns);
  });
};
const power = (x: Float32Array): number => x.reduce((s, v) => s + v * v, 0) / x.length;
const decibels = (a: Float32Array, b: Float32Array): number => 10 * Math.log10(power(a) / power(b));
const cut = (x: Float32Array, from: number, to = x.length): Float32Array =>
  x.subarray(Math.round(from), Math.round(to));

describe('mains hum', () => {
  it.each([50, 60, 150, 240])('at %s Hz it is taken out, as far as it stands still', (hz) => {
    const hum = tone(hz, 6);
    expect(decibels(withoutHum(hum, RATE), hum)).toBeLessThan(-20);
  });

  it('leaves an engine that wanders over it, and says which mains is the stronger', () => {
    const engine = tone((t) => 50 + 1.5 * Math.sin(4 * t), 6);
    expect(decibels(withoutHum(engine, RATE), engine)).toBeGreaterThan(-1.5);
    const [fifty, sixty] = [50, 60].map((hz) => {
      const filter = new HumFilter(RATE, [hz]);
      filter.push(tone(60, 3));
      return filter.power;
    });
    expect(sixty).toBeGreaterThan(10 * fifty!);
  });
});

describe('a lower rate', () => {
  it('keeps what engines say and lets go of what would fold back, whatever pieces it comes in', () => {
    const low = tone(900, 1, 48_000);
    const kept = new Decimator(48_000).push(low);
    expect(kept.length).toBeGreaterThan(7900);
    expect(Math.abs(decibels(cut(kept, 200), low))).toBeLessThan(0.3);
    const high = tone(7100, 1, 48_000);
    expect(decibels(cut(new Decimator(48_000).push(high), 200), high)).toBeLessThan(-35);
    const inPieces = new Decimator(48_000);
    const pieces: number[] = [];
    for (let from = 0; from < low.length; from += 1000)
      pieces.push(...inPieces.push(low.slice(from, from + 1000)));
    expect(pieces).toEqual([...kept]);
  });
});

describe('a spectrum', () => {
  const pressedOf = (x: Float32Array): Spectrum => {
    const spectrum = new Spectrum(RATE, 0.11, 240, 3000);
    spectrum.take(x, x.length / 2);
    return spectrum;
  };

  it('stands a line out, however loud the whole is', () => {
    for (const loud of [1, 1e-3]) {
      const { pressed, perHz } = pressedOf(tone(700, 0.3).map((v) => loud * v));
      const at = pressed.indexOf(Math.max(...pressed));
      expect(at / perHz).toBeGreaterThan(690);
      expect(at / perHz).toBeLessThan(710);
      expect(pressed[at]).toBeGreaterThan(2);
    }
  });

  it('of even noise lies flat: no part of it says more than another', () => {
    const normal = normalFrom(chanceFrom(5));
    const means = [0, 0];
    for (let n = 0; n < 40; n++) {
      const { pressed } = pressedOf(Float32Array.from({ length: 2400 }, normal));
      const half = pressed.length >> 1;
      for (const [i, part] of [pressed.subarray(0, half), pressed.subarray(half)].entries())
        means[i]! += part.reduce((s, v) => s + v, 0) / part.length / 40;
    }
    expect(Math.abs(means[0]! - means[1]!)).toBeLessThan(0.1);
  });
});

describe('the likeliest way', () => {
  const frame = (...peaks: readonly (readonly [at: number, height: number])[]): Float32Array => {
    const scores = new Float32Array(CANDIDATES.length);
    for (const [at, height] of peaks) scores[at] = height;
    return scores;
  };

  it('does not jump an octave for a few frames that say so', () => {
    const path = new Path(0.02);
    for (let i = 0; i < 60; i++)
      path.push(i > 25 && i < 30 ? frame([40 + OCTAVE, 2], [40, 0.8]) : frame([40, 1.5]));
    expect([...path.trace()].every((c) => c === 40)).toBe(true);
    expect(path.here).toBe(40);
  });

  it('follows a real rise, no faster than an engine gathers speed, and forgets what is told', () => {
    const path = new Path(0.02);
    for (let i = 0; i < 80; i++) path.push(frame([Math.min(200, 20 + 4 * Math.max(0, i - 20)), 2]));
    const way = path.trace();
    expect(way[10]).toBe(20);
    expect(way[79]).toBe(200);
    for (let i = 1; i < way.length; i++) expect(Math.abs(way[i]! - way[i - 1]!)).toBeLessThanOrEqual(12);
    path.forget(30);
    expect([...path.trace()]).toEqual([...way.slice(50)]);
  });
});

describe('loudness', () => {
  const powers = (...levels: readonly (readonly [frames: number, power: number])[]): number[] =>
    levels.flatMap(([frames, p]) => Array.from({ length: frames }, () => p));

  it('knows the quiet part of a recording from the loud one, at any volume', () => {
    for (const gain of [1, 1e-4]) {
      const quiet = quietOf(powers([150, 0.1 * gain], [60, gain], [150, 0.12 * gain]));
      expect(quiet[60]).toBe(1);
      expect(quiet[180]).toBe(0);
      expect(quiet[300]).toBe(1);
    }
  });

  it('says nothing where all is as loud', () => {
    expect(Math.max(...quietOf(powers([200, 1])))).toBe(0);
    expect(Math.max(...quietOf(powers([100, 1], [100, 0.95])))).toBe(0);
    expect(quietOf([])).toEqual([]);
  });

  it('live, knows it once it has heard both', () => {
    const live = new QuietSoFar();
    const said = powers([150, 0.1], [60, 1], [150, 0.1]).map((p) => live.next(p));
    expect(Math.max(...said.slice(0, 150))).toBe(0);
    expect(said[200]).toBe(0);
    expect(said[330]).toBe(1);
  });

  it('is taken where engines speak: neither rumble nor hiss counts much', () => {
    const through = (hz: number): number => {
      const x = tone(hz, 1);
      return decibels(cut(new MiddleBand(RATE).push(x), 800), x);
    };
    expect(through(30)).toBeLessThan(through(600) - 25);
    expect(through(3500)).toBeLessThan(through(600) - 4);
  });
});
