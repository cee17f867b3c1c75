import { USED_DAYS, type Drawer, type PartsIn } from '@rusty-wren/contract';
import type { Part } from '@rusty-wren/core/parts';
import type pg from 'pg';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';
import { count } from './ledger';
import { needOf, orderOf, partOf, type NeedRow, type OrderRow, type PartRow } from './rows';

const NEEDS = `
  SELECT n.id, n.job_id, n.use, n.name, n.part_id, n.count, n.state, coalesce(o.source, n.source) AS source, o.expected_on,
         j.tag, c.name AS owner, m.maker, m.model, j.promised_for
  FROM part_need n
  LEFT JOIN part_order o ON o.id = n.order_id
  JOIN job j ON j.id = n.job_id JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id`;

/** The catalogue with its stock, orders on their way, and what jobs have of them that is not fitted or is of this job. */
export async function readDrawer(db: Db, jobId: string | null): Promise<Drawer> {
  const parts = await db.query<PartRow>(
    `SELECT p.*, s.on_hand, s.held,
       (SELECT coalesce(json_agg(json_build_object('part', i.other_id, 'condition', i.condition) ORDER BY i.other_id), '[]')
        FROM part_instead i WHERE i.part_id = p.id) AS instead
     FROM part p JOIN part_stock s ON s.part_id = p.id ORDER BY lower(p.name), p.id`,
  );
  const orders = await db.query<OrderRow>(
    `SELECT * FROM part_order WHERE received_at IS NULL AND cancelled_at IS NULL ORDER BY expected_on NULLS LAST, ordered_at`,
  );
  const needs = await db.query<NeedRow>(
    `${NEEDS} WHERE n.state IN ('to-order', 'ordered', 'reserved') OR (n.job_id = $1 AND n.state <> 'dropped') ORDER BY j.tag, n.at`,
    [jobId],
  );
  const used = await db.query<{ part: string; used: number }>(
    `SELECT part_id AS part, -sum(CASE WHEN kind = 'returned' THEN -on_hand ELSE on_hand END)::int AS used FROM part_move
     WHERE kind IN ('fitted', 'returned') AND at > now() - make_interval(days => $1) GROUP BY part_id`,
    [USED_DAYS],
  );
  return {
    parts: parts.rows.map(partOf),
    orders: orders.rows.map(orderOf),
    needs: needs.rows.map(needOf),
    used: used.rows,
  };
}

const writePart = (client: pg.PoolClient, p: Part): Promise<unknown> =>
  client.query(
    `INSERT INTO part (id, name, code, uses, fits, holds, shelf, least, price, cost, sources, donor)
     VALUES ($1, trim($2), trim($3), $4, $5, $6, trim($7), $8, $9, $10, $11, $12)
     ON CONFLICT (id) DO UPDATE SET name = EXCLUDED.name, code = EXCLUDED.code, uses = EXCLUDED.uses, fits = EXCLUDED.fits,
       holds = EXCLUDED.holds, shelf = EXCLUDED.shelf, least = EXCLUDED.least, price = EXCLUDED.price, cost = EXCLUDED.cost,
       sources = EXCLUDED.sources, donor = EXCLUDED.donor, at = now()`,
    [
      p.id,
      p.name,
      p.code ?? null,
      p.uses,
      JSON.stringify(p.fits),
      p.holds,
      p.shelf ?? null,
      p.least,
      p.price,
      p.cost ?? null,
      JSON.stringify(p.sources),
      p.donor ? JSON.stringify(p.donor) : null,
    ],
  );

/** Takes parts into the catalogue, each new or in place of the one with its id, and counts them where the sender has. */
export async function takeParts(client: pg.PoolClient, { parts, counted = [] }: PartsIn): Promise<void> {
  for (const part of parts) {
    const { rows } = await client.query<{ name: string }>(
      'SELECT name FROM part WHERE code = trim($1) AND id <> $2',
      [part.code ?? null, part.id],
    );
    if (rows[0]) throw refuse(409, `code "${part.code}" is of another part: ${rows[0].name}.`);
    await writePart(client, part);
  }
  for (const part of parts) {
    await client.query('DELETE FROM part_instead WHERE part_id = $1', [part.id]);
    for (const { part: other, condition } of part.instead) {
      const known = await client.query('SELECT 1 FROM part WHERE id = $1', [other]);
      if (known.rowCount === 0 || other === part.id)
        throw refuse(400, `instead of "${part.name}" names no other part of the catalogue.`);
      await client.query(
        'INSERT INTO part_instead (part_id, other_id, condition) VALUES ($1, $2, trim($3))',
        [part.id, other, condition],
      );
    }
  }
  for (const { id, part, count: there } of counted) await count(client, { id, part, there });
}
