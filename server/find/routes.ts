import { Hono } from 'hono';
import type { Pool } from '../db/pool';
import { pathId, refuse } from '../http/problem';
import { find, lifeOf, ownerOf } from './find';
import { MOST_TYPED } from './understood';

/** Finding anything by a few words; a machine's life; an owner. */
export const findRoutes = (pool: Pool): Hono =>
  new Hono()
    .get('/find', async (c) => {
      const words = c.req.query('words') ?? '';
      if (words.length > MOST_TYPED) throw refuse(400, `words is longer than ${MOST_TYPED} letters.`);
      return c.json(await find(pool, words));
    })
    .get('/machines/:id', async (c) => c.json(await lifeOf(pool, pathId(c, 'id'))))
    .get('/owners/:id', async (c) => c.json(await ownerOf(pool, pathId(c, 'id'))));
