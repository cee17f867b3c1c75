import { ownOrderSchema, type OwnOrder } from '@rusty-wren/contract';
import { Hono } from 'hono';
import type { Pool } from '../db/pool';
import { deed } from '../access/audit';
import { checkedBody } from '../http/problem';

/** The shop's own order of first checks: one for the shop, the newest counts. */
export function orderRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/', async (c) => {
      const { rows } = await pool.query<OwnOrder>('SELECT checks FROM own_order ORDER BY n DESC LIMIT 1');
      return c.json<OwnOrder>(rows[0] ?? { checks: [] });
    })
    .put('/', async (c) => {
      const { checks } = await checkedBody<OwnOrder>(c, ownOrderSchema);
      await deed(pool, c, async (db, note) => {
        await db.query('INSERT INTO own_order (checks) VALUES ($1)', [checks]);
        await note('own-order', { checks });
      });
      return c.json<OwnOrder>({ checks });
    });
}
