import { describe, expect, it } from 'vitest';
import { planned, USUAL_HOURS, windowsOf, workOf, type Crew, type OpenJob } from './index';

const crew: Crew[] = [
  {
    id: 'ann',
    windows: [
      [0, 240],
      [300, 540],
      [1440, 1680],
    ],
  },
];
const job = (more: Partial<OpenJob>): OpenJob => ({
  id: 'j',
  stage: 'hook',
  phase: { kind: 'check', check: 'fuel-smell', minutes: 0.5 },
  lead: null,
  off: 0,
  coldIn: null,
  due: null,
  partsIn: null,
  ...more,
});
const kinds = (more: Partial<OpenJob>): string[] => workOf([job(more)], crew).tasks.map((t) => t.kind);
const settled = { entryId: 'e', cause: 'coil-failed', outcome: null } as const;

describe('the work left on a job', () => {
  it('is by what it asks for now: looked for, mended, proved, started cold once more, written up', () => {
    expect(kinds({})).toEqual(['look', 'mend', 'prove', 'cold-start', 'close']);
    expect(kinds({ phase: { kind: 'repair', settled } })).toEqual(['mend', 'prove', 'cold-start', 'close']);
    expect(kinds({ phase: { kind: 'together', off: [] }, off: 3 })).toEqual([
      'together',
      'prove',
      'cold-start',
      'close',
    ]);
    expect(kinds({ phase: { kind: 'prove' } })).toEqual(['prove', 'cold-start', 'close']);
    expect(kinds({ phase: { kind: 'prove' }, coldIn: 60 })).toEqual(['cold-start', 'close']);
    expect(kinds({ phase: { kind: 'close' } })).toEqual(['close']);
    expect(kinds({ phase: { kind: 'left', causes: [] }, off: 2 })).toEqual(['together', 'close']);
    expect(kinds({ stage: 'closed' })).toEqual([]);
  });

  it('takes longer to look for the less is known', () => {
    const look = (probability: number): number =>
      workOf([job({ lead: { cause: 'coil-failed', probability } })], crew).tasks[0]!.minutes;
    expect(look(0.2)).toBeGreaterThan(look(0.9));
    // Never less than the check that is up.
    const slow = { kind: 'check', check: 'crankcase-pressure', minutes: 33 } as const;
    expect(
      workOf([job({ phase: slow, lead: { cause: 'coil-failed', probability: 1 } })], crew).tasks[0]!.minutes,
    ).toBe(33);
  });

  it('rests three hours before it is started cold, or as long as it still is warm', () => {
    const { tasks, jobs } = workOf([job({ phase: { kind: 'prove' }, due: 500 })], crew);
    expect(tasks[1]!.after).toEqual({ task: 'j prove', rest: 180 });
    const { slots } = planned({ tasks, jobs, crew });
    expect(slots.find((s) => s.task === 'j cold-start')!.start).toBeGreaterThanOrEqual(15 + 180);
    expect(workOf([job({ phase: { kind: 'prove' }, coldIn: 60 })], crew).tasks[0]!.release).toBe(60);
  });

  it('waits for its part until that is due, and has no place while nobody knows, or the owner has not spoken', () => {
    const due = workOf([job({ stage: 'parts', partsIn: 1500, phase: { kind: 'repair', settled } })], crew);
    expect(due.tasks[0]).toMatchObject({ kind: 'mend', release: 1500 });
    expect(due.tasks[1]!.release).toBe(0);
    expect(workOf([job({ stage: 'parts' })], crew)).toMatchObject({
      tasks: [],
      waiting: [{ job: 'j', for: 'parts' }],
    });
    expect(workOf([job({ stage: 'answer' })], crew).waiting).toEqual([{ job: 'j', for: 'answer' }]);
  });

  it('is alike where the same part of the engine is worked on, and no longer than anybody’s day', () => {
    const mend = (cause: 'fuel-line-leak' | 'fuel-line-blocked' | 'bottom-end-worn') =>
      workOf([job({ phase: { kind: 'repair', settled: { ...settled, cause } } })], crew).tasks[0]!;
    expect(mend('fuel-line-leak').like).toBe(mend('fuel-line-blocked').like);
    expect(mend('fuel-line-leak').like).not.toBe(mend('bottom-end-worn').like);
    expect(mend('bottom-end-worn').minutes).toBeLessThanOrEqual(240);
  });
});

describe('hours', () => {
  const days = [
    { date: '2026-11-27', weekday: 5, starts: -600 },
    { date: '2026-11-28', weekday: 6, starts: 840 },
    { date: '2026-11-30', weekday: 1, starts: 3720 },
  ];
  it('begin now where the day has begun, leave out the weekend and days off', () => {
    expect(windowsOf(USUAL_HOURS, days)).toEqual([
      [0, 120],
      [180, 420],
      [4200, 4440],
      [4500, 4740],
    ]);
    expect(windowsOf({ ...USUAL_HOURS, off: ['2026-11-27'] }, days)[0]).toEqual([4200, 4440]);
  });
});
