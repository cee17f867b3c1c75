import { describe, expect, it } from 'vitest';
import { diagnose } from '../diagnosis';
import {
  caseOf,
  evidenceFromTheCan,
  readJob,
  sharesCan,
  type Bodies,
  type Entry,
  type EntryKind,
} from './index';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;

function jobOf(...happened: readonly { [K in EntryKind]: readonly [K, Bodies[K], string?] }[EntryKind][]) {
  const entries = happened.map(
    ([kind, body, strikes], i) =>
      ({
        id: `${happened.length}-${i + 1}`,
        seq: i + 1,
        notedAt: `2026-05-04T09:0${i}:00.000Z`,
        kind,
        body,
        ...(strikes && { strikes }),
      }) as Entry,
  );
  return readJob(entries, SAW);
}
const ONE_CAN = ['history', { answers: { sharedCan: true } }] as const;
const HARD = ['complaint', { complaint: 'hard-to-start' }] as const;
const STALE = ['finding', { check: 'fuel-smell', result: 'stale', sureness: 'sure' }] as const;

describe('jobs on the same can', () => {
  const own = jobOf(HARD, ONE_CAN);
  const mate = { jobId: 'mate', picture: jobOf(HARD, ONE_CAN, STALE) };

  it('share what was found in it, less surely than if it were this tank', () => {
    expect(sharesCan(own, 'own', mate)).toBe(true);
    const found = evidenceFromTheCan(own, 'own', [mate]);
    expect(found).toEqual([
      { ref: '3-3', kind: 'finding', check: 'fuel-smell', result: 'stale', sureness: 'fair' },
    ]);
    const stale = (evidence: typeof found): number =>
      diagnose(caseOf(own, evidence)).suspects.find((s) => s.cause === 'stale-fuel')?.probability ?? 0;
    expect(stale(found)).toBeGreaterThan(stale([]) + 0.1);
  });

  it('share nothing that is not of the can', () => {
    const spark = jobOf(HARD, ONE_CAN, [
      'finding',
      { check: 'spark-tester', result: 'none', sureness: 'sure' },
    ]);
    expect(evidenceFromTheCan(own, 'own', [{ jobId: 'mate', picture: spark }])).toEqual([]);
  });

  it('keep to their own tank once it was looked at', () => {
    const looked = jobOf(HARD, ONE_CAN, [
      'finding',
      { check: 'fuel-smell', result: 'fresh', sureness: 'sure' },
    ]);
    expect(evidenceFromTheCan(looked, 'own', [mate])).toEqual([]);
  });

  it('are parted by a cut on either side, and joined again when it is struck', () => {
    const cut = jobOf(HARD, ONE_CAN, ['can', { job: 'mate', shared: false }]);
    expect(evidenceFromTheCan(cut, 'own', [mate])).toEqual([]);
    const cutThere = {
      jobId: 'mate',
      picture: jobOf(HARD, ONE_CAN, STALE, ['can', { job: 'own', shared: false }]),
    };
    expect(sharesCan(own, 'own', cutThere)).toBe(false);
    const again = jobOf(
      HARD,
      ONE_CAN,
      ['can', { job: 'mate', shared: false }],
      ['strike', { reason: 'No' }, '4-3'],
    );
    expect(sharesCan(again, 'own', mate)).toBe(true);
  });

  it('need both owners to say so, and the other job to be open', () => {
    expect(sharesCan(jobOf(HARD), 'own', mate)).toBe(false);
    const closed = jobOf(HARD, ONE_CAN, STALE, ['stage', { stage: 'closed' }]);
    expect(sharesCan(own, 'own', { jobId: 'mate', picture: closed })).toBe(false);
  });
});
