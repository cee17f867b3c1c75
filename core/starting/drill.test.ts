import { describe, expect, it } from 'vitest';
import { MACHINE_KINDS } from '../machine';
import { MANY_PULLS } from '../knowledge';
import { afterPulls, drillFor } from './index';

describe('the drill', () => {
  it('is there for every machine in every state, and ends in a pull', () => {
    for (const kind of MACHINE_KINDS)
      for (const state of ['cold', 'warm', 'flooded'] as const) {
        const steps = drillFor(kind, state);
        expect(steps.length).toBeGreaterThan(2);
        expect(steps.some((s) => /[Pp]ull/.test(s.does))).toBe(true);
      }
  });

  it('earths the lead before a flooded engine is pulled, and never chokes it', () => {
    const steps = drillFor('trimmer', 'flooded');
    expect(steps[0]?.caution).toContain('earthed');
    expect(steps.some((s) => /Choke shut/.test(s.does))).toBe(false);
    expect(drillFor('chainsaw', 'cold')[0]?.does).toContain('Chain brake on');
  });

  it('stops at ten pulls with what to think about', () => {
    expect(afterPulls(MANY_PULLS - 1, 'cold')).toBeNull();
    expect(afterPulls(MANY_PULLS, 'cold')).toContain('plug wet');
    expect(afterPulls(12, 'flooded')).toContain('spark');
  });
});
