import { randomUUID } from 'node:crypto';
import type { BookedIn, Drawer } from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import type { Part } from '@rusty-wren/core/parts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { connect } from '../db/pool';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';
import { move, type Move } from './ledger';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

type Answer<T> = { status: number; body: T & { error?: string } };
async function send<T>(method: string, path: string, body?: unknown): Promise<Answer<T>> {
  const response = await bench.app.request(path, {
    method,
    ...(body !== undefined && {
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  });
  return { status: response.status, body: (await response.json()) as T & { error?: string } };
}
const drawer = async (job = ''): Promise<Drawer> =>
  (await send<Drawer>('GET', `/api/parts${job && `?job=${job}`}`)).body;
const stockOf = async (id: string) => {
  const { onHand, held } = (await drawer()).parts.find((p) => p.id === id)!;
  return [onHand, held];
};

/** A part of the catalogue, so many of it counted. */
async function aPart(there: number, more: Partial<Part> = {}): Promise<Part> {
  const id = randomUUID();
  const part: Part = {
    id,
    name: `Coil ${id.slice(0, 4)}`,
    code: id.slice(0, 8),
    uses: ['coil-failed'],
    fits: [],
    holds: [],
    least: 1,
    price: 38_00,
    sources: [{ name: 'Ferrel', waitDays: 3 }],
    instead: [],
    ...more,
  };
  const { status } = await send('PUT', '/api/parts', {
    parts: [part],
    ...(there > 0 && { counted: [{ id: randomUUID(), part: id, count: there }] }),
  });
  expect(status).toBe(200);
  return part;
}
async function aJob(promisedFor?: string): Promise<string> {
  const checkIn = { ...aCheckIn(), ...(promisedFor && { promisedFor }) };
  await post(bench.app, '/api/jobs', checkIn);
  return checkIn.jobId;
}
const need = (part: Part | null, what: 'reserve' | 'to-order', more: object = {}) => ({
  id: randomUUID(),
  use: 'coil-failed',
  name: 'Coil',
  count: 1,
  do: what,
  ...(part && { part: part.id }),
  ...more,
});
const logOf = async (jobId: string): Promise<Entry[]> =>
  (await send<{ entries: Entry[] }>('GET', `/api/jobs/${jobId}`)).body.entries;
const stages = async (jobId: string) =>
  (await logOf(jobId)).flatMap((e) => (e.kind === 'stage' ? [[e.body.stage, e.body.waitingFor]] : []));
const act = (id: string, what: string, more: object = {}) =>
  send<Drawer>('POST', `/api/needs/${id}/${what}`, { id: randomUUID(), ...more });

describe('the catalogue', () => {
  it('keeps parts as they were said, counts them, and has them in another’s place', async () => {
    const other = await aPart(2);
    const part = await aPart(3, {
      fits: [{ maker: 'Brakken', model: 'B45' }, { family: 'barrel/none' }],
      holds: ['inlet-needle'],
      shelf: 'B3',
      cost: 21_00,
      instead: [{ part: other.id, condition: 'Punch the lower hole' }],
      donor: { tag: 88, condition: 'strong' },
    });
    expect((await drawer()).parts.find((p) => p.id === part.id)).toEqual({ ...part, onHand: 3, held: 0 });
  });

  it('refuses by name what is none, and takes nothing of it', async () => {
    const known = await aPart(0);
    const before = await drawer();
    const one = { ...known, id: randomUUID(), code: 'other' };
    for (const [bad, says, status] of [
      [{ ...one, price: -1 }, 'parts[0].price', 400],
      [{ ...one, uses: ['spark'] }, 'parts[0].uses[0]', 400],
      [{ ...one, fits: [{ maker: 'Brakken' }] }, 'parts[0].fits[0]', 400],
      [{ ...one, fits: [{ kind: 'trimmer', family: 'barrel/none' }] }, 'parts[0].fits[0]', 400],
      [{ ...one, code: known.code }, 'is of another part', 409],
      [{ ...one, instead: [{ part: randomUUID(), condition: 'x' }] }, 'names no other part', 400],
      [{ ...one, instead: [{ part: one.id, condition: 'x' }] }, 'names no other part', 400],
    ] as const) {
      const refused = await send('PUT', '/api/parts', {
        parts: [{ ...one, id: randomUUID(), code: 'c' }, bad].slice(1),
      });
      expect([refused.status, refused.body.error?.includes(says)], says).toEqual([status, true]);
    }
    // Of two with one wrong none is taken.
    await send('PUT', '/api/parts', {
      parts: [
        { ...one, code: 'fine' },
        { ...one, id: randomUUID(), code: known.code },
      ],
    });
    expect(await drawer()).toEqual(before);
  });
});

describe('a part of a job', () => {
  it('is set aside, given back, set aside again, fitted and returned; the ledger has each line', async () => {
    const part = await aPart(1);
    const jobId = await aJob();
    const first = need(part, 'reserve');
    expect((await send('POST', `/api/jobs/${jobId}/parts`, first)).status).toBe(201);
    expect(await stockOf(part.id)).toEqual([1, 1]);
    await act(first.id, 'release');
    expect(await stockOf(part.id)).toEqual([1, 0]);
    const second = need(part, 'reserve');
    await send('POST', `/api/jobs/${jobId}/parts`, second);
    await act(second.id, 'fit');
    expect(await stockOf(part.id)).toEqual([0, 0]);
    expect((await drawer(jobId)).needs.find((n) => n.id === second.id)?.state).toBe('fitted');
    expect((await drawer()).used).toContainEqual({ part: part.id, used: 1 });
    await act(second.id, 'return');
    expect(await stockOf(part.id)).toEqual([1, 0]);
    const { rows } = await bench.pool.query<{ kind: string }>(
      'SELECT kind FROM part_move WHERE part_id = $1 ORDER BY seq',
      [part.id],
    );
    expect(rows.map((r) => r.kind)).toEqual([
      'counted',
      'reserved',
      'released',
      'reserved',
      'fitted',
      'returned',
    ]);
    // It never waited for anything.
    expect(await stages(jobId)).toEqual([]);
  });

  it('sent twice is seen to once; what cannot be done is said', async () => {
    const part = await aPart(2);
    const jobId = await aJob();
    const one = need(part, 'reserve');
    await send('POST', `/api/jobs/${jobId}/parts`, one);
    expect((await send('POST', `/api/jobs/${jobId}/parts`, one)).status).toBe(201);
    expect(await stockOf(part.id)).toEqual([2, 1]);
    const other = await send('POST', `/api/jobs/${jobId}/parts`, need(part, 'reserve'));
    expect([other.status, other.body.error]).toEqual([409, 'Somebody has seen to that part already.']);
    const id = randomUUID();
    await send('POST', `/api/needs/${one.id}/fit`, { id });
    expect((await send('POST', `/api/needs/${one.id}/fit`, { id })).status).toBe(200);
    expect(await stockOf(part.id)).toEqual([1, 0]);
    expect((await act(one.id, 'fit')).body.error).toBe('It is not set aside, so it cannot have been fitted.');
    expect((await act(one.id, 'reserve')).body.error).toBe('It is set aside already.');
    expect((await act(randomUUID(), 'fit')).status).toBe(404);
    expect((await act(one.id, 'eat')).status).toBe(404);
    expect((await act(one.id, 'return', { by: randomUUID() })).body.error).toBe(
      'by names somebody who has not signed in on this device today.',
    );
  });

  it('ten of one job are seen to at once, and none is told to come again', async () => {
    for (let round = 0; round < 4; round++) {
      const job = await aJob();
      const seen = await Promise.all(
        Array.from({ length: 10 }, (_, n) =>
          send('POST', `/api/jobs/${job}/parts`, {
            id: randomUUID(),
            name: `Screw ${n}`,
            count: 1,
            do: 'to-order',
          }),
        ),
      );
      expect(seen.map((s) => s.status)).toEqual(Array(10).fill(seen[0]!.status));
      expect(seen[0]!.status).toBeLessThan(300);
      expect((await drawer(job)).needs.filter((n) => n.jobId === job)).toHaveLength(10);
    }
  });

  it('the last one is had by one of ten who reach for it at once', async () => {
    const part = await aPart(1);
    const jobs = await Promise.all(Array.from({ length: 10 }, () => aJob()));
    const answers = await Promise.all(
      jobs.map((jobId) => send('POST', `/api/jobs/${jobId}/parts`, need(part, 'reserve'))),
    );
    expect(answers.filter((a) => a.status === 201)).toHaveLength(1);
    expect(new Set(answers.filter((a) => a.status !== 201).map((a) => a.body.error))).toEqual(
      new Set(['There are not so many free: they are set aside for other jobs.']),
    );
    expect(await stockOf(part.id)).toEqual([1, 1]);
    expect((await drawer()).needs.filter((n) => n.part === part.id)).toHaveLength(1);
  });

  it('is not counted away under those it is set aside for', async () => {
    const part = await aPart(3);
    await send('POST', `/api/jobs/${await aJob()}/parts`, need(part, 'reserve', { count: 2 }));
    const few = await send('POST', `/api/parts/${part.id}/count`, { id: randomUUID(), count: 1 });
    expect([few.status, few.body.error]).toEqual([
      409,
      '2 are set aside for jobs: release one before you count 1.',
    ]);
    await send('POST', `/api/parts/${part.id}/count`, {
      id: randomUUID(),
      count: 2,
      words: 'one was cracked',
    });
    expect(await stockOf(part.id)).toEqual([2, 2]);
  });
});

describe('an order', () => {
  it('goes from the list over its way to the shelf; the job waits for it and hangs on its hook again', async () => {
    const part = await aPart(0);
    const jobId = await aJob();
    const wanted = need(part, 'to-order', { source: 'Ferrel' });
    await send('POST', `/api/jobs/${jobId}/parts`, wanted);
    expect(await stages(jobId)).toEqual([['parts', 'Coil (to be ordered)']]);
    const order = {
      id: randomUUID(),
      part: part.id,
      count: 3,
      source: 'Ferrel',
      expected: '2026-12-01',
      needs: [wanted.id],
    };
    expect((await send('POST', '/api/parts/orders', { orders: [order] })).status).toBe(201);
    expect((await drawer()).orders).toContainEqual(
      expect.objectContaining({ id: order.id, count: 3, expected: '2026-12-01' }),
    );
    expect((await stages(jobId)).at(-1)).toEqual(['parts', 'Coil, due Tue 1 Dec']);
    const came = { id: randomUUID(), code: part.code };
    const { body } = await send<BookedIn>('POST', '/api/parts/book-in', came);
    expect(body).toMatchObject({ part: part.id, count: 3, jobs: [{ jobId, owner: 'Odile Farrant' }] });
    expect((await stages(jobId)).at(-1)).toEqual(['hook', undefined]);
    expect(await stockOf(part.id)).toEqual([3, 1]);
    // Heard twice, it came once.
    await send('POST', '/api/parts/book-in', came);
    expect(await stockOf(part.id)).toEqual([3, 1]);
    expect((await drawer()).orders.some((o) => o.id === order.id)).toBe(false);
  });

  it('a job goes back to its hook only with its last part, and what is missing of an order stays on its way', async () => {
    const [coil, plug] = [await aPart(0), await aPart(0, { uses: ['plug-failed'] })];
    const [soon, later] = [await aJob('2026-12-02'), await aJob('2026-12-20')];
    const wants = [
      [later, need(coil, 'to-order')],
      [soon, need(coil, 'to-order')],
      [soon, need(plug, 'to-order', { use: 'plug-failed', name: 'Plug' })],
    ] as const;
    for (const [jobId, one] of wants) await send('POST', `/api/jobs/${jobId}/parts`, one);
    const orders = [
      {
        id: randomUUID(),
        part: coil.id,
        count: 2,
        source: 'Ferrel',
        needs: [wants[0][1].id, wants[1][1].id],
      },
      { id: randomUUID(), part: plug.id, count: 1, source: 'Ferrel', needs: [wants[2][1].id] },
    ];
    await send('POST', '/api/parts/orders', { orders });
    // One coil comes: it is for the one promised sooner, which still waits for its plug.
    const first = await send<BookedIn>('POST', '/api/parts/book-in', {
      id: randomUUID(),
      order: orders[0]!.id,
      count: 1,
    });
    expect(first.body.jobs).toEqual([]);
    expect((await stages(soon)).at(-1)).toEqual(['parts', 'Plug']);
    const second = await send<BookedIn>('POST', '/api/parts/book-in', { id: randomUUID(), part: plug.id });
    expect(second.body.jobs.map((j) => j.jobId)).toEqual([soon]);
    const third = await send<BookedIn>('POST', '/api/parts/book-in', {
      id: randomUUID(),
      order: orders[0]!.id,
    });
    expect(third.body.jobs.map((j) => j.jobId)).toEqual([later]);
    expect(
      (await send('POST', '/api/parts/book-in', { id: randomUUID(), order: orders[0]!.id })).body.error,
    ).toBe('It was booked in already.');
  });

  it('taken back, what was wanted is on the list again; what nobody knows is not booked in', async () => {
    const part = await aPart(0);
    const jobId = await aJob();
    const wanted = need(part, 'to-order');
    await send('POST', `/api/jobs/${jobId}/parts`, wanted);
    const order = { id: randomUUID(), part: part.id, count: 1, source: '', needs: [wanted.id] };
    await send('POST', '/api/parts/orders', { orders: [order] });
    await send('DELETE', `/api/parts/orders/${order.id}`);
    expect((await drawer()).needs.find((n) => n.id === wanted.id)?.state).toBe('to-order');
    expect((await send('POST', '/api/parts/book-in', { id: randomUUID(), order: order.id })).body.error).toBe(
      'That order was taken back.',
    );
    const unknown = await send('POST', '/api/parts/book-in', { id: randomUUID(), code: 'nobody-has-it' });
    expect([unknown.status, unknown.body.error]).toEqual([
      404,
      'No part of the catalogue has the code "nobody-has-it".',
    ]);
    // No longer wanted: the job hangs on its hook again.
    await act(wanted.id, 'drop');
    expect((await stages(jobId)).at(-1)).toEqual(['hook', undefined]);
    const late = { id: randomUUID(), part: part.id, count: 1, source: '', needs: [wanted.id] };
    expect((await send('POST', '/api/parts/orders', { orders: [late] })).body.error).toBe(
      'One of the parts is not on the list any more.',
    );
    expect((await drawer()).orders.some((o) => o.id === late.id)).toBe(false);
  });

  it('put down in words, it is named once somebody knows which of the catalogue it is', async () => {
    const part = await aPart(1);
    const jobId = await aJob();
    const words = { id: randomUUID(), name: 'that long screw', count: 1, do: 'to-order' };
    await send('POST', `/api/jobs/${jobId}/parts`, words);
    const of = async () => (await drawer()).needs.find((n) => n.id === words.id);
    expect(await of()).toMatchObject({ name: 'that long screw', part: null });
    expect((await act(words.id, 'name')).body.error).toContain('part is missing');
    const unknown = await act(words.id, 'name', { part: randomUUID() });
    expect([unknown.status, unknown.body.error]).toEqual([400, 'part names none of the catalogue.']);
    await act(words.id, 'name', { part: part.id });
    expect(await of()).toMatchObject({ name: part.name, part: part.id, state: 'to-order' });
    expect((await stages(jobId)).at(-1)).toEqual(['parts', `${part.name} (to be ordered)`]);
    await act(words.id, 'reserve');
    expect((await act(words.id, 'name', { part: part.id })).body.error).toBe('It is ordered already.');
  });

  it('every bench is told', async () => {
    let told = 0;
    const leave = bench.changes.hearMoved((what) => (told += what === 'parts' ? 1 : 0));
    await aPart(1);
    await expect.poll(() => told).toBeGreaterThan(0);
    leave();
  });
});

describe('the ledger', () => {
  it('takes no change and no erasing', async () => {
    await aPart(1);
    for (const sql of [
      'UPDATE part_move SET on_hand = 9',
      'DELETE FROM part_move',
      'TRUNCATE part_move CASCADE',
    ])
      await expect(bench.pool.query(sql)).rejects.toThrow('append-only');
  });

  /** Random movements of eight clients at once, as many as LEDGER_MOVES says: 10,000 have been run. */
  const MOVES = Number(process.env['LEDGER_MOVES'] ?? 1600);
  it(`its count is the sum of its movements, and never under nothing, over ${MOVES} movements of eight clients`, async () => {
    const parts = await Promise.all([1, 2, 3].map((n) => aPart(n)));
    const jobId = await aJob();
    const needs = await Promise.all(
      parts.map(async (part) => {
        const id = randomUUID();
        await bench.pool.query(
          "INSERT INTO part_need (id, job_id, name, part_id, state) VALUES ($1, $2, 'x', $3, 'to-order')",
          [id, jobId, part.id],
        );
        return id;
      }),
    );
    const kinds: Pick<Move, 'kind' | 'onHand' | 'held'>[] = [
      { kind: 'booked-in', onHand: 2, held: 0 },
      { kind: 'counted', onHand: -1, held: 0 },
      { kind: 'counted', onHand: 0, held: 0 },
      { kind: 'reserved', onHand: 0, held: 1 },
      { kind: 'reserved', onHand: 0, held: 2 },
      { kind: 'released', onHand: 0, held: -1 },
      { kind: 'fitted', onHand: -1, held: -1 },
      { kind: 'returned', onHand: 1, held: 0 },
    ];
    const pool = connect(bench.url);
    const sums = new Map(parts.map((p, n) => [p.id, { onHand: n + 1, held: 0, lines: 1 }]));
    let refused = 0;
    const any = <T>(list: readonly T[]): T => list[Math.floor(Math.random() * list.length)]!;
    await Promise.all(
      Array.from({ length: 8 }, async () => {
        for (let i = 0; i < MOVES / 8; i++) {
          const part = any(parts);
          const what = any(kinds);
          const forNeed = ['reserved', 'released', 'fitted', 'returned'].includes(what.kind);
          const line: Move = {
            id: randomUUID(),
            part: part.id,
            ...what,
            ...(forNeed && { need: needs[parts.indexOf(part)]! }),
          };
          try {
            await move(pool, line);
            const sum = sums.get(part.id)!;
            sum.onHand += what.onHand;
            sum.held += what.held;
            sum.lines += 1;
          } catch (error) {
            expect((error as { status?: number }).status).toBe(409);
            refused += 1;
          }
        }
      }),
    );
    await pool.end();
    expect(refused).toBeGreaterThan(0);
    for (const part of parts) {
      const { onHand, held, lines } = sums.get(part.id)!;
      expect(await stockOf(part.id)).toEqual([onHand, held]);
      const { rows } = await bench.pool.query<{ n: string; least: number; over: string; broken: string }>(
        `SELECT count(*) AS n, min(on_hand_after) AS least, count(*) FILTER (WHERE held_after > on_hand_after) AS over,
           count(*) FILTER (WHERE on_hand_after <> total) AS broken
         FROM (SELECT *, sum(on_hand) OVER (ORDER BY seq) AS total FROM part_move WHERE part_id = $1) m`,
        [part.id],
      );
      expect(Number(rows[0]!.n)).toBe(lines);
      expect(rows[0]!.least).toBeGreaterThanOrEqual(0);
      expect([rows[0]!.over, rows[0]!.broken]).toEqual(['0', '0']);
    }
  });
});
