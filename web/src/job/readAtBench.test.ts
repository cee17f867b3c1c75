import type { NewEntry } from '@rusty-wren/core/log';
import { describe, expect, it } from 'vitest';
import { complains, JOB, jobWith } from '../testing/bench';
import { readAtBench } from './readAtBench';

const [ANN, BEN] = ['5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1aa1', '5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1aa2'];
const paces = { shop: { 'plug-look': 1.5 }, own: { [BEN]: { 'plug-look': 2, muffler: 1.2 } } } as const;
const smelt = (by: string, n: number): NewEntry => ({
  id: `5e0c1f7a-8f1b-4a53-9a53-0d6f0c7c1b0${n}`,
  notedAt: new Date(Date.parse(JOB.checkedInAt) + n * 60_000).toISOString(),
  by,
  kind: 'finding',
  body: { check: 'fuel-smell', result: 'fresh', sureness: 'sure' },
});
const job = { ...jobWith(complains('no-fire')), paces };
const paceWith = (...unsent: NewEntry[]) => readAtBench(job, unsent, 1).benchCase.pace;

describe('a job at the bench', () => {
  it('goes at the shop’s pace until somebody has it in hand whose own is known', () => {
    expect(paceWith()).toEqual({ 'plug-look': 1.5 });
    expect(paceWith(smelt(ANN, 1))).toEqual({ 'plug-look': 1.5 });
    expect(paceWith(smelt(BEN, 1))).toEqual({ 'plug-look': 2, muffler: 1.2 });
    // Whoever had it in hand last.
    expect(paceWith(smelt(BEN, 1), smelt(ANN, 2))).toEqual({ 'plug-look': 1.5 });
    expect(readAtBench(jobWith(complains('no-fire')), [smelt(BEN, 1)], 1).benchCase.pace).toBeUndefined();
  });

  it('says the minutes of a check by whoever has it in hand', () => {
    const minutes = (by: string): number =>
      readAtBench(job, [smelt(by, 1)], 1).diagnosis.next.find((n) => n.check === 'plug-look')!.minutes;
    // Picked up and looked at takes two by the trade: half of it longer again in these hands.
    expect(minutes(BEN) - minutes(ANN)).toBeCloseTo(1, 6);
  });

  it('takes what was noted here and has not been sent along, once', () => {
    const sent = smelt(ANN, 1);
    const both = readAtBench(
      { ...job, entries: [...job.entries, { ...sent, seq: 2 }] },
      [sent, smelt(BEN, 2)],
      1,
    );
    expect(both.entryCount).toBe(3);
    expect(both.picture.trail).toHaveLength(3);
  });
});
