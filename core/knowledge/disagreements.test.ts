import { describe, expect, it } from 'vitest';
import { CHECKS, DISAGREEMENTS, disagreementsAt, disagreementsOn } from './index';

describe('what practitioners disagree on', () => {
  it('carries at least two opinions each, every one with its reason, and what is done here', () => {
    expect(new Set(DISAGREEMENTS.map((d) => d.id)).size).toBe(DISAGREEMENTS.length);
    for (const { id, opinions, here, checks = [], causes = [] } of DISAGREEMENTS) {
      expect(opinions.length, id).toBeGreaterThanOrEqual(2);
      for (const o of opinions)
        expect(
          [o.says, o.because].every((s) => /^[A-Z0-9].*\.$/.test(s)),
          o.says,
        ).toBe(true);
      expect(here, id).toMatch(/\.$/);
      expect(checks.length + causes.length, id).toBeGreaterThan(0);
    }
  });

  it('stands where it is met, and not more than two of them at one step', () => {
    expect(disagreementsAt('carb-passages').map((d) => d.id)).toEqual(['passages']);
    expect(disagreementsOn('spark-screen-clogged').map((d) => d.id)).toEqual(['screen']);
    for (const { id } of CHECKS) expect(disagreementsAt(id).length, id).toBeLessThanOrEqual(2);
  });
});
