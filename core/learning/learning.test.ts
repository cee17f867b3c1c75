import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountOf, type Account, type MatterState } from '../account';
import { diagnose, type Commonness } from '../diagnosis';
import { CAUSE_IDS, type CauseId } from '../knowledge';
import { readJob } from '../log';
import {
  commonnessIn,
  expectedOn,
  FURTHEST,
  groupOf,
  learn,
  learnFrom,
  learntFor,
  lessonOf,
  LEAST_STRENGTH,
  taughtBy,
  type OwnersJob,
  type Tally,
} from '.';
import { addTally } from './learn';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const GROUP = groupOf(SAW);
const EXPECTED = expectedOn(SAW, {}, ['no-fire']);

const step = (done: boolean) => ({ done });
const matter = (cause: CauseId, state: MatterState): Account['matters'][number] => ({
  cause,
  state,
  basis: 'seen',
  share: 1,
  from: ['1'],
  answer: null,
});
const act = (cause: CauseId): Account['acts'][number] =>
  ({ repair: { entryId: '2', cause, outcome: 'cured' }, credit: [], sure: true, tried: true }) as never;
const lesson = (
  log: Partial<Parameters<typeof lessonOf>[0]> = {},
  {
    matters = [matter('coil-failed', 'mended')],
    acts = [act('coil-failed')],
    cure = null,
  }: Partial<Account> = {},
) =>
  lessonOf(
    {
      stage: 'closed',
      complaints: [{ entryId: '1', complaint: 'no-fire', said: ['1'] }],
      proof: [step(true)],
      cleared: [],
      ...log,
    },
    {
      ...accountOf(readJob([], SAW), { machine: SAW, history: {}, evidence: [], off: [] }),
      matters,
      acts,
      cure,
    },
  );

describe('a closed job', () => {
  it('teaches what was mended on it and proved', () => {
    expect(lesson()).toEqual({ counts: 1000, found: { 'coil-failed': 1000 } });
  });
  it.each([
    ['open', lesson({ stage: 'proof' })],
    ['closed with nothing complained of', lesson({ complaints: [] })],
    ['closed with nothing found', lesson({}, { matters: [] })],
    ['closed after repairs in vain', lesson({}, { matters: [matter('coil-failed', 'vain')] })],
    ['closed with a repair nobody tried', lesson({}, { matters: [matter('coil-failed', 'untried')] })],
    ['closed with what cannot be the complaint', lesson({}, { matters: [matter('chain-dull', 'standing')] })],
  ])('teaches nothing while %s', (_, taught) => {
    expect(taught).toBeNull();
  });
  it('teaches what may have cured it by its share, and nothing of what was seen sound', () => {
    const cure = {
      shares: [
        { share: 0.6, causes: [{ cause: 'stale-fuel', share: 0.6 }] },
        { share: 0.3, causes: [{ cause: 'plug-fouled', share: 0.3 }] },
        { share: 0.02, causes: [{ cause: 'coil-failed', share: 0.02 }] },
      ],
    } as never;
    const taught = lesson(
      { cleared: ['plug-fouled'] },
      { matters: [{ ...matter('coil-failed', 'mended'), share: 0.02 }], cure },
    );
    expect(taught).toEqual({ counts: 1000, found: { 'stale-fuel': 600 } });
  });
  it('counts less unproved, or told and left', () => {
    expect(lesson({ proof: [step(false)] })?.counts).toBe(400);
    expect(lesson({}, { matters: [matter('coil-failed', 'standing')], acts: [] })?.counts).toBe(400);
  });
});

const job = (id: string, more: Partial<OwnersJob> = {}): OwnersJob => ({
  id,
  machineId: id,
  checkedInAt: '2026-03-01T08:00:00.000Z',
  closedAt: '2026-03-03T08:00:00.000Z',
  complaints: ['no-fire'],
  sharedCan: false,
  lesson: { counts: 1000, found: { 'stale-fuel': 1000 } },
  expected: { 'stale-fuel': 200, 'coil-failed': 50 },
  ...more,
});

