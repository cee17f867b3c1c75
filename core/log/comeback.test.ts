import { describe, expect, it } from 'vitest';
import { comebackOf, type Gone } from './index';

const gone = (closedAt: string, more: Partial<Gone> = {}): Gone => ({
  closedAt: `2026-${closedAt}T12:00:00.000Z`,
  complaints: ['no-fire'],
  declined: [],
  ...more,
});
const NOW = '2026-06-01T12:00:00.000Z';

describe('a comeback', () => {
  it('has the same complaint within ninety days, to the day', () => {
    expect(comebackOf(['no-fire'], [gone('05-20')], NOW)).toMatchObject({ days: 12, same: ['no-fire'] });
    expect(comebackOf(['no-fire'], [gone('03-03')], NOW)?.days).toBe(90);
    expect(comebackOf(['no-fire'], [gone('03-02')], NOW)).toBeNull();
    expect(comebackOf(['dies-at-idle'], [gone('05-20')], NOW)).toBeNull();
  });

  it('or a fault that was found then and left, whatever it does now', () => {
    const left = gone('05-20', { declined: ['ring-stuck'] });
    expect(comebackOf(['dies-at-idle'], [left], NOW)).toMatchObject({ same: [], declined: ['ring-stuck'] });
  });

  it('is of the latest job that explains it, and of none that is still to come', () => {
    const two = [gone('04-01'), gone('05-01'), gone('05-30', { complaints: ['flooded'] })];
    expect(comebackOf(['no-fire'], two, NOW)?.days).toBe(31);
    expect(comebackOf(['no-fire'], [gone('06-02')], NOW)).toBeNull();
  });
});
