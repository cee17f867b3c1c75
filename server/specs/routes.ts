import { specCardsSchema, type SpecCard } from '@rusty-wren/contract';
import { Hono } from 'hono';
import type { Db, Pool } from '../db/pool';
import { openOfModels, project } from '../cards/project';
import { deed } from '../access/audit';
import { checkedBody } from '../http/problem';

/** Every model's newest card that says anything, by maker and model. */
async function readCards(db: Db): Promise<SpecCard[]> {
  const { rows } = await db.query<SpecCard & { source: string | null }>(
    `SELECT DISTINCT ON (lower(maker), lower(model)) maker, model, figures, source
     FROM spec_card ORDER BY lower(maker), lower(model), n DESC`,
  );
  return rows
    .filter(({ figures }) => Object.keys(figures).length > 0)
    .map(({ source, ...card }) => ({ ...card, ...(source && { source }) }));
}

/** The shop's spec cards. A card put without figures takes the model's card away. All are taken in, or none. */
export function specRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/', async (c) => c.json(await readCards(pool)))
    .put('/', async (c) => {
      const { cards } = await checkedBody<{ cards: SpecCard[] }>(c, specCardsSchema);
      await deed(pool, c, async (client, note) => {
        for (const { maker, model, figures, source } of cards) {
          await client.query(
            'INSERT INTO spec_card (maker, model, figures, source) VALUES (trim($1), trim($2), $3, $4)',
            [maker, model, JSON.stringify(figures), source ?? null],
          );
        }
        await note('specs', { cards });
        // What was measured on open jobs of these models may be another verdict now.
        await project(client, await openOfModels(client, cards));
      });
      return c.json(await readCards(pool));
    });
}