describe('the jobs of an owner', () => {
  it('a comeback with the same takes the lesson back, on its ninetieth day and not after', () => {
    const back = (checkedInAt: string, complaints: OwnersJob['complaints']) =>
      taughtBy([
        job('a'),
        job('b', { machineId: 'a', checkedInAt, complaints, closedAt: null, lesson: null }),
      ]).has('a');
    expect(back('2026-05-30T08:00:00.000Z', ['no-fire'])).toBe(false);
    expect(back('2026-06-02T08:00:00.000Z', ['no-fire'])).toBe(true);
    expect(back('2026-05-30T08:00:00.000Z', ['rattle-or-scrape'])).toBe(true);
  });
  it('three machines on one can teach its fuel once, and all else of each', () => {
    const taught = taughtBy(['a', 'b', 'c'].map((id) => job(id, { sharedCan: true })));
    const found = [...taught.values()].map((t) => t.found['stale-fuel'] ?? 0);
    expect(found).toEqual([333, 333, 333]);
    expect([...taught.values()][0]?.expected).toEqual({ 'stale-fuel': 67, 'coil-failed': 50 });
    const apart = taughtBy([
      job('a', { sharedCan: true }),
      job('b', { sharedCan: true, closedAt: '2026-08-01T08:00:00.000Z' }),
    ]);
    expect(apart.get('a')?.found['stale-fuel']).toBe(1000);
  });
});

const tally = (jobs: number, found: Partial<Record<CauseId, number>>): Tally => ({
  counts: jobs * 1000,
  found: Object.fromEntries(Object.entries(found).map(([c, n]) => [c, n * 1000])),
  expected: Object.fromEntries(Object.entries(EXPECTED).map(([c, n]) => [c, n * jobs])),
});
const factor = (t: Tally, cause: CauseId): number =>
  learn({ groups: { [GROUP]: t }, models: {} }).shop.causes[cause]?.factor ?? 1;
const A_TALLY = fc
  .record({
    jobs: fc.integer({ min: 0, max: 500 }),
    found: fc.array(fc.constantFrom(...CAUSE_IDS), { maxLength: 40 }),
  })
  .map(({ jobs, found }) =>
    tally(jobs, Object.fromEntries(found.map((cause) => [cause, found.filter((f) => f === cause).length]))),
  );

