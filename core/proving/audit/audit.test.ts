import { describe, expect, it } from 'vitest';
import { auditOne, PLANTED } from './index';

/** Of so many drawn machines a run in short; `npm run -s audit` goes over any number, after every act. */
const MACHINES = 75;
const FIRST = 31_000;
/** A planted fault shows on one of so many machines. */
const ENOUGH = 60;

describe('what is said of a job', () => {
  it.each([0, 1])('rests on its log, whoever works on it, half %d', (half) => {
    const breaches = Array.from({ length: MACHINES }, (_, n) =>
      auditOne(FIRST + 2 * n + half, { every: 4 }),
    ).flat();
    expect(breaches.map((b) => `seed ${b.seed}, act ${b.act}: ${b.says}`)).toEqual([]);
  });
});

describe('an audit that nobody can talk round', () => {
  it('finds at least twelve old faults that are put back', () => {
    expect(PLANTED.length).toBeGreaterThanOrEqual(12);
  });
  it.each(PLANTED)('finds $name', ({ program }) => {
    for (let seed = 1; seed <= ENOUGH; seed++) if (auditOne(seed, { program, every: 3 }).length > 0) return;
    expect.fail(`not found on ${ENOUGH} machines`);
  });
});
