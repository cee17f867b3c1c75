import { Hono } from 'hono';
import type { Pool } from '../db/pool';
import { pathId } from '../http/problem';
import { find, lifeOf, ownerOf } from './find';
import { wordsAsked } from './understood';

/** Finding anything by a few words; a machine's life; an owner. */
export const findRoutes = (pool: Pool): Hono =>
  new Hono()
    .get('/find', async (c) => c.json(await find(pool, wordsAsked(c) ?? '')))
    .get('/machines/:id', async (c) => c.json(await lifeOf(pool, pathId(c, 'id', 'machine'))))
    .get('/owners/:id', async (c) => c.json(await ownerOf(pool, pathId(c, 'id', 'owner'))));
