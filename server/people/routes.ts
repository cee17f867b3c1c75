import type { Account, CustomerWithMachines, Model } from '@rusty-wren/contract';
import { Hono } from 'hono';
import type { Db, Pool } from '../db/pool';
import { understood, wordsAsked } from '../find/understood';

/** So many owners are known by heart, those who came last; so many are found by words, each with so many machines. */
const MOST = { latest: 150, found: 12, machines: 60 } as const;

/** Owners with their machines: those who came last, or those that some words find. */
async function ownersOf(db: Db, words: string | null): Promise<CustomerWithMachines[]> {
  const query = words === null ? null : (await understood(db, words)).query;
  if (words !== null && query === null) return [];
  const { rows } = await db.query<CustomerWithMachines>(
    `SELECT c.id, c.name, c.circle, c.phone,
       (SELECT coalesce(json_agg(json_build_object('id', m.id, 'kind', m.kind, 'maker', m.maker, 'model', m.model,
          'serial', m.serial, 'displacementCc', m.displacement_cc) ORDER BY m.maker, m.model), '[]')
        FROM (SELECT * FROM machine WHERE customer_id = c.id ORDER BY maker, model LIMIT ${MOST.machines}) m) AS machines
     FROM ${
       query === null
         ? `(SELECT * FROM customer WHERE id IN (
               SELECT customer_id FROM (SELECT customer_id FROM job_card WHERE stage <> 'closed'
                 UNION ALL (SELECT customer_id FROM job_card WHERE stage = 'closed' ORDER BY since DESC, job_id DESC LIMIT ${MOST.latest * 4})) lately
               LIMIT ${MOST.latest * 5})
             LIMIT ${MOST.latest})`
         : `(SELECT * FROM customer WHERE words @@ $1::tsquery ORDER BY name LIMIT ${MOST.found})`
     } c ORDER BY c.name`,
    query === null ? [] : [query],
  );
  return rows;
}

/** Who works here, whose machines come in, and of which models. */
export function peopleRoutes(pool: Pool): Hono {
  return (
    new Hono()
      // Those who work at the bench.
      .get('/accounts', async (c) => {
        const { rows } = await pool.query<Account>(
          "SELECT id, name FROM account WHERE left_at IS NULL AND role IN ('technician', 'lead') ORDER BY name",
        );
        return c.json(rows);
      })
      .get('/customers', async (c) => c.json<CustomerWithMachines[]>(await ownersOf(pool, wordsAsked(c))))
      .get('/models', async (c) => {
        const { rows } = await pool.query<Model>(
          `SELECT DISTINCT ON (lower(maker), lower(model)) maker, model, kind, displacement_cc AS "displacementCc"
         FROM machine ORDER BY lower(maker), lower(model), displacement_cc NULLS LAST LIMIT 2000`,
        );
        return c.json<Model[]>(rows);
      })
  );
}
