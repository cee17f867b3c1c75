import { randomUUID } from 'node:crypto';
import { setTimeout as pause } from 'node:timers/promises';
import {
  firstSchema,
  handSchema,
  ownSecretSchema,
  signInSchema,
  type SessionState,
} from '@rusty-wren/contract';
import bowser from 'bowser';
import { Hono, type Context } from 'hono';
import type { Db, Pool } from '../db/pool';
import { addressOf, crowded } from '../http/guard';
import { checkedBody, refuse } from '../http/problem';
import { deed, refused } from './audit';
import { FIRST_LEAD, forgetFirstCode, isFirstCode } from './firstCode';
import { giveToken, sessionIn, tokenIn } from './guard';
import { inTurn } from './queue';
import { hashOfSecret, isOfBefore, isSecret } from './secret';
import {
  amongPeople,
  deviceOf,
  end,
  handsFor,
  handTo,
  hasLead,
  lock,
  sessionOf,
  takeOver,
  type Held,
} from './sessions';
import { beginTry, slowed, wasRight, type Try } from './tries';

const LED = 'This shop has a lead already.';

/** Takes the device its token away, and has its browser forget what it was shown. */
function signOut(c: Context): void {
  giveToken(c, '');
  c.header('Clear-Site-Data', '"cache"');
}

/** What a device calls itself, in a word or two, and where it is. */
function heldBy(c: Context): Held {
  const { browser, os } = bowser.parse(c.req.header('user-agent') || 'unknown');
  const device = [browser.name, os.name].filter(Boolean).join(', ') || 'a device';
  return { device: device.slice(0, 80), address: addressOf(c) };
}

/**
 * Whether this is somebody's secret. Throws 429 where they, or the device, have tried too often. A wrong one is answered later
 * each time, an unknown name's no sooner than another's.
 */
async function proves(pool: Pool, c: Context, account: string, secret: string): Promise<boolean> {
  const device = await deviceOf(pool, tokenIn(c), account);
  const { who, tried, right } = await inTurn(device ? 'known' : 'strangers', async () => {
    const { rows } = await pool.query<{ secret: string | null }>(
      'SELECT secret FROM account WHERE id = $1 AND left_at IS NULL',
      [account],
    );
    const begun = await beginTry(pool, { account, address: addressOf(c), device });
    const isRight = await isSecret(secret, rows[0]?.secret ?? null);
    if (isRight) await wasRight(pool, begun);
    const kept = rows[0]?.secret;
    if (isRight && kept && isOfBefore(kept))
      await pool.query('UPDATE account SET secret = $2 WHERE id = $1 AND secret = $3', [
        account,
        await hashOfSecret(secret),
        kept,
      ]);
    return { who: rows[0] ? account : null, tried: begun, right: isRight };
  });
  if (right) return true;
  await putOff(pool, c, tried, who);
  return false;
}

/** Notes a wrong try, and answers it later each time. */
async function putOff(pool: Pool, c: Context, tried: Try, who: string | null): Promise<void> {
  await refused(pool, c, 'wrong-secret', who);
  // Once: what is refused from now on is not written down, or whoever tries could fill the disk.
  if (tried.last) await refused(pool, c, 'locked-out', who);
  await pause(slowed(tried));
}

/** Whether this is the code of the first lead. Throws 429 where it was guessed at too often. */
async function provesFirst(pool: Pool, c: Context, code: string): Promise<boolean> {
  const tried = await beginTry(pool, { account: FIRST_LEAD, address: addressOf(c), device: null });
  if (await isFirstCode(pool, code)) {
    await wasRight(pool, tried);
    return true;
  }
  await putOff(pool, c, tried, null);
  return false;
}

/** Whose secret was guessed at until it was closed, since this lead signed in last; none for anybody else. */
async function guessedSince(db: Db, account: string): Promise<string[]> {
  const { rows } = await db.query<{ name: string }>(
    `SELECT DISTINCT a.name FROM audit d JOIN account a ON a.id = d.account_id
     WHERE d.what = 'locked-out' AND EXISTS (SELECT 1 FROM account me WHERE me.id = $1 AND me.role = 'lead')
       AND d.n > coalesce((SELECT max(n) FROM audit WHERE what = 'signed-in' AND account_id = $1), 0) ORDER BY a.name`,
    [account],
  );
  return rows.map(({ name }) => name);
}

/** How this device stands. */
async function stateOf(pool: Pool, c: Context): Promise<SessionState> {
  const session = c.get('session');
  if (!session) {
    if (!(await hasLead(pool))) return { state: 'first' };
    return { state: 'out', people: await handsFor(pool, null) };
  }
  const people = await handsFor(pool, session.locked ? null : session.id);
  return { state: session.locked ? 'locked' : 'in', me: session.account, people };
}

