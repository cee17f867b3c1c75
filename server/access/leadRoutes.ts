import {
  instrumentSchema,
  newPersonSchema,
  personSchema,
  type PersonOnBooks,
  type Role,
} from '@rusty-wren/contract';
import { Hono } from 'hono';
import { readBackups } from '../backup';
import type { Db, Pool } from '../db/pool';
import { checkedBody, pathId, refuse } from '../http/problem';
import { deed, lastChanges, readDone } from './audit';
import { sessionIn } from './guard';
import { instruments, letIn, withdraw } from './instruments';
import { closeCalendar } from '../day/calendar';
import { hashOfSecret } from './secret';
import { amongPeople, devices, end, hasLead } from './sessions';
import { forgetTries } from './tries';

async function people(db: Db): Promise<PersonOnBooks[]> {
  const { rows } = await db.query<PersonOnBooks>(
    `SELECT id, name, role, secret IS NOT NULL AS secret, left_at IS NOT NULL AS left, demo_pin IS NOT NULL AS demo
     FROM account ORDER BY left_at IS NOT NULL, name`,
  );
  return rows;
}

interface Change {
  role?: Role;
  left?: boolean;
  secret?: string;
}

/** Changes somebody's role, secret, or whether they work here. Their devices are signed out. */
async function change(db: Db, id: string, { role, left }: Change, kept: string | null): Promise<void> {
  const { rowCount } = await db.query(
    `UPDATE account SET role = coalesce($2, role), secret = coalesce($3, secret),
       demo_pin = CASE WHEN $3::text IS NULL THEN demo_pin END,
       left_at = CASE WHEN $4::boolean IS NULL THEN left_at WHEN $4 THEN coalesce(left_at, now()) END
     WHERE id = $1`,
    [id, role ?? null, kept, left ?? null],
  );
  if (!rowCount) throw refuse(404, 'Nobody on the books by that id.');
  if (!(await hasLead(db))) throw refuse(409, 'Somebody has to lead the shop; make another the lead first.');
  if (kept !== null) await forgetTries(db, id);
  if (left) await closeCalendar(db, id);
}

/** What the lead sees to: people, devices, instruments, and what was done; and for everybody, who changed a setting last. */
export function leadRoutes(pool: Pool): Hono {
  return new Hono()
    .get('/people', async (c) => c.json(await people(pool)))
    .post('/people', async (c) => {
      const { id, name, role, secret } = await checkedBody<{
        id: string;
        name: string;
        role: Role;
        secret: string;
      }>(c, newPersonSchema);
      const kept = await hashOfSecret(secret);
      await deed(pool, c, async (db, note) => {
        await amongPeople(db);
        const { rowCount } = await db.query(
          `INSERT INTO account (id, name, role, secret) SELECT $1, trim($2), $3, $4
           WHERE NOT EXISTS (SELECT 1 FROM account WHERE lower(name) = lower(trim($2)) OR id = $1)`,
          [id, name, role, kept],
        );
        if (!rowCount) throw refuse(409, `name is on the books already: ${name.trim()}.`);
        await note('person-made', { person: id, role });
      });
      return c.json(await people(pool), 201);
    })
    .put('/people/:id', async (c) => {
      const id = pathId(c, 'id', 'person');
      const wanted = await checkedBody<Change>(c, personSchema);
      const kept = wanted.secret === undefined ? null : await hashOfSecret(wanted.secret);
      await deed(pool, c, async (db, note) => {
        await amongPeople(db);
        await change(db, id, wanted, kept);
        const { secret: _, ...about } = wanted;
        if (kept !== null) await note('secret-set', { person: id });
        if (Object.keys(about).length > 0) await note('person-changed', { person: id, ...about });
        // Who changes themselves goes on here; whoever else has their name in hand signs in anew.
        const { id: here, account } = sessionIn(c);
        if (id !== account.id) await end(db, { account: id });
        else if (kept !== null) await end(db, { account: id, but: here });
      });
      return c.json(await people(pool));
    })
    .get('/backups', async (c) => c.json(await readBackups(pool)))
    .get('/devices', async (c) => c.json(await devices(pool, sessionIn(c).id)))
    .delete('/devices/:id', async (c) => {
      const id = pathId(c, 'id', 'device');
      await deed(pool, c, async (db, note) => {
        if ((await end(db, { session: id })) === 0) throw refuse(404, 'No such device is signed in.');
        await note('device-ended', { session: id });
      });
      return c.json(await devices(pool, sessionIn(c).id));
    })
    .get('/instruments', async (c) => c.json(await instruments(pool)))
    .post('/instruments', async (c) => {
      const { id, name } = await checkedBody<{ id: string; name: string }>(c, instrumentSchema);
      const token = await deed(pool, c, async (db, note) => {
        const made = await letIn(db, { id, name: name.trim(), by: sessionIn(c).account.id });
        if (made === null) throw refuse(409, 'id is another instrument already.');
        await note('instrument-made', { instrument: name.trim() });
        return made;
      });
      return c.json({ token }, 201);
    })
    .delete('/instruments/:id', async (c) => {
      const id = pathId(c, 'id', 'instrument');
      await deed(pool, c, async (db, note) => {
        const name = await withdraw(db, id);
        if (name === null) throw refuse(404, 'No such instrument is let in.');
        await note('instrument-withdrawn', { instrument: name });
      });
      return c.json(await instruments(pool));
    })
    .get('/settings', async (c) => c.json(await lastChanges(pool)))
    .get('/done', async (c) => {
      const before = c.req.query('before');
      if (before !== undefined && !/^\d{1,15}$/.test(before)) throw refuse(400, 'before must be a number.');
      return c.json(await readDone(pool, before === undefined ? null : Number(before)));
    });
}
