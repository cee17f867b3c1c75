import { CAUSES, CAUSE_IDS } from '@rusty-wren/core/knowledge';
import { describe, expect, it } from 'vitest';
import { heatOf, isCleared } from './heat';
import { DRAWN_PARTS } from './parts';

describe('the cause map', () => {
  it('has a place for every cause of the vocabulary, and one only', () => {
    expect(DRAWN_PARTS.flatMap((p) => p.causes).toSorted()).toEqual([...CAUSE_IDS].toSorted());
  });

  it('is as warm as the chance that anything in the part is wrong', () => {
    const causes = new Float64Array(CAUSES.length);
    causes[CAUSES.findIndex((c) => c.id === 'plug-fouled')] = 0.5;
    causes[CAUSES.findIndex((c) => c.id === 'plug-failed')] = 0.5;
    expect(heatOf(['plug-fouled'], causes)).toBe(0.5);
    expect(heatOf(['plug-fouled', 'plug-failed'], causes)).toBe(0.75);
    expect(heatOf(['coil-failed'], causes)).toBe(0);
  });

  it('clears a part only when checks made it unlikely', () => {
    expect(isCleared(true, 0.01, 0.2)).toBe(true);
    expect(isCleared(true, 0.01, 0.011)).toBe(false);
    expect(isCleared(true, 0.1, 0.5)).toBe(false);
    expect(isCleared(false, 0.01, 0.2)).toBe(false);
  });
});
