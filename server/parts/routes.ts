import {
  bookInSchema,
  countSchema,
  NEED_ACTS,
  needActSchema,
  needSchema,
  ordersSchema,
  partsSchema,
  uuid,
  type BookedIn,
  type Drawer,
  type NeedIn,
  type OrdersIn,
  type PartsIn,
} from '@rusty-wren/contract';
import { Hono, type Context } from 'hono';
import { deed, type Note } from '../access/audit';
import { sessionIn } from '../access/guard';
import { signed } from '../access/noting';
import type pg from 'pg';
import type { Pool } from '../db/pool';
import { checkedBody, pathId, refuse } from '../http/problem';
import type { Announcer } from '../stream/announcer';
import { readDrawer, takeParts } from './drawer';
import { count } from './ledger';
import { act, seeTo, type Grown } from './needs';
import { bookIn, cancelOrder, placeOrders } from './orders';

/** The drawer, the order list, and the parts of jobs. Every change is told to all benches. */
export function partRoutes(pool: Pool, announcer: Announcer): Hono {
  /** Does it in one transaction, then tells of it. */
  const change = async <T>(
    c: Context,
    work: (client: pg.PoolClient, note: Note) => Promise<{ grown: Grown; answer: T }>,
  ): Promise<T> => {
    const { grown, answer } = await deed(pool, c, work);
    for (const { jobId, entries } of grown) if (entries.length > 0) announcer.grew(jobId, entries);
    await announcer.moved('parts');
    return answer;
  };
  const drawer = (jobId: string | null): Promise<Drawer> => readDrawer(pool, jobId);
  return new Hono()
    .get('/parts', async (c) => {
      const jobId = c.req.query('job');
      if (jobId !== undefined && uuid.validate(jobId).error) throw refuse(404, 'No such job.');
      return c.json<Drawer>(await drawer(jobId ?? null));
    })
    .put('/parts', async (c) => {
      const parts = await checkedBody<PartsIn>(c, partsSchema);
      await change(c, async (client, note) => {
        await takeParts(client, parts);
        await note('parts', { parts: parts.parts.slice(0, 20).map((p) => p.name), of: parts.parts.length });
        return { grown: [], answer: null };
      });
      return c.json<Drawer>(await drawer(null));
    })
    .post('/parts/book-in', async (c) => {
      const came = await checkedBody<Parameters<typeof bookIn>[1]>(c, bookInSchema);
      const booked = await change(c, async (client) => {
        const { booked: answer, grown } = await bookIn(client, signed(sessionIn(c), came));
        return { grown, answer };
      });
      return c.json<BookedIn>(booked);
    })
    .post('/parts/orders', async (c) => {
      const orders = await checkedBody<OrdersIn>(c, ordersSchema);
      await change(c, async (client) => ({ grown: await placeOrders(client, orders), answer: null }));
      return c.json<Drawer>(await drawer(null), 201);
    })
    .delete('/parts/orders/:id', async (c) => {
      const id = pathId(c, 'id', 'order');
      await change(c, async (client) => ({ grown: await cancelOrder(client, id), answer: null }));
      return c.json<Drawer>(await drawer(null));
    })
    .post('/parts/:id/count', async (c) => {
      const part = pathId(c, 'id', 'part');
      const body = await checkedBody<{ id: string; count: number; words?: string; by?: string }>(
        c,
        countSchema,
      );
      const { count: there, ...rest } = signed(sessionIn(c), body);
      await change(c, async (client) => ({
        grown: [],
        answer: await count(client, { ...rest, part, there }),
      }));
      return c.json<Drawer>(await drawer(null));
    })
    .post('/jobs/:id/parts', async (c) => {
      const jobId = pathId(c, 'id');
      const need = await checkedBody<NeedIn>(c, needSchema);
      await change(c, async (client) => ({
        grown: [{ jobId, entries: await seeTo(client, jobId, need) }],
        answer: null,
      }));
      return c.json<Drawer>(await drawer(jobId), 201);
    })
    .post('/needs/:id/:act', async (c) => {
      const needId = pathId(c, 'id', 'part of a job');
      const what = NEED_ACTS.find((a) => a === c.req.param('act'));
      if (!what) throw refuse(404, 'No such address.');
      const body = await checkedBody<Parameters<typeof act>[3]>(c, needActSchema);
      const jobId = await change(c, async (client) => {
        const grew = await act(client, needId, what, signed(sessionIn(c), body));
        return { grown: [grew], answer: grew.jobId };
      });
      return c.json<Drawer>(await drawer(jobId));
    });
}
