import { modelNotesSchema, type ModelNotesIn } from '@rusty-wren/contract';
import type { ModelNote, OfModel } from '@rusty-wren/core/model';
import { Hono } from 'hono';
import { deed } from '../access/audit';
import { sessionIn } from '../access/guard';
import type { Db, Pool } from '../db/pool';
import { checkedBody, pathId, refuse } from '../http/problem';

/** What is known of one model, the oldest first. */
export async function readNotesOf(
  db: Db,
  { maker, model }: { maker: string; model: string },
): Promise<OfModel[]> {
  const { rows } = await db.query<OfModel>(
    `SELECT id, place AS at, says FROM model_note
     WHERE lower(maker) = lower($1) AND lower(model) = lower($2) ORDER BY model_note.at, id`,
    [maker, model],
  );
  return rows;
}

/** What is known of every model, by maker and model, the oldest first. */
async function readNotes(db: Db): Promise<ModelNote[]> {
  const { rows } = await db.query<ModelNote>(
    `SELECT id, maker, model, place AS at, says FROM model_note
     ORDER BY lower(maker), lower(model), model_note.at, id`,
  );
  return rows;
}

/** What the shop knows of models: lines are put in, all or none, and taken out one by one. */
export function modelNoteRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/', async (c) => c.json(await readNotes(pool)))
    .put('/', async (c) => {
      const { notes } = await checkedBody<ModelNotesIn>(c, modelNotesSchema);
      const by = sessionIn(c).account.id;
      await deed(pool, c, async (client, note) => {
        const { rowCount } = await client.query(
          `INSERT INTO model_note (id, maker, model, place, says, account_id)
           SELECT id, trim(maker), trim(model), at, trim(says), $2
           FROM jsonb_to_recordset($1) AS n (id uuid, maker text, model text, at text, says text)
           ON CONFLICT DO NOTHING`,
          [JSON.stringify(notes), by],
        );
        if (rowCount)
          await note('model-notes', {
            of: rowCount,
            models: [...new Set(notes.map((n) => `${n.maker} ${n.model}`))].slice(0, 20),
          });
      });
      return c.json(await readNotes(pool));
    })
    .delete('/:id', async (c) => {
      const id = pathId(c, 'id', 'note');
      await deed(pool, c, async (client, note) => {
        const { rows } = await client.query<ModelNote>(
          'DELETE FROM model_note WHERE id = $1 RETURNING maker, model, says',
          [id],
        );
        const [gone] = rows;
        if (!gone) throw refuse(404, 'No such note.');
        await note('model-notes', { taken: gone.says, model: `${gone.maker} ${gone.model}` });
      });
      return c.json(await readNotes(pool));
    });
}