/** Signing in, changing hands, locking and signing out, on the device that asks. */
export function sessionRoutes(pool: Pool): Hono {
  /** Puts the device in somebody's hands, and says how it stands then. */
  const hand = async (c: Context, token: string, guessed: readonly string[] = []): Promise<Response> => {
    giveToken(c, token);
    c.set('session', await sessionOf(pool, token));
    return c.json({ ...(await stateOf(pool, c)), ...(guessed.length > 0 && { guessed }) });
  };
  return new Hono()
    .get('/', async (c) => c.json(await stateOf(pool, c)))
    .post('/', async (c) => {
      const { account, secret } = await checkedBody<{ account: string; secret: string }>(c, signInSchema);
      if (!(await proves(pool, c, account, secret)))
        throw refuse(403, 'That is not the PIN or password of this name.');
      const held = heldBy(c);
      const { token, guessed } = await deed(pool, c, async (db, note) => {
        const names = await guessedSince(db, account);
        await note('signed-in', { device: held.device }, account);
        const session = await deviceOf(db, tokenIn(c));
        return { token: await handTo(db, account, { session, ...held }), guessed: names };
      });
      return await hand(c, token, guessed);
    })
    .put('/hand', async (c) => {
      const { account } = await checkedBody<{ account: string }>(c, handSchema);
      const token = await deed(pool, c, async (db, note) => {
        const given = await takeOver(db, sessionIn(c).id, account);
        if (given === null) throw refuse(403, 'Who takes the bench over says their PIN first.');
        await note('took-over', {}, account);
        return given;
      });
      return await hand(c, token);
    })
    .post('/lock', async (c) => {
      await deed(pool, c, async (db, note) => {
        await lock(db, sessionIn(c).id);
        await note('locked');
      });
      return await hand(c, tokenIn(c)!);
    })
    .put('/secret', async (c) => {
      const { id, account } = sessionIn(c);
      const { old, secret } = await checkedBody<{ old: string; secret: string }>(c, ownSecretSchema);
      if (!(await proves(pool, c, account.id, old))) throw refuse(403, 'old is not your PIN or password.');
      const kept = await hashOfSecret(secret);
      const token = await deed(pool, c, async (db, note) => {
        await db.query('UPDATE account SET secret = $2, demo_pin = NULL WHERE id = $1', [account.id, kept]);
        // Whoever knew the one before is out, wherever they are; this device goes on.
        await end(db, { account: account.id });
        await note('secret-set', { session: id });
        return await handTo(db, account.id, { session: null, ...heldBy(c) });
      });
      return await hand(c, token);
    })
    .delete('/everywhere', async (c) => {
      const { account } = sessionIn(c);
      const ended = await deed(pool, c, async (db, note) => {
        const devices = await end(db, { account: account.id });
        await note('device-ended', { devices });
        return devices;
      });
      signOut(c);
      return c.json({ ended });
    })
    .delete('/', async (c) => {
      await deed(pool, c, async (db, note) => {
        const device = await deviceOf(db, tokenIn(c));
        if (device) await end(db, { session: device });
        if (c.get('session')) await note('signed-out');
      });
      signOut(c);
      c.set('session', null);
      return c.json(await stateOf(pool, c));
    })
    .post('/first', async (c) => {
      const { code, name, secret } = await checkedBody<{ code: string; name: string; secret: string }>(
        c,
        firstSchema,
      );
      // Looked up before anything dear is worked out: a shop with a lead is asked this by strangers.
      if (await hasLead(pool)) {
        await crowded();
        throw refuse(409, LED);
      }
      if (!(await provesFirst(pool, c, code)))
        // Of two at once, the code was the other’s.
        throw (await hasLead(pool))
          ? refuse(409, LED)
          : refuse(403, 'The code is not the one on the terminal of the machine the shop runs on.');
      const kept = await inTurn('strangers', () => hashOfSecret(secret));
      const token = await deed(pool, c, async (db, note) => {
        await amongPeople(db);
        if (await hasLead(db)) throw refuse(409, LED);
        const { rows } = await db.query<{ id: string }>(
          `INSERT INTO account (id, name, role, secret) VALUES ($1, trim($2), 'lead', $3)
           ON CONFLICT (name) DO UPDATE SET role = 'lead', secret = EXCLUDED.secret, left_at = NULL, demo_pin = NULL RETURNING id`,
          [randomUUID(), name, kept],
        );
        const { id } = rows[0]!;
        await forgetFirstCode(db);
        await note('first-lead', {}, id);
        return await handTo(db, id, { session: null, ...heldBy(c) });
      });
      return await hand(c, token);
    });
}
