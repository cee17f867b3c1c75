import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../../chance';
import { firstOf } from '../../testing';
import { learntInShop } from '../shop';
import { CASEBOOK, shortOf } from './index';

describe('the casebook', () => {
  it('holds more than forty cases, each with its reason and something expected', () => {
    expect(CASEBOOK.length).toBeGreaterThanOrEqual(44);
    expect(new Set(CASEBOOK.map((b) => b.title)).size).toBe(CASEBOOK.length);
    for (const bench of CASEBOOK) {
      expect(bench.why.length, bench.title).toBeGreaterThan(30);
      expect(Object.keys(bench.expect).length, bench.title).toBeGreaterThan(0);
    }
  });

  it('would notice an answer that falls short', () => {
    const [bench] = CASEBOOK;
    if (!bench) throw new Error('no cases');
    expect(shortOf({ ...bench, expect: { atLeast: [{ causes: ['magnets-weak'], p: 0.9 }] } })).toHaveLength(
      1,
    );
    expect(
      shortOf({ ...bench, expect: { next: { any: ['flywheel-key'], n: 3 }, stop: 'worth' } }),
    ).toHaveLength(2);
  });

  it.each(CASEBOOK.map((bench) => [bench.title, bench] as const))('%s', (_, bench) => {
    expect(shortOf(bench)).toEqual([]);
  });

  it.each(firstOf(1, [1, 2, 3]))('holds in a shop that has learnt from 500 ordinary jobs (%i)', (seed) => {
    const learnt = learntInShop(chanceFrom(seed), { jobs: 500 });
    const short = CASEBOOK.filter((bench) => shortOf(bench, learnt).length > 0).map((bench) => bench.title);
    expect(short).toEqual([]);
  });
});
