import { randomUUID } from 'node:crypto';
import type { BookedIn, OrdersIn } from '@rusty-wren/contract';
import type pg from 'pg';
import { refuse } from '../http/problem';
import { move } from './ledger';
import { standingsOf, type Grown } from './needs';

/** Writes orders down as they go out; the jobs they are for wait for them. An order sent twice stands once. */
export async function placeOrders(client: pg.PoolClient, { orders }: OrdersIn, now?: Date): Promise<Grown> {
  const jobs = new Set<string>();
  for (const o of orders) {
    const part = await client.query('SELECT 1 FROM part WHERE id = $1', [o.part]);
    if (part.rowCount === 0) throw refuse(400, 'part names none of the catalogue.');
    const { rowCount } = await client.query(
      `INSERT INTO part_order (id, part_id, count, source, expected_on) VALUES ($1, $2, $3, trim($4), $5)
       ON CONFLICT (id) DO NOTHING`,
      [o.id, o.part, o.count, o.source, o.expected ?? null],
    );
    if (rowCount === 0) continue;
    const { rows } = await client.query<{ job_id: string; count: number }>(
      `UPDATE part_need SET state = 'ordered', order_id = $1, part_id = $3
       WHERE id = ANY($2) AND state = 'to-order' RETURNING job_id, count`,
      [o.id, o.needs, o.part],
    );
    if (rows.length !== o.needs.length) throw refuse(409, 'One of the parts is not on the list any more.');
    if (rows.reduce((sum, r) => sum + r.count, 0) > o.count)
      throw refuse(400, 'count is less than the jobs want of it.');
    rows.forEach((r) => jobs.add(r.job_id));
  }
  return standingsOf(client, jobs, { now });
}

/** Takes an order back; what jobs wanted of it is on the list again. */
export async function cancelOrder(client: pg.PoolClient, id: string): Promise<Grown> {
  const { rows } = await client.query<{ received_at: Date | null }>(
    'SELECT received_at FROM part_order WHERE id = $1 FOR UPDATE',
    [id],
  );
  if (!rows[0]) throw refuse(404, 'No such order.');
  if (rows[0].received_at) throw refuse(409, 'It has come already.');
  await client.query('UPDATE part_order SET cancelled_at = coalesce(cancelled_at, now()) WHERE id = $1', [
    id,
  ]);
  const needs = await client.query<{ job_id: string }>(
    `UPDATE part_need SET state = 'to-order', order_id = NULL WHERE order_id = $1 AND state = 'ordered' RETURNING job_id`,
    [id],
  );
  return standingsOf(
    client,
    needs.rows.map((n) => n.job_id),
  );
}

interface OpenOrder {
  id: string;
  part_id: string;
  count: number;
  received_at: Date | null;
  cancelled_at: Date | null;
}

/** What came: an order by its id; else a part, by the oldest order of it that is on its way, or without one. */
async function whatCame(
  client: pg.PoolClient,
  came: { order?: string; code?: string; part?: string },
): Promise<{ part: string; order: OpenOrder | null }> {
  const columns = 'id, part_id, count, received_at, cancelled_at';
  if (came.order) {
    const { rows } = await client.query<OpenOrder>(
      `SELECT ${columns} FROM part_order WHERE id = $1 FOR UPDATE`,
      [came.order],
    );
    if (!rows[0]) throw refuse(404, 'No such order.');
    return { part: rows[0].part_id, order: rows[0] };
  }
  const part = await client.query<{ id: string }>(
    'SELECT id FROM part WHERE code = trim($1) OR id::text = $2',
    [came.code ?? null, came.part ?? null],
  );
  const id = part.rows[0]?.id;
  if (!id)
    throw refuse(404, came.code ? `No part of the catalogue has the code "${came.code}".` : 'No such part.');
  const { rows } = await client.query<OpenOrder>(
    `SELECT ${columns} FROM part_order WHERE part_id = $1 AND received_at IS NULL AND cancelled_at IS NULL
     ORDER BY expected_on NULLS LAST, ordered_at LIMIT 1 FOR UPDATE`,
    [id],
  );
  return { part: id, order: rows[0] ?? null };
}

/**
 * Books in what came: it lies in the drawer, what jobs wanted of it is set aside for them (the soonest promised first), and a job
 * whose last part this was hangs on its hook again. Sent twice, it is booked in once.
 */
export async function bookIn(
  client: pg.PoolClient,
  came: { id: string; order?: string; code?: string; part?: string; count?: number; by?: string },
): Promise<{ booked: BookedIn; grown: Grown }> {
  const { part, order } = await whatCame(client, came);
  const count = came.count ?? order?.count ?? 1;
  const before = await client.query('SELECT 1 FROM part_move WHERE id = $1', [came.id]);
  if (before.rowCount) return { booked: { part, count, jobs: [] }, grown: [] };
  if (order?.received_at) throw refuse(409, 'It was booked in already.');
  if (order?.cancelled_at) throw refuse(409, 'That order was taken back.');
  await move(client, {
    id: came.id,
    part,
    kind: 'booked-in',
    onHand: count,
    held: 0,
    ...(order && { order: order.id }),
    ...(came.by && { by: came.by }),
  });
  if (!order) return { booked: { part, count, jobs: [] }, grown: [] };
  // What is missing of an order stays on its way.
  if (count < order.count)
    await client.query('UPDATE part_order SET count = count - $2 WHERE id = $1', [order.id, count]);
  else await client.query('UPDATE part_order SET received_at = now() WHERE id = $1', [order.id]);
  const needs = await client.query<{ id: string; job_id: string; count: number; tag: number; owner: string }>(
    `SELECT n.id, n.job_id, n.count, j.tag, c.name AS owner FROM part_need n
     JOIN job j ON j.id = n.job_id JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id
     WHERE n.order_id = $1 AND n.state = 'ordered' ORDER BY j.promised_for NULLS LAST, n.at FOR UPDATE OF n`,
    [order.id],
  );
  let left = count;
  const jobs = new Map<string, BookedIn['jobs'][number]>();
  for (const need of needs.rows) {
    if (need.count > left) continue;
    left -= need.count;
    await move(client, {
      id: randomUUID(),
      part,
      kind: 'reserved',
      onHand: 0,
      held: need.count,
      need: need.id,
      ...(came.by && { by: came.by }),
    });
    await client.query("UPDATE part_need SET state = 'reserved' WHERE id = $1", [need.id]);
    jobs.set(need.job_id, { jobId: need.job_id, tag: need.tag, owner: need.owner });
  }
  const grown = await standingsOf(client, jobs.keys(), { by: came.by });
  const onHooks = grown.flatMap(({ jobId, entries }) =>
    entries.some((e) => e.kind === 'stage' && e.body.stage === 'hook') ? (jobs.get(jobId) ?? []) : [],
  );
  return { booked: { part, count, jobs: onHooks }, grown };
}
