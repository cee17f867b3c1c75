import { describe, expect, it } from 'vitest';
import type { Pace } from '../knowledge';
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
  toFind: null,
  off: 0,
  inPieces: false,
  hands: null,
  donor: null,
  coldIn: null,
  proof: null,
  due: null,
  partsIn: null,
  orderedIn: null,
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

  it('has the proof that its complaints and its work ask for, cold engine and nights on its hook', () => {
    const proving = (minutes: number, cold: number, nights: number) =>
      workOf([job({ phase: { kind: 'prove' }, proof: { minutes, cold, nights } })], crew).tasks;
    expect(proving(27, 0, 0).map((t) => [t.kind, t.minutes])).toEqual([
      ['prove', 27],
      ['close', 5],
    ]);
    const stands = proving(9, 2, 1);
    expect(stands.map((t) => [t.kind, t.after?.rest ?? 0])).toEqual([
      ['prove', 0],
      ['cold-start', 180],
      ['cold-start', 180],
      ['cold-start', 480],
      ['close', 0],
    ]);
    expect(new Set(stands.map((t) => t.id)).size).toBe(stands.length);
    // A month of it is not planned.
    expect(proving(9, 9, 1)).toHaveLength(6);
    expect(proving(0, 1, 0).map((t) => t.kind)).toEqual(['cold-start', 'close']);
  });

  it('takes the minutes that mending takes here', () => {
    const mend = (shop: Pace = {}, more: object = {}): number =>
      workOf([job({ phase: { kind: 'repair', settled: { ...settled, ...more } } })], crew, {
        paces: { shop, own: {} },
      }).tasks[0]!.minutes;
    expect(mend({ 'coil-failed': 2 })).toBe(2 * mend());
    const whole = { cause: 'plug-fouled', remedy: 'new-plug' };
    expect(mend({ 'new-plug': 1.5, 'plug-fouled': 9 }, whole)).toBe(Math.round(1.5 * mend({}, whole)));
  });

  it('takes the minutes of whoever has it in hand, where they are known', () => {
    const paces = { shop: { 'coil-failed': 2 }, own: { idris: { 'coil-failed': 3 } } };
    const mend = (hands: string | null): number =>
      workOf([job({ hands, phase: { kind: 'repair', settled } })], crew, { paces }).tasks[0]!.minutes;
    expect(mend('idris')).toBe(1.5 * mend(null));
    expect(mend('bett')).toBe(mend(null));
  });

  it('takes the minutes of taking apart and laying back that a rebuild takes here', () => {
    const tasks = (shop: Pace, more: Partial<OpenJob>): Record<string, number> =>
      Object.fromEntries(
        workOf([job(more)], crew, { bath: true, paces: { shop, own: {} } }).tasks.map((t) => [
          t.kind,
          t.minutes,
        ]),
      );
    const gummed = {
      phase: { kind: 'repair', settled: { ...settled, cause: 'inlet-screen-clogged' } },
    } as const;
    expect(tasks({ 'layer-off': 2 }, gummed)['strip']).toBe(2 * tasks({}, gummed)['strip']!);
    const apart = { phase: { kind: 'together', off: [] }, off: 8, inPieces: true } as const;
    expect(tasks({ 'layer-back': 2 }, apart)['together']).toBe(tasks({}, apart)['together']! + 12);
    expect(tasks({ 'layer-back': 2 }, { ...apart, inPieces: false })).toEqual(
      tasks({}, { ...apart, inPieces: false }),
    );
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

  it('takes as long to look for as the plan says, and varies as that does', () => {
    const look = workOf([job({ toFind: { mean: 30, p90: 68.4 } })], crew).tasks[0]!;
    expect(look.minutes).toBe(30);
    expect(look.spread).toBeCloseTo(38.4 / 1.2816, 2);
    // Never less than the check that is up, and never as if nothing varied.
    const slow = { kind: 'check', check: 'crankcase-pressure', minutes: 33 } as const;
    const least = workOf([job({ phase: slow, toFind: { mean: 5, p90: 6 } })], crew).tasks[0]!;
    expect(least.minutes).toBe(33);
    expect(least.spread).toBeGreaterThan(5);
  });

  it('what is gummed up soaks by itself between two pieces of work, where there is a bath and it is not in pieces yet', () => {
    const gummed = job({ phase: { kind: 'repair', settled: { ...settled, cause: 'idle-circuit-blocked' } } });
    const of = (one: OpenJob, bath: boolean) => workOf([one], crew, { bath }).tasks;
    const soaked = of(gummed, true);
    expect(soaked.slice(0, 3).map((t) => [t.kind, t.place, t.hands])).toEqual([
      ['strip', 'bench', true],
      ['soak', 'bath', false],
      ['mend', 'bench', true],
    ]);
    expect(soaked[2]!.after?.task).toBe('j soak');
    expect(of(gummed, false)[0]!.kind).toBe('mend');
    expect(of({ ...gummed, inPieces: true }, true)[0]!.kind).toBe('mend');
    expect(of(job({ phase: { kind: 'repair', settled } }), true)[0]!.kind).toBe('mend');
  });

  it('goes on in the hands that began it, unless another has it done much sooner', () => {
    const two: Crew[] = [...crew, { id: 'bo', windows: crew[0]!.windows }];
    const with_ = (one: OpenJob, others: readonly OpenJob[] = []) => {
      const { tasks, jobs } = workOf([one, ...others], two);
      return planned({ tasks, jobs, crew: two }).slots.find((s) => s.task === 'j mend')!.crew;
    };
    const repair = { kind: 'repair', settled } as const;
    expect(with_(job({ phase: repair }))).toBe('ann');
    expect(with_(job({ phase: repair, hands: 'bo' }))).toBe('bo');
    // Somebody who has left is nobody.
    expect(with_(job({ phase: repair, hands: 'cy' }))).toBe('ann');
  });

  it('lies beside the machine it gets its part from', () => {
    const taker = job({ id: 't', donor: 'd', phase: { kind: 'repair', settled } });
    const donor = job({ id: 'd', phase: { kind: 'left', causes: [] }, off: 2 });
    const { tasks } = workOf([taker, donor], crew);
    const like = (id: string) => tasks.find((t) => t.id === id)!.like;
    expect(like('t mend')).toBe(like('d together'));
    expect(like('t mend')).not.toBe(workOf([{ ...taker, donor: null }], crew).tasks[0]!.like);
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
    const listed = workOf([job({ stage: 'parts', orderedIn: 2900, due: 4000 })], crew).waiting[0]!;
    expect(listed.ifOrdered?.job.due).toBe(4000);
    expect(listed.ifOrdered?.tasks[0]!.release).toBe(2900);
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
