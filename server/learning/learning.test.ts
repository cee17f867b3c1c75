import { randomUUID } from 'node:crypto';
import type { CheckIn, Day, JobWithLog, Shop, LearntFile, LearntState, NewEntry } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { inTransaction } from '../db/pool';
import { project } from '../cards/project';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { learnerOf } from '../testing/learner';
import { askedWith, signedIn } from '../testing/signedIn';
import type { Learner } from './learner';
import { readLearnt, reckoned } from './read';

let bench: TestBench;
let told = 0;
let learner: Learner;
beforeAll(async () => {
  bench = await openBench();
  learner = learnerOf(bench.pool, () => told++);
});
afterAll(async () => {
  await learner.stop();
  await bench.close();
});

const put = (path: string, body: unknown, method = 'PUT'): Promise<Response> =>
  Promise.resolve(
    bench.app.request(path, {
      method,
      headers: { 'content-type': 'application/json' },
      ...(method === 'PUT' && { body: JSON.stringify(body) }),
    }),
  );
const state = async (): Promise<LearntState> =>
  (await (await bench.app.request('/api/learnt')).json()) as LearntState;
const entry = (kind: string, body: object, more: object = {}): NewEntry =>
  ({ ...note(''), id: randomUUID(), kind, body, ...more }) as unknown as NewEntry;

/** A saw that came in and went home with this found on it. */
async function closed(
  cause: 'coil' | 'vent',
  more: Partial<CheckIn> = {},
): Promise<{ jobId: string; found: string }> {
  const checkIn = { ...aCheckIn(), ...more };
  checkIn.entries = [entry('complaint', { complaint: cause === 'coil' ? 'no-fire' : 'fades-under-way' })];
  expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
  const seen =
    cause === 'coil'
      ? entry('repair', { cause: 'coil-failed', outcome: 'cured' })
      : entry('finding', { check: 'tank-vent', result: 'blocked', sureness: 'sure' });
  const entries = [
    ...(cause === 'coil' ? [entry('verdict', { settles: 'coil-failed' })] : []),
    seen,
    entry('stage', { stage: 'closed', reason: 'fetched' }),
  ];
  const added = await post(bench.app, `/api/jobs/${checkIn.jobId}/entries`, { entries });
  expect(added.status, await added.clone().text()).toBe(201);
  return { jobId: checkIn.jobId, found: seen.id };
}
/** What was done minutes after ten on a day, on the log of that job, which is closed at the end. */
async function timed(
  app: TestBench['app'],
  jobId: string,
  day: string,
  done: readonly (readonly [minutes: number, kind: string, body: object])[],
): Promise<void> {
  const entries = [
    ...done,
    [done.at(-1)![0] + 1, 'stage', { stage: 'closed', reason: 'fetched' }] as const,
  ].map(([minutes, kind, body]) =>
    entry(kind, body, {
      notedAt: new Date(Date.parse(`${day}T10:00:00.000Z`) + minutes * 60_000).toISOString(),
    }),
  );
  const added = await post(app, `/api/jobs/${jobId}/entries`, { entries });
  expect(added.status, await added.clone().text()).toBe(201);
}
const SMELT = { check: 'fuel-smell', result: 'fresh', sureness: 'sure' };
const lessons = async () =>
  (
    await bench.pool.query<{
      job_id: string;
      counts: number;
      found: string[];
      taught: { found: object } | null;
    }>('SELECT job_id, counts, found, taught FROM lesson ORDER BY job_id')
  ).rows;
const lessonOf = async (jobId: string) => (await lessons()).find((l) => l.job_id === jobId);
const foundIn = async (cause: 'coil-failed' | 'tank-vent-blocked'): Promise<number> =>
  (await state()).learnt.shop.causes[cause]?.found ?? 0;

