import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../chance';
import { CAUSE_IDS } from '../knowledge';
import { samples } from '../testing';
import { learntInShop } from './shop';

describe('what a drawn shop learns', () => {
  it('is nothing in nine of ten shops that are like any other, and something in every one that differs', () => {
    const ordinary = Array.from({ length: samples(6, 12) }, (_, n) =>
      learntInShop(chanceFrom(300 + n), { jobs: 200 }),
    );
    expect(ordinary.filter(({ shop }) => shop.strength !== null).length).toBeLessThanOrEqual(1);
    for (let n = 0; n < samples(2, 5); n++) {
      const chance = chanceFrom(400 + n);
      const commonness = Object.fromEntries(CAUSE_IDS.map((cause) => [cause, 5 ** (2 * chance() - 1)]));
      expect(learntInShop(chance, { jobs: 200, commonness }).shop.strength).not.toBeNull();
    }
  });
});
