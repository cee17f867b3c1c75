import { randomUUID } from 'node:crypto';
import type { Device, Hand, Person, Role } from '@rusty-wren/contract';
import type { Db, Pool } from '../db/pool';
import { hashOfToken, isToken, newToken } from '../http/token';

/** A day at the bench: whoever proved who they are so long ago proves it again. */
const DAY_H = 12;
/** Whether a hand `h` proved it today. */
const TODAY = `h.proved_at > now() - interval '${DAY_H} hours'`;
/** A device that nobody touched for so long is as good as left behind: whoever takes it up says again who they are. */
const IDLE_H = 4;
/** Whether a device `s` was used lately. */
const USED = `s.seen_at > now() - interval '${IDLE_H} hours'`;
/** What only the lead does is done by somebody who proved it so lately. */
const FRESH_MIN = 30;
/** A device that was not used for so long is forgotten. */
export const KEPT_DAYS = 30;

/** A device that is signed in, and who has it in hand. */
export interface Session {
  id: string;
  account: Person & { role: Role };
  /** Everybody who has proved on this device today who they are. */
  hands: string[];
  locked: boolean;
  /** Whether whoever has it in hand proved it lately. */
  fresh: boolean;
}

interface Row {
  id: string;
  account: string;
  name: string;
  role: Role;
  hands: string[];
  locked: boolean;
  fresh: boolean;
  stale: boolean;
  address: string;
}

/** Told when a session is used from another place than before. */
export type OnMoved = (session: Session, from: string) => Promise<unknown>;

/**
 * The session a token opens; null where it opens none any more. Where `use` says from where it is used now, that is kept with it;
 * without, it is only looked at.
 */
export async function sessionOf(
  pool: Pool,
  token: string | undefined,
  use?: { address: string; onMoved: OnMoved },
): Promise<Session | null> {
  if (token === undefined || !isToken(token)) return null;
  const { rows } = await pool.query<Row>({
    name: 'session',
    text: `SELECT s.id, s.account_id AS account, a.name, a.role, s.locked_at IS NOT NULL AS locked,
        coalesce(s.fresh_at > now() - interval '${FRESH_MIN} minutes', false) AS fresh,
        s.seen_at < now() - interval '1 minute' AS stale, s.address,
        ARRAY(SELECT h.account_id FROM session_hand h WHERE h.session_id = s.id AND ${TODAY}) AS hands
      FROM session s JOIN account a ON a.id = s.account_id
      JOIN session_hand h ON h.session_id = s.id AND h.account_id = s.account_id
      WHERE s.token_hash = $1 AND a.left_at IS NULL AND ${TODAY} AND ${USED}`,
    values: [hashOfToken(token)],
  });
  const row = rows[0];
  if (!row) return null;
  const { id, account, name, role, hands, locked, fresh } = row;
  const session: Session = { id, account: { id: account, name, role }, hands, locked, fresh };
  if (!use || (!row.stale && row.address === use.address)) return session;
  // Of several requests at once one finds it where it was before.
  const { rowCount } = await pool.query(
    'UPDATE session SET seen_at = now(), address = $2 WHERE id = $1 AND address = $3',
    [id, use.address, row.address],
  );
  if (rowCount && row.address !== use.address) await use.onMoved(session, row.address);
  return session;
}

/**
 * The session a token once opened, its day over or not; null where it was ended, or where it is none on which `of` has proved, lately
 * or not, who they are. Who signs in on the device again goes on with it, and with whoever proved on it today who they are.
 */
export async function deviceOf(
  db: Db,
  token: string | undefined,
  of: string | null = null,
): Promise<string | null> {
  if (token === undefined || !isToken(token)) return null;
  const { rows } = await db.query<{ id: string }>(
    `SELECT id FROM session WHERE token_hash = $1
       AND ($2::uuid IS NULL OR EXISTS (SELECT 1 FROM session_hand h WHERE h.session_id = session.id AND h.account_id = $2))`,
    [hashOfToken(token), of],
  );
  return rows[0]?.id ?? null;
}

/** Where a session is held. */
export interface Held {
  device: string;
  address: string;
}

/**
 * Puts a device in the hands of somebody who has proved who they are: its session if it has one, unlocked, else a new one.
 * Returns its new token; the one before opens nothing any more.
 */