describe('closed jobs', () => {
  it('teach what was found on them, in the background, and every bench is told once the odds have moved', async () => {
    for (let n = 0; n < 14; n++) await closed('coil');
    expect((await state()).learnt.shop.counts).toBe(0);
    await learner.learn();
    const { learnt, counts } = await state();
    expect(counts).toBe(true);
    expect(learnt.shop.counts).toBe(14 * 400);
    expect(learnt.shop.causes['coil-failed']!.factor).toBeGreaterThan(1.2);
    expect(told).toBe(1);
    // Nothing new: nobody is told again.
    await learner.learn();
    expect(told).toBe(1);
  });

  it('move the odds of the next one that comes in, and can be switched off by the lead', async () => {
    const checkIn = { ...aCheckIn(), entries: [entry('complaint', { complaint: 'no-fire' })] };
    const job = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as JobWithLog;
    expect(job.learnt).toMatchObject({ counts: 14 * 400 });
    const technician = await signedIn(bench.pool, 'technician');
    const refused = await bench.out.request('/api/learnt', {
      method: 'PUT',
      headers: { 'content-type': 'application/json', cookie: technician.cookie },
      body: '{"counts":false}',
    });
    expect(refused.status).toBe(403);
    expect((await put('/api/learnt', { counts: false })).status).toBe(200);
    const again = (await (await bench.app.request(`/api/jobs/${checkIn.jobId}`)).json()) as JobWithLog;
    expect(again.learnt).toBeUndefined();
    await put('/api/learnt', { counts: true });
    const done = (await (await bench.app.request('/api/done')).json()) as { what: string; about: object }[];
    expect(done.slice(0, 2).map(({ what, about }) => [what, about])).toEqual([
      ['learning', { counts: true }],
      ['learning', { counts: false }],
    ]);
  });

  it('teach the minutes of repairs, which the quote and the day take', async () => {
    expect(((await (await bench.app.request('/api/shop')).json()) as Shop).pace).toBeUndefined();
    for (let n = 0; n < 6; n++) {
      const { jobId } = await closed('coil');
      await timed(bench.app, jobId, '2026-05-06', [
        [0, 'finding', SMELT],
        [20, 'repair', { cause: 'plug-lead-loose', outcome: 'cured' }],
      ]);
    }
    await learner.learn();
    const { minutes } = await state();
    expect(minutes.shop['plug-lead-loose']?.times).toBe(6);
    const { pace } = (await (await bench.app.request('/api/shop')).json()) as Shop;
    expect(pace?.['plug-lead-loose']).toBe(minutes.shop['plug-lead-loose']!.factor);
    expect(pace?.['plug-lead-loose']).toBeGreaterThan(1.2);
    expect(pace).not.toHaveProperty('fuel-look');
    await put('/api/learnt', { counts: false });
    expect(((await (await bench.app.request('/api/shop')).json()) as Shop).pace).toBeUndefined();
    await put('/api/learnt', { counts: true });
  });

  it('teach the minutes of checks, by whoever made them', async () => {
    for (let n = 0; n < 6; n++) {
      const { jobId } = await closed('coil');
      await timed(bench.app, jobId, '2026-05-05', [
        [0, 'finding', SMELT],
        [4, 'finding', { check: 'fuel-look', result: 'clear-dyed', sureness: 'sure' }],
      ]);
    }
    await learner.learn();
    const { minutes } = await state();
    // Picked up and looked at takes two by the trade; it took four.
    expect(minutes.shop['fuel-look']).toMatchObject({ times: 6 });
    expect(minutes.shop['fuel-look']!.factor).toBeGreaterThan(1.3);
    const { jobId } = await closed('coil');
    const job = (await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as JobWithLog;
    expect(job.paces?.shop['fuel-look']).toBe(minutes.shop['fuel-look']!.factor);
    await put('/api/learnt', { counts: false });
    const off = (await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as JobWithLog;
    expect(off.paces).toBeUndefined();
    await put('/api/learnt', { counts: true });
    await learner.learn();
  });

  it('take a struck verdict back: striking equals never', async () => {
    const before = JSON.stringify(await state());
    const { jobId, found } = await closed('vent');
    await learner.learn();
    expect(await foundIn('tank-vent-blocked')).toBe(400);
    await post(bench.app, `/api/jobs/${jobId}/entries`, {
      entries: [entry('strike', { reason: 'misread' }, { strikes: found })],
    });
    await learner.learn();
    expect(await lessonOf(jobId)).toBeUndefined();
    expect(JSON.stringify(await state())).toBe(before);
  });

  it('a comeback with the same takes the lesson back; one that comes in autumn does not', async () => {
    const comesBack = async (notedAt: string): Promise<string> => {
      const { jobId } = await closed('vent');
      const { job } = (await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as JobWithLog;
      const back = await post(bench.app, '/api/jobs', {
        jobId: randomUUID(),
        customer: { id: job.customer.id },
        machine: { id: job.machine.id },
        entries: [entry('complaint', { complaint: 'fades-under-way' }, { notedAt })],
      });
      expect(back.status, await back.clone().text()).toBe(201);
      await learner.learn();
      return jobId;
    };
    const soon = await comesBack('2026-06-01T10:00:00.000Z');
    expect((await lessonOf(soon))?.taught).toBeNull();
    expect(await foundIn('tank-vent-blocked')).toBe(0);
    const late = await comesBack('2026-09-01T10:00:00.000Z');
    expect((await lessonOf(late))?.taught).not.toBeNull();
    expect(await foundIn('tank-vent-blocked')).toBe(400);
  });

  it('the same logs come to the same in another process, to the last digit', async () => {
    const kept = await lessons();
    const known = JSON.stringify(await state());
    await bench.pool.query('TRUNCATE lesson, to_learn, tally, tallied');
    const { rows } = await bench.pool.query<{ id: string }>('SELECT id FROM job ORDER BY random()');
    await inTransaction(bench.pool, (client) =>
      project(
        client,
        rows.map((r) => r.id),
      ),
    );
    // Two at once do no harm.
    const other = learnerOf(bench.pool);
    await Promise.all([learner.learn(), other.learn()]);
    await other.stop();
    expect(await lessons()).toEqual(kept);
    expect(JSON.stringify(await state())).toBe(known);
  });
});

describe('between shops', () => {
  it('counts go by file, without people, and count as much as they are said to; twice is once', async () => {
    const file = (await (await bench.app.request('/api/learnt/file')).json()) as LearntFile;
    expect(JSON.stringify(file)).not.toMatch(/Odile|Farrant|5e0c|serial/);
    const own = await put('/api/learnt/elsewhere', { name: 'Ourselves', weight: 50, file });
    expect([own.status, await own.json()]).toEqual([
      400,
      { error: 'file is this shop’s own: its jobs count already.' },
    ]);
    const before = (await state()).learnt.shop.counts;
    const theirs = { ...file, shop: randomUUID() };
    const taken = async (weight: number) =>
      put('/api/learnt/elsewhere', { name: 'Fen Mill', weight, file: theirs });
    expect((await taken(50)).status).toBe(200);
    const once = await state();
    expect(once.learnt.shop.counts).toBe(Math.round(before * 1.5));
    expect(once.elsewhere).toMatchObject([{ name: 'Fen Mill', weight: 50, shop: theirs.shop }]);
    await taken(50);
    expect((await state()).learnt).toEqual(once.learnt);
    expect((await put(`/api/learnt/elsewhere/${theirs.shop}`, {}, 'DELETE')).status).toBe(200);
    expect((await state()).learnt.shop.counts).toBe(before);
    expect((await put(`/api/learnt/elsewhere/${theirs.shop}`, {}, 'DELETE')).status).toBe(404);
  });

  it.each([
    [{ name: '', weight: 50 }, 'name is not allowed to be empty'],
    [{ name: 'x', weight: 0 }, 'weight must be'],
    [{ name: 'x', weight: 50, file: { format: 'another' } }, 'file.format must be'],
    [
      {
        name: 'x',
        weight: 50,
        file: {
          format: 'rusty-wren-learnt/1',
          shop: randomUUID(),
          tallies: { groups: { a: { counts: 1, found: { 'no-such-cause': 1 }, expected: {} } }, models: {} },
        },
      },
      'no-such-cause',
    ],
    [
      {
        name: 'x',
        weight: 50,
        file: {
          format: 'rusty-wren-learnt/1',
          shop: randomUUID(),
          tallies: { groups: { a: { counts: -1, found: {}, expected: {} } }, models: {} },
        },
      },
      'counts must be',
    ],
  ])('a bad file is refused with what is wrong: %j', async (body, says) => {
    const answer = await put('/api/learnt/elsewhere', body);
    expect([answer.status, ((await answer.json()) as { error: string }).error]).toEqual([
      400,
      expect.stringContaining(says),
    ]);
    expect((await state()).elsewhere).toEqual([]);
  });
});

describe('minutes of hands', () => {
  it('teach openings, and somebody’s own minutes: a job is reckoned with those of whoever has it in hand', async () => {
    const technician = await signedIn(bench.pool, 'technician');
    const theirs = askedWith(bench.app, technician.cookie);
    let last = '';
    for (let n = 0; n < 9; n++) {
      const { jobId } = await closed('vent');
      last = jobId;
      await timed(theirs, jobId, '2026-05-07', [
        [0, 'stage', { stage: 'bench' }],
        [1.5, 'finding', SMELT],
        [1.5 + 2 * 7, 'took-off', { part: 'muffler' }],
        [60, 'put-back', { part: 'muffler' }],
      ]);
    }
    // Others take as long as the trade says, and are more.
    for (let n = 0; n < 12; n++) {
      const { jobId } = await closed('vent');
      await timed(bench.app, jobId, '2026-05-08', [
        [0, 'finding', SMELT],
        [7, 'took-off', { part: 'muffler' }],
        [60, 'put-back', { part: 'muffler' }],
      ]);
    }
    await learner.learn();
    const { minutes } = await state();
    expect(minutes.shop['muffler']).toEqual({ factor: 1, times: 21 });
    const own = minutes.own[technician.account]?.['muffler'];
    expect(own).toMatchObject({ times: 9 });
    expect(own!.factor).toBeGreaterThan(1.5);
    const job = (await (await bench.app.request(`/api/jobs/${last}`)).json()) as JobWithLog;
    expect(job.paces?.own[technician.account]).toEqual({ muffler: own!.factor });
    expect(job.paces?.shop).not.toHaveProperty('muffler');
    expect((await (await bench.app.request('/api/day')).json()) as Day).toMatchObject({ paces: job.paces });
    const known = await readLearnt(bench.pool);
    const saw = { kind: 'chainsaw', displacementCc: 45 } as const;
    const [ours, inTheirs] = [null, technician.account].map((hands) => reckoned(known, saw, '', hands));
    expect(inTheirs!.with.pace?.muffler).toBe(own!.factor);
    expect(ours!.with.pace).not.toHaveProperty('muffler');
    expect(inTheirs!.name).not.toBe(ours!.name);
  });
});
