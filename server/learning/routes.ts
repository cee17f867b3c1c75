import { countsSchema, takenInSchema, type LearntState, type TakenIn } from '@rusty-wren/contract';
import { Hono } from 'hono';
import { deed } from '../access/audit';
import type { Pool } from '../db/pool';
import { checkedBody, pathId, refuse } from '../http/problem';
import { learntFile, readLearnt, shopsElsewhere } from './read';

/** What closed jobs have taught, whether they count, and what other shops' have. `changed`: every bench is told. */
export function learningRoutes(pool: Pool, changed: () => Promise<unknown>): Hono {
  const state = async (): Promise<LearntState> => {
    const { counts, learnt, minutes } = await readLearnt(pool);
    return { counts, learnt, minutes, elsewhere: await shopsElsewhere(pool) };
  };
  return new Hono()
    .get('/', async (c) => c.json(await state()))
    .put('/', async (c) => {
      const { counts } = await checkedBody<{ counts: boolean }>(c, countsSchema);
      await deed(pool, c, async (db, note) => {
        await db.query('INSERT INTO learning (counts) VALUES ($1)', [counts]);
        await note('learning', { counts });
      });
      await changed();
      return c.json(await state());
    })
    .get('/file', async (c) => {
      const file = await learntFile(pool);
      await deed(pool, c, (_, note) => note('learnt-taken-out'));
      return c.json(file);
    })
    .put('/elsewhere', async (c) => {
      const { name, weight, file } = await checkedBody<TakenIn>(c, takenInSchema);
      const own = await learntFile(pool);
      if (file.shop === own.shop) throw refuse(400, 'file is this shop’s own: its jobs count already.');
      await deed(pool, c, async (db, note) => {
        await db.query(
          `INSERT INTO tallied_elsewhere (shop, name, weight, tallies) VALUES ($1, trim($2), $3, $4)
           ON CONFLICT (shop) DO UPDATE SET name = EXCLUDED.name, weight = EXCLUDED.weight, tallies = EXCLUDED.tallies, at = now()`,
          [file.shop, name, weight, JSON.stringify(file.tallies)],
        );
        await note('learning', { shop: name, weight });
      });
      await changed();
      return c.json(await state());
    })
    .delete('/elsewhere/:shop', async (c) => {
      const shop = pathId(c, 'shop', 'shop');
      await deed(pool, c, async (db, note) => {
        const { rows } = await db.query<{ name: string }>(
          'DELETE FROM tallied_elsewhere WHERE shop = $1 RETURNING name',
          [shop],
        );
        if (!rows[0]) throw refuse(404, 'No such shop’s jobs count here.');
        await note('learning', { gone: rows[0].name });
      });
      await changed();
      return c.json(await state());
    });
}