export async function handTo(
  db: Db,
  account: string,
  { session, device, address }: Held & { session: string | null },
): Promise<string> {
  const token = newToken();
  const id = session ?? randomUUID();
  await db.query(`DELETE FROM session WHERE seen_at < now() - interval '${KEPT_DAYS} days'`);
  await db.query(
    `INSERT INTO session (id, token_hash, account_id, device, address, fresh_at) VALUES ($1, $2, $3, $4, $5, now())
     ON CONFLICT (id) DO UPDATE SET token_hash = EXCLUDED.token_hash, account_id = EXCLUDED.account_id, device = EXCLUDED.device,
       address = EXCLUDED.address, fresh_at = now(), seen_at = now(), locked_at = NULL`,
    [id, hashOfToken(token), account, device, address],
  );
  await db.query(
    `INSERT INTO session_hand (session_id, account_id) VALUES ($1, $2)
     ON CONFLICT (session_id, account_id) DO UPDATE SET proved_at = now()`,
    [id, account],
  );
  return token;
}

/**
 * Hands a device to somebody who proved on it today who they are. Returns its new token; null where they have to prove it
 * again.
 */
export async function takeOver(db: Db, session: string, account: string): Promise<string | null> {
  const token = newToken();
  const { rowCount } = await db.query(
    `UPDATE session s SET account_id = $2, token_hash = $3, fresh_at = NULL, seen_at = now()
     FROM session_hand h JOIN account a ON a.id = h.account_id
     WHERE s.id = $1 AND s.locked_at IS NULL AND h.session_id = s.id AND h.account_id = $2 AND a.left_at IS NULL
       AND ${TODAY}`,
    [session, account, hashOfToken(token)],
  );
  return rowCount ? token : null;
}

/** Tells every process that these sessions are over, or locked: their streams end. */
const tellEnded = async (db: Db, ids: readonly string[]): Promise<void> => {
  for (const id of ids) await db.query("SELECT pg_notify('session_ended', $1)", [id]);
};

/** Locks a device: until somebody proves who they are, it shows nothing. */
export async function lock(db: Db, session: string): Promise<void> {
  await db.query('UPDATE session SET locked_at = now(), fresh_at = NULL WHERE id = $1', [session]);
  await tellEnded(db, [session]);
}

/** Ends sessions: one, or everywhere somebody is signed in, or everywhere `but` on one device. Returns how many. */
export async function end(
  db: Db,
  which: { session: string } | { account: string; but?: string },
): Promise<number> {
  const { rows } =
    'session' in which
      ? await db.query<{ id: string }>('DELETE FROM session WHERE id = $1 RETURNING id', [which.session])
      : await db.query<{ id: string }>(
          `WITH hands AS (DELETE FROM session_hand WHERE account_id = $1 AND session_id IS DISTINCT FROM $2)
           DELETE FROM session WHERE account_id = $1 AND id IS DISTINCT FROM $2 RETURNING id`,
          [which.account, which.but ?? null],
        );
  await tellEnded(
    db,
    rows.map((row) => row.id),
  );
  return rows.length;
}

/** Everybody a device may be handed to, whoever is open on it first said so. */
export async function handsFor(db: Db, session: string | null): Promise<Hand[]> {
  const { rows } = await db.query<Person & { open: boolean; pin: string | null }>(
    `SELECT a.id, a.name, a.demo_pin AS pin, EXISTS (SELECT 1 FROM session_hand h WHERE h.session_id = $1 AND h.account_id = a.id
        AND ${TODAY}) AS open
     FROM account a WHERE a.left_at IS NULL AND a.secret IS NOT NULL ORDER BY a.name`,
    [session],
  );
  return rows.map(({ id, name, open, pin }) => ({
    id,
    name,
    ...(open && { open: true as const }),
    ...(pin && { demoPin: pin }),
  }));
}

/** Every device that is signed in, who used it last first. */
export async function devices(db: Db, here: string): Promise<Device[]> {
  const { rows } = await db.query<Omit<Device, 'seenAt' | 'here'> & { seen_at: Date }>(
    `SELECT s.id, a.name, s.device, s.address, s.seen_at, s.locked_at IS NOT NULL AS locked
     FROM session s JOIN account a ON a.id = s.account_id
     JOIN session_hand h ON h.session_id = s.id AND h.account_id = s.account_id
     WHERE ${TODAY} AND ${USED} ORDER BY s.seen_at DESC`,
  );
  return rows.map(({ seen_at, ...row }) => ({
    ...row,
    seenAt: seen_at.toISOString(),
    here: row.id === here,
  }));
}

/** Whether anybody leads this shop and can sign in. */
export const hasLead = async (db: Db): Promise<boolean> => {
  const { rows } = await db.query<{ is: boolean }>(
    "SELECT EXISTS (SELECT 1 FROM account WHERE role = 'lead' AND left_at IS NULL AND secret IS NOT NULL) AS is",
  );
  return rows[0]!.is;
};

/** Has what changes people wait for what changes them already, so that two at once cannot leave the shop without a lead. */
export const amongPeople = (db: Db): Promise<unknown> =>
  db.query('LOCK TABLE account IN SHARE ROW EXCLUSIVE MODE');