describe('what is learnt', () => {
  it('is nothing from nothing: the trade’s odds stand', () => {
    const learnt = learn({ groups: {}, models: {} });
    expect(commonnessIn(learntFor(learnt, SAW, 'brakken b45'))).toBeNull();
  });
  it('what was found oftener than expected is commoner, what was not found is rarer', () => {
    const t = tally(60, { 'coil-failed': 40, 'stale-fuel': 10 });
    expect(factor(t, 'coil-failed')).toBeGreaterThan(1.3);
    expect(factor(t, 'plug-failed')).toBeLessThan(1);
  });
  it('is nothing where chance alone would bring it', () => {
    const due = (jobs: number, cause: CauseId): number => ((EXPECTED[cause] ?? 0) * jobs) / 1000;
    // As it was due, but for the coil: one spread more of it, and then five.
    const shopWith = (spreads: number) => {
      const t = tally(200, {});
      const coil = due(200, 'coil-failed') + spreads * Math.sqrt(due(200, 'coil-failed'));
      return learn({
        groups: { [GROUP]: { ...t, found: { ...t.expected, 'coil-failed': Math.round(1000 * coil) } } },
        models: {},
      }).shop;
    };
    expect(shopWith(1)).toMatchObject({ strength: null });
    expect(Object.values(shopWith(1).causes).every(({ factor }) => factor === 1)).toBe(true);
    expect(shopWith(8).strength).toBeGreaterThan(0);
    expect(shopWith(8).causes['coil-failed']!.factor).toBeGreaterThan(1.2);
  });
  it('is the mean of what was believed, worth so many findings, and of what was found', () => {
    const t: Tally = {
      counts: 500_000,
      found: { 'coil-failed': 300_000, 'stale-fuel': 200_000 },
      expected: { 'coil-failed': 100_000, 'stale-fuel': 400_000 },
    };
    // Far beyond chance: worth as little as it can be.
    expect(learn({ groups: { [GROUP]: t }, models: {} }).shop.strength).toBe(LEAST_STRENGTH);
    // As near as steps of a twentieth come.
    for (const [cause, found, due] of [
      ['coil-failed', 300, 100],
      ['stale-fuel', 200, 400],
    ] as const) {
      const wanted = (LEAST_STRENGTH + found) / (LEAST_STRENGTH + due);
      expect(Math.abs(Math.log(factor(t, cause) / wanted))).toBeLessThan(0.026);
    }
  });
  it('one closing with what is hardly ever met moves little', () => {
    const t = tally(200, { 'coil-failed': 120, 'stale-fuel': 30, 'magnets-weak': 1 });
    expect(factor(t, 'magnets-weak')).toBeLessThan(1.55);
    expect(factor(t, 'coil-failed')).toBeGreaterThan(2);
  });
  it('of others counts as far as it is weighed, and is judged by all of it', () => {
    const own = { groups: {}, models: {} };
    const { expected, ...t } = tally(340, {});
    const coils = Math.round(5 * (expected['coil-failed'] ?? 0));
    const others = {
      groups: { [GROUP]: { ...t, expected, found: { ...expected, 'coil-failed': coils } } },
      models: {},
    };
    const coil = (weight: number): number =>
      learnFrom(own, [{ tallies: others, weight }]).shop.causes['coil-failed']?.factor ?? 1;
    expect(coil(100)).toBe(learn(others).shop.causes['coil-failed']!.factor);
    // The less it counts, the nearer to the trade; and half is not nothing.
    const [quarter, half, whole] = [coil(25), coil(50), coil(100)];
    expect(quarter).toBeGreaterThan(1);
    expect(half).toBeGreaterThan(quarter);
    expect(whole).toBeGreaterThan(half);
    expect(learnFrom(others, []).shop).toEqual(learn(others).shop);
  });
  it('makes nothing impossible or certain, whatever was found', () => {
    fc.assert(
      fc.property(A_TALLY, (t) => {
        const { causes } = learn({ groups: { [GROUP]: t }, models: {} }).shop;
        for (const { factor: f } of Object.values(causes)) {
          expect(f).toBeGreaterThanOrEqual(1 / FURTHEST - 1e-4);
          expect(f).toBeLessThanOrEqual(FURTHEST);
        }
      }),
      { numRuns: 60 },
    );
  });
  it('does not depend on the order of the jobs, to the last digit', () => {
    fc.assert(
      fc.property(fc.array(A_TALLY, { minLength: 2, maxLength: 6 }), (tallies) => {
        const one = tallies.reduce(addTally);
        const other = tallies.toReversed().reduce(addTally);
        expect(JSON.stringify(learn({ groups: { [GROUP]: one }, models: {} }))).toBe(
          JSON.stringify(learn({ groups: { [GROUP]: other }, models: {} })),
        );
      }),
      { numRuns: 40 },
    );
  });
  it('of a class and a model has a say where there are enough', () => {
    const few = learn({ groups: { [GROUP]: tally(11, { 'coil-failed': 5 }) }, models: {} });
    expect(few.groups).toEqual({});
    const many = learn({
      groups: { [GROUP]: tally(100, { 'coil-failed': 20 }), other: tally(100, { 'stale-fuel': 90 }) },
      models: {
        'brakken b45': { ...tally(8, { 'plug-lead-loose': 8 }), group: GROUP },
        'brakken x': { ...tally(7, {}), group: GROUP },
      },
    });
    expect(Object.keys(many.groups)).toEqual(expect.arrayContaining([GROUP, 'other']));
    expect(Object.keys(many.models)).toEqual(['brakken b45']);
    const of = (model: string): Commonness => commonnessIn(learntFor(many, SAW, model)) ?? {};
    expect(of('brakken b45')['plug-lead-loose']).toBeGreaterThan(of('brakken x')['plug-lead-loose'] ?? 1);
  });
  it('moves the engine: a shop that finds coils suspects them sooner', () => {
    const c = {
      machine: SAW,
      history: {},
      evidence: [{ ref: '1', kind: 'complaint', complaint: 'no-fire' } as const],
      off: [],
    };
    const learnt = learn({
      groups: { [GROUP]: tally(200, { 'coil-failed': 100, 'stale-fuel': 30 }) },
      models: {},
    });
    const commonness = commonnessIn(learntFor(learnt, SAW, ''))!;
    const of = (d: ReturnType<typeof diagnose>) =>
      d.suspects.find((s) => s.cause === 'coil-failed')!.probability;
    expect(of(diagnose({ ...c, commonness }))).toBeGreaterThan(1.5 * of(diagnose(c)));
  });
});
