import { describe, expect, it } from 'vitest';
import { auditOne, PLANTED } from './index';

/** A planted fault shows on one of so many machines. */
const ENOUGH = 60;

describe('an audit that nobody can talk round', () => {
  it('finds at least twelve old faults that are put back', () => {
    expect(PLANTED.length).toBeGreaterThanOrEqual(12);
  });
  it.each(PLANTED)('finds $name', ({ shows, program }) => {
    const seeds = [shows, ...Array.from({ length: ENOUGH }, (_, n) => n + 1)];
    for (const seed of seeds) if (auditOne(seed, { program, every: 3 }).length > 0) return;
    expect.fail(`not found on ${ENOUGH} machines`);
  });
});
