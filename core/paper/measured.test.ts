import { describe, expect, it } from 'vitest';
import { readJob, type Entry } from '../log';
import type { CheckId } from '../knowledge';
import type { Reading } from '../reading';
import { measured } from './measured';

const saidOf = (check: CheckId, reading: Reading): string => {
  const entry: Entry = {
    id: 'e1',
    seq: 1,
    notedAt: '2026-05-04T09:00:00.000Z',
    kind: 'finding',
    body: { check, reading, sureness: 'sure' },
  };
  return measured(readJob([entry], { kind: 'chainsaw', displacementCc: 45 }).findings[0]!);
};

describe('what was measured, on paper', () => {
  it.each([
    ['compression-gauge', { psi: [145] }, ' The gauge showed 145 psi; 120 to 150 psi is right for it.'],
    [
      'compression-gauge',
      { psi: [145], in: 'bar' },
      ' The gauge showed 10.0 bar; 8.3 to 10.3 bar is right for it.',
    ],
    ['pop-off', { psi: [12, 7] }, ' It opened at 12 psi and shut at 7 psi; 8 to 28 psi is right for it.'],
    [
      'pop-off',
      { psi: [13.1, 0], in: 'bar' },
      ' It opened at 0.9 bar and did not shut again; 0.6 to 1.9 bar is right for it.',
    ],
  ] as const)('%s %j: in one unit, the one the instrument showed', (check, reading, says) => {
    expect(saidOf(check, reading)).toBe(says);
  });
});
