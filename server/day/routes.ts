import {
  hoursSchema,
  pinSchema,
  planSchema,
  PROVE_AGAIN,
  roomsSchema,
  type Day,
  type DayPin,
  type DayRooms,
  type KeptPlan,
} from '@rusty-wren/contract';
import { ROOMS, type Hours } from '@rusty-wren/core/schedule';
import { Hono, type Context } from 'hono';
import pg from 'pg';
import type { Db, Pool } from '../db/pool';
import { deed, noteOnce } from '../access/audit';
import { sessionIn } from '../access/guard';
import { atMost } from '../http/guard';
import { readLearnt } from '../learning/read';
import { checkedBody, pathId, refuse } from '../http/problem';
import { calendarOf, closeCalendar, openCalendar } from './calendar';
import type { Announcer } from '../stream/announcer';

/** So many plans are kept: the last one is shown, the others show how the day went. */
const KEPT = 200;

/** Nobody has said that there is a bath. */
const USUAL_ROOMS: DayRooms = { bath: 0, outdoors: ROOMS.outdoors ?? 1 };

/** What the day is planned by: hours, what was put where, and the plan as it was worked out last. */
async function readDay(db: Db): Promise<Day> {
  const hours = await db.query<{ account: string; hours: Hours }>(
    'SELECT account_id AS account, hours FROM working_hours ORDER BY account_id',
  );
  const pins = await db.query<{ task: string; job_id: string; account_id: string; from_at: Date }>(
    'SELECT task, job_id, account_id, from_at FROM day_pin ORDER BY from_at, task',
  );
  const plan = await db.query<{ key: string; zero: Date; slots: KeptPlan['slots'] }>(
    'SELECT key, zero, slots FROM day_plan ORDER BY n DESC LIMIT 1',
  );
  const rooms = await db.query<{ place: keyof DayRooms; count: number }>('SELECT place, count FROM day_room');
  const { paces } = await readLearnt(db);
  const last = plan.rows[0];
  return {
    ...(paces && { paces }),
    hours: hours.rows,
    pins: pins.rows.map((p) => ({
      task: p.task,
      jobId: p.job_id,
      account: p.account_id,
      from: p.from_at.toISOString(),
    })),
    rooms: { ...USUAL_ROOMS, ...Object.fromEntries(rooms.rows.map((r) => [r.place, r.count])) },
    plan: last ? { key: last.key, zero: last.zero.toISOString(), slots: last.slots } : null,
  };
}

/** Does it; whose row is not there is said with a 404. */
async function onTheBooks(work: Promise<unknown>): Promise<void> {
  try {
    await work;
  } catch (error) {
    if (error instanceof pg.DatabaseError && error.code === '23503')
      throw refuse(
        404,
        error.constraint?.includes('job') ? 'No such job.' : 'Nobody on the books has that id.',
      );
    throw error;
  }
}

