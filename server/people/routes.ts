import type { Account, CustomerWithMachines, Machine } from '@rusty-wren/contract';
import { Hono } from 'hono';
import type { Pool } from '../db/pool';

interface OwnerRow {
  id: string;
  name: string;
  circle: string | null;
  phone: string | null;
  machines: Machine[];
}

/** Who works here, and whose machines come in. */
export function peopleRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/accounts', async (c) => {
      const { rows } = await pool.query<Account>('SELECT id, name FROM account ORDER BY name');
      return c.json(rows);
    })
    .get('/customers', async (c) => {
      const { rows } = await pool.query<OwnerRow>(
        `SELECT c.id, c.name, c.circle, c.phone,
           coalesce(json_agg(json_build_object('id', m.id, 'kind', m.kind, 'maker', m.maker, 'model', m.model,
             'serial', m.serial, 'displacementCc', m.displacement_cc) ORDER BY m.maker, m.model)
             FILTER (WHERE m.id IS NOT NULL), '[]') AS machines
         FROM customer c LEFT JOIN machine m ON m.customer_id = c.id
         GROUP BY c.id ORDER BY c.name`,
      );
      return c.json<CustomerWithMachines[]>(rows);
    });
}
