import { randomUUID } from 'node:crypto';
import type { CheckIn, OwnerLife, RackTag } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { withoutOwner } from './forget';

describe('a text without its owner', () => {
  const without = withoutOwner('Odile Farrant', '01234 567-890');
  it.each([
    ['Odile Farrant rang', 'the owner rang'],
    ['ODILE  farrant rang', 'the owner rang'],
    ['Mrs Farrant’s saw', 'Mrs the owner’s saw'],
    ['ring 01234 567-890 on Friday', 'ring the owner on Friday'],
    ['a farrant is a bird, Farrantly', 'a farrant is a bird, Farrantly'],
    ['', ''],
  ])('%j', (text, left) => {
    expect(without(text)).toBe(left);
  });
  it('a name that is a pattern, or very short, changes nothing else', () => {
    expect(withoutOwner('.* (x', null)('abc .* (x d')).toBe('abc the owner d');
    expect(withoutOwner('Al', null)('Al Also')).toBe('Al Also');
  });
});

describe('taking an owner out', () => {
  let bench: TestBench;
  const hash = 'ab'.repeat(32);
  beforeAll(async () => {
    bench = await openBench();
  });
  afterAll(() => bench.close());

  /** A machine checked in, worked and handed back, with its owner named wherever one can be. */
  async function closedJob(owner: CheckIn['customer']): Promise<{ jobId: string; customer: string }> {
    const checkIn = { ...aCheckIn(), customer: owner };
    const answer = (await (await post(bench.app, '/api/jobs', checkIn)).json()) as RackTag;
    const { jobId } = checkIn;
    await bench.pool.query(
      `INSERT INTO attachment (hash, type, width, height, bytes) VALUES ($1, 'image/png', 4, 3, 'x') ON CONFLICT DO NOTHING`,
      [hash],
    );
    await bench.pool.query('INSERT INTO job_attachment (job_id, hash) VALUES ($1, $2)', [jobId, hash]);
    const entries = [
      { ...note('Quill Thornback rang from 0777 123 999; Thornback wants it Friday'), kind: 'note' },
      { ...note(''), kind: 'finding', body: { check: 'spark-tester', result: 'weak', sureness: 'sure' } },
      {
        ...note(''),
        kind: 'decision',
        body: { choice: 'bare', by: 'Mrs Q. Thornback', how: 'counter', signature: hash },
      },
      { ...note(''), kind: 'stage', body: { stage: 'closed', reason: 'taken home by Quill Thornback' } },
    ];
    const added = await post(bench.app, `/api/jobs/${jobId}/entries`, { entries });
    expect([added.status, added.status === 201 ? '' : await added.text()]).toEqual([201, '']);
    return { jobId, customer: answer.job.customer.id };
  }
  const forget = async (id: string, name: string) => {
    const response = await post(bench.app, `/api/owners/${id}/forget`, { name });
    return { status: response.status, body: (await response.json()) as { error?: string; jobs?: number } };
  };
  /** Every row of every table of the shop in which a text stands. */
  async function standsIn(text: string): Promise<string[]> {
    const { rows } = await bench.pool.query<{ name: string }>(
      "SELECT relname AS name FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind = 'r'",
    );
    const found: string[] = [];
    for (const { name } of rows) {
      const there = await bench.pool.query(`SELECT 1 FROM "${name}" t WHERE t::text ILIKE $1 LIMIT 1`, [
        `%${text}%`,
      ]);
      if (there.rowCount) found.push(name);
    }
    return found;
  }

  it('leaves their name and phone nowhere, and what was found on their machines where it was', async () => {
    const { jobId, customer } = await closedJob({
      name: 'Quill Thornback',
      circle: 'Thornbacks',
      phone: '0777 123 999',
    });
    expect(await standsIn('thornback')).toContain('bench_entry');
    expect((await forget(customer, 'Quill Thornbeck')).status).toBe(400);
    expect(await forget(customer, 'Quill Thornback')).toEqual({ status: 200, body: { jobs: 1 } });
    expect(await standsIn('thornback')).toEqual([]);
    expect(await standsIn('0777 123 999')).toEqual([]);
    expect(await standsIn(hash)).toEqual([]);
    const { entries } = (await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as {
      entries: { kind: string; body: Record<string, unknown> }[];
    };
    expect(entries.map((e) => e.body)).toEqual([
      { complaint: 'fades-under-way' },
      { text: 'the owner rang from the owner; the owner wants it Friday' },
      { check: 'spark-tester', result: 'weak', sureness: 'sure' },
      { choice: 'bare', by: 'the owner', how: 'counter' },
      { stage: 'closed', reason: 'taken home by the owner' },
    ]);
    const life = (await (await bench.app.request(`/api/owners/${customer}`)).json()) as OwnerLife;
    expect([life.owner.name, life.owner.phone, life.jobs.length]).toEqual(['Owner taken out', null, 1]);
    const found = (await (await bench.app.request('/api/find?words=thornback')).json()) as {
      owners: unknown[];
    };
    expect(found.owners).toEqual([]);
    // The log is shut again.
    await expect(bench.pool.query("UPDATE bench_entry SET body = '{}'")).rejects.toThrow('append-only');
    // Once is enough.
    expect((await forget(customer, 'Owner taken out')).status).toBe(404);
  });

  it('is not done while a job of theirs is open, and changes nothing of anybody else', async () => {
    const open = { ...aCheckIn(), customer: { name: 'Open Thornback' } };
    const { job } = (await (await post(bench.app, '/api/jobs', open)).json()) as RackTag;
    expect(await forget(job.customer.id, 'Open Thornback')).toMatchObject({
      status: 409,
      body: { error: 'A job of theirs is open: hand it back first.' },
    });
    expect(await standsIn('open thornback')).toContain('customer');
    expect((await forget(randomUUID(), 'x')).status).toBe(404);
    // A log that is written to directly stays shut, whatever is said of it.
    const client = await bench.pool.connect();
    await client.query("BEGIN; SET LOCAL wren.forgetting = 'on'");
    await expect(client.query('UPDATE bench_entry SET seq = seq + 100')).rejects.toThrow('append-only');
    await client.query('ROLLBACK');
    await client.query("BEGIN; SET LOCAL wren.forgetting = 'on'");
    await expect(client.query('DELETE FROM bench_entry')).rejects.toThrow('append-only');
    await client.query('ROLLBACK');
    client.release();
  });
});
