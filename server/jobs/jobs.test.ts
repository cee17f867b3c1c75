import { randomUUID } from 'node:crypto';
import type { ClosedPage, JobWithLog, NewEntry, RackTag } from '@rusty-wren/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
let jobId: string;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());
beforeEach(async () => {
  const checkIn = aCheckIn();
  jobId = checkIn.jobId;
  expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
});

const log = async (id = jobId): Promise<JobWithLog> =>
  (await bench.app.request(`/api/jobs/${id}`)).json() as Promise<JobWithLog>;
const add = (...entries: unknown[]) => post(bench.app, `/api/jobs/${jobId}/entries`, { entries });
const problem = async (response: Response): Promise<string> =>
  ((await response.json()) as { error: string }).error;

describe('check-in', () => {
  it('makes owner, machine, job and first entries at once', async () => {
    const { job, entries } = await log();
    expect(job).toMatchObject({
      customer: { name: 'Odile Farrant' },
      machine: { maker: 'Brakken', model: 'B45', displacementCc: 45 },
    });
    expect(job.tag).toBeGreaterThan(100);
    expect(entries).toMatchObject([{ seq: 1, kind: 'complaint' }]);
  });

  it('sent twice makes one job', async () => {
    const checkIn = aCheckIn();
    const first = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as JobWithLog;
    const again = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as JobWithLog;
    expect(again).toEqual(first);
  });

  it('of a machine that hangs already takes nothing new, whoever sends it', async () => {
    const checkIn = aCheckIn();
    const first = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as JobWithLog;
    const more = { ...checkIn, entries: [...checkIn.entries, note('and it smokes')] };
    const response = await post(bench.app, '/api/jobs', more);
    expect(response.status).toBe(409);
    expect(await problem(response)).toContain('hangs on the rack already');
    const { entries } = (await (await bench.app.request(`/api/jobs/${checkIn.jobId}`)).json()) as JobWithLog;
    expect(entries).toEqual(first.entries);
  });

  it('changes nothing when any part of it is wrong', async () => {
    const count = async () =>
      (await bench.pool.query('SELECT (SELECT count(*) FROM customer) c, (SELECT count(*) FROM job) j')).rows;
    const before = await count();
    const stray = { ...aCheckIn(), machine: { id: randomUUID() } };
    const response = await post(bench.app, '/api/jobs', stray);
    expect(response.status).toBe(400);
    expect(await problem(response)).toBe('machine.id names no machine of that owner.');
    expect(await count()).toEqual(before);
  });

  it('takes a known owner’s known machine, and not another’s', async () => {
    const { job } = await log();
    const again = { ...aCheckIn(), customer: { id: job.customer.id }, machine: { id: job.machine.id } };
    expect((await post(bench.app, '/api/jobs', again)).status).toBe(201);
    const other = { ...aCheckIn(), customer: { id: randomUUID() } };
    expect(await problem(await post(bench.app, '/api/jobs', other))).toContain('customer.id');
  });
});

describe('the log', () => {
  it('numbers entries in the order they came', async () => {
    await add(note('one'), note('two'));
    await add(note('three'));
    expect((await log()).entries.map((e) => e.seq)).toEqual([1, 2, 3, 4]);
  });

  it('takes the same entry twice as once', async () => {
    const entry = note('once');
    const first = await (await add(entry)).json();
    const again = await (await add(entry)).json();
    expect(again).toEqual(first);
    expect((await log()).entries).toHaveLength(2);
  });

  it('refuses an id that belongs to another job', async () => {
    const [first] = (await log()).entries;
    const checkIn = aCheckIn();
    await post(bench.app, '/api/jobs', checkIn);
    const response = await post(bench.app, `/api/jobs/${checkIn.jobId}/entries`, {
      entries: [{ ...note('x'), id: first?.id }],
    });
    expect(response.status).toBe(409);
  });

  it('is never changed or erased: the database itself refuses', async () => {
    for (const sql of [
      "UPDATE bench_entry SET body = '{}'",
      'DELETE FROM bench_entry',
      'TRUNCATE bench_entry CASCADE',
    ]) {
      await expect(bench.pool.query(sql), sql).rejects.toThrow('append-only');
    }
    expect((await log()).entries).toHaveLength(1);
  });

  it('loses nothing when many add at once', async () => {
    const sent = Array.from({ length: 24 }, (_, i) => note(`hand ${i}`));
    const answers = await Promise.all(sent.map((entry) => add(entry)));
    expect(answers.map((r) => r.status)).toEqual(sent.map(() => 201));
    const { entries } = await log();
    expect(entries.map((e) => e.seq)).toEqual(Array.from({ length: 25 }, (_, i) => i + 1));
    expect(new Set(entries.map((e) => e.id))).toEqual(new Set([entries[0]?.id, ...sent.map((e) => e.id)]));
  });

  it('strikes only what is on the same job', async () => {
    const [complaint] = (await log()).entries;
    const strike = (strikes: string | undefined): NewEntry => ({
      id: randomUUID(),
      notedAt: '2026-05-04T10:00:00.000Z',
      kind: 'strike',
      strikes: strikes ?? '',
      body: { reason: 'misheard' },
    });
    expect((await add(strike(complaint?.id))).status).toBe(201);
    const response = await add(strike(randomUUID()));
    expect(response.status).toBe(400);
    expect(await problem(response)).toBe('entries[0].strikes names no entry of this job.');
  });

  it('keeps a batch whole: one bad entry and none is logged', async () => {
    const response = await add(note('fine'), { ...note('later'), notedAt: '2199-01-01T00:00:00.000Z' });
    expect(await problem(response)).toBe('entries[1].notedAt lies in the future.');
    expect((await log()).entries).toHaveLength(1);
  });
});

