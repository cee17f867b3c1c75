import { describe, expect, it } from 'vitest';
import { samples } from '../../testing';
import { auditOne } from './index';

/** Drawn machines, a run in short: `npm run torture` goes over a thousand, `npm run -s audit` over any number, after every act. */
const SEEDS = Array.from({ length: samples(6, 25) }, (_, n) => 31_000 + n);

describe('what is said of a job', () => {
  it('rests on its log, whoever works on it', () => {
    const breaches = SEEDS.flatMap((seed) => auditOne(seed, { every: 8 }));
    expect(breaches.map((b) => `seed ${b.seed}, act ${b.act}: ${b.says}`)).toEqual([]);
  });
});