/** The day: who works when, what was put where by hand, and the plan. Every change is told to all benches. */
export function dayRoutes(pool: Pool, announcer: Announcer): Hono {
  const answer = async (): Promise<Day> => {
    await announcer.moved('day');
    return readDay(pool);
  };
  return new Hono()
    .get('/', async (c) => c.json<Day>(await readDay(pool)))
    .put('/hours/:account', async (c) => {
      const account = pathId(c, 'account', 'person');
      const hours = await checkedBody<Hours>(c, hoursSchema);
      await onTheBooks(
        deed(pool, c, async (db, note) => {
          await db.query(
            `INSERT INTO working_hours (account_id, hours) VALUES ($1, $2)
             ON CONFLICT (account_id) DO UPDATE SET hours = EXCLUDED.hours, at = now()`,
            [account, JSON.stringify(hours)],
          );
          await note('hours', { person: account, hours });
        }),
      );
      return c.json<Day>(await answer());
    })
    .put('/rooms', async (c) => {
      const rooms = await checkedBody<DayRooms>(c, roomsSchema);
      await deed(pool, c, async (db, note) => {
        await db.query(
          `INSERT INTO day_room (place, count) VALUES ('bath', $1), ('outdoors', $2)
           ON CONFLICT (place) DO UPDATE SET count = EXCLUDED.count`,
          [rooms.bath, rooms.outdoors],
        );
        await note('rooms', { ...rooms });
      });
      return c.json<Day>(await answer());
    })
    .put('/pins', async (c) => {
      const pin = await checkedBody<DayPin>(c, pinSchema);
      await onTheBooks(
        pool.query(
          `INSERT INTO day_pin (task, job_id, account_id, from_at) VALUES ($1, $2, $3, $4)
           ON CONFLICT (task) DO UPDATE SET account_id = EXCLUDED.account_id, from_at = EXCLUDED.from_at, at = now()`,
          [pin.task, pin.jobId, pin.account, pin.from],
        ),
      );
      // What was put somewhere on a job that has gone home since is nowhere any more.
      await pool.query(
        "DELETE FROM day_pin p USING job_card k WHERE k.job_id = p.job_id AND k.stage = 'closed'",
      );
      return c.json<Day>(await answer());
    })
    .delete('/pins/:task', async (c) => {
      await pool.query('DELETE FROM day_pin WHERE task = $1', [c.req.param('task')]);
      return c.json<Day>(await answer());
    })
    .post('/calendar/:account', async (c) => {
      const person = ownOrLeads(c);
      // It is open for as long as they work here: a bench that changed hands in two taps makes none.
      if (!sessionIn(c).fresh) throw refuse(403, PROVE_AGAIN);
      const made = await deed(pool, c, async (db, note) => {
        await note('calendar-made', { person });
        return openCalendar(db, person);
      });
      return c.json(made, 201);
    })
    .delete('/calendar/:account', async (c) => {
      const person = ownOrLeads(c);
      await deed(pool, c, async (db, note) => {
        await closeCalendar(db, person);
        await note('calendar-withdrawn', { person });
      });
      return c.json({ withdrawn: true });
    })
    .put('/plan', async (c) => {
      const { key, zero, slots } = await checkedBody<KeptPlan>(c, planSchema);
      // The same work planned by two benches at once is one plan.
      const { rowCount } = await pool.query(
        `INSERT INTO day_plan (key, zero, slots) SELECT $1, $2, $3
         WHERE NOT EXISTS (SELECT 1 FROM (SELECT key FROM day_plan ORDER BY n DESC LIMIT 1) last WHERE last.key = $1)`,
        [key, zero, JSON.stringify(slots)],
      );
      await pool.query('DELETE FROM day_plan WHERE n <= (SELECT max(n) FROM day_plan) - $1', [KEPT]);
      return c.json<Day>(rowCount ? await answer() : await readDay(pool));
    });
}

/** Whose calendar is meant: one's own, or anybody's where the lead asks. Throws 403 otherwise. */
function ownOrLeads(c: Context): string {
  const wanted = pathId(c, 'account', 'person');
  const { account } = sessionIn(c);
  if (wanted !== account.id && account.role !== 'lead')
    throw refuse(403, "That is somebody else's calendar.");
  return wanted;
}

/** Nobody's calendar asks more often than that in ten seconds. */
const MOST_REQUESTS = 30;

/** Calendars to subscribe to, each by its secret address. */
export const calendarRoutes = (pool: Pool): Hono =>
  new Hono().use('*', atMost(MOST_REQUESTS)).get('/:file', async (c) => {
    const opened = await calendarOf(pool, c.req.param('file').replace(/\.ics$/, ''));
    if (!opened) throw refuse(404, 'No such calendar.');
    await noteOnce(pool, c, 'calendar-opened', { person: opened.account }, null);
    c.header('Content-Type', 'text/calendar; charset=utf-8');
    c.header('Content-Disposition', 'attachment; filename="bench.ics"');
    c.header('Cache-Control', 'no-store');
    return c.body(opened.calendar.toString());
  });
