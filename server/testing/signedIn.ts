import { randomUUID } from 'node:crypto';
import type { Role } from '@rusty-wren/contract';
import type { Hono } from 'hono';
import { handTo } from '../access/sessions';
import type { Pool } from '../db/pool';

/** Somebody on the books who is signed in on a device of their own. */
export interface SignedIn {
  account: string;
  token: string;
  cookie: string;
}

/** Puts somebody on the books who can sign in, though nobody knows their secret, and signs them in. */
export async function signedIn(pool: Pool, role: Role, name = `The ${role}`): Promise<SignedIn> {
  const { rows } = await pool.query<{ id: string }>(
    `INSERT INTO account (id, name, role, secret) VALUES ($1, $2, $3, 'nobody knows')
     ON CONFLICT (name) DO UPDATE SET role = EXCLUDED.role RETURNING id`,
    [randomUUID(), name, role],
  );
  const account = rows[0]!.id;
  const token = await handTo(pool, account, { session: null, device: 'a test', address: 'none' });
  return { account, token, cookie: `wren=${token}` };
}

/** The app as a device with this cookie asks it: requests that bring one of their own keep it. */
export function askedWith(app: Hono, cookie: string): Hono {
  const request = app.request.bind(app);
  const asked = Object.create(app) as Hono;
  asked.request = (input, init, ...rest) => {
    const headers = new Headers(init?.headers);
    if (!headers.has('cookie')) headers.set('cookie', cookie);
    return request(input, { ...init, headers }, ...rest);
  };
  return asked;
}