describe('bad bodies get 400 with field and reason', () => {
  it.each([
    [{ entries: [{ ...note('x'), kind: 'gossip' }] }, 'entries[0].kind must be one of'],
    [{ entries: [{ ...note('x'), body: { text: 7 } }] }, 'entries[0].body.text must be a string'],
    [
      { entries: [{ ...note('x'), by: randomUUID() }] },
      'entries[0].by names somebody who has not signed in on this device today',
    ],
    [{ entries: [] }, 'entries must contain at least 1'],
    [{}, 'entries is required'],
    ['text', 'must be of type object'],
  ])('%j', async (body, says) => {
    const response = await post(bench.app, `/api/jobs/${jobId}/entries`, body);
    expect(response.status).toBe(400);
    expect(await problem(response)).toContain(says);
  });

  it('broken JSON, a form post, an over-long body and unknown addresses', async () => {
    const path = `/api/jobs/${jobId}/entries`;
    const send = async (body: string, type: string, to = path) =>
      bench.app.request(to, { method: 'POST', headers: { 'content-type': type }, body });
    expect(await problem(await send('{', 'application/json'))).toBe('The body is not JSON.');
    expect(await problem(await send('a=1', 'application/x-www-form-urlencoded'))).toContain(
      'application/json',
    );
    expect(await problem(await send('x'.repeat(600_000), 'application/json'))).toContain('too large');
    expect((await send('{}', 'application/json', '/api/jobs/none/entries')).status).toBe(404);
    expect((await bench.app.request(`/api/jobs/${randomUUID()}`)).status).toBe(404);
    expect((await bench.app.request('/api/jobs?show=all')).status).toBe(400);
    expect((await bench.app.request('/api/nowhere')).status).toBe(404);
  });
});

describe('the rack', () => {
  const rack = async (show = 'open'): Promise<RackTag[]> =>
    (await bench.app.request(`/api/jobs?show=${show}`))
      .json()
      .then((answer: RackTag[] | ClosedPage) => ('tags' in answer ? answer.tags : answer));
  const mine = (tags: RackTag[]): RackTag | undefined => tags.find((t) => t.job.id === jobId);

  it('works every tag out from its log, again as it grows', async () => {
    expect(mine(await rack())).toMatchObject({
      stage: 'hook',
      complaints: ['fades-under-way'],
      entryCount: 1,
    });
    await add({
      ...note('x'),
      kind: 'finding',
      body: { check: 'tank-vent', result: 'blocked', sureness: 'sure' },
    });
    expect(mine(await rack())).toMatchObject({ lead: { cause: 'tank-vent-blocked' }, entryCount: 2 });
  });

  it('is not closed unfinished without a written reason', async () => {
    const refused = await add({ ...note('x'), kind: 'stage', body: { stage: 'closed' } });
    expect(refused.status).toBe(400);
    expect(await problem(refused)).toContain('reason is missing, and the job is not finished: No cause');
    expect(mine(await rack())).toBeDefined();
  });

  it('moves closed jobs out of sight, and back when reopened', async () => {
    await add({ ...note('x'), kind: 'stage', body: { stage: 'closed', reason: 'owner took it' } });
    expect(mine(await rack())).toBeUndefined();
    expect(mine(await rack('closed'))).toBeDefined();
    await add({ ...note('y'), kind: 'stage', body: { stage: 'bench' } });
    expect(mine(await rack())).toMatchObject({ stage: 'bench' });
  });
});
