import { randomUUID } from 'node:crypto';
import type { CheckIn, NewEntry, Role } from '@rusty-wren/contract';
import type { Hono } from 'hono';
import type pg from 'pg';
import { createApp } from '../app';
import { Outlooks } from '../cards/outlooks';
import { migrate } from '../db/migrate';
import { connect, databaseBeside, withClient, type Pool } from '../db/pool';
import { prepareRole } from '../db/role';
import { loadDemo } from '../demo/load';
import { Changes } from '../stream/changes';
import { hashAt } from '../access/secret';
import { slowAt } from '../access/tries';
import { askedWith, signedIn, type SignedIn } from './signedIn';

/** What the program hashes secrets at; tests sign in hundreds of times, and hash at less. */
export const SHIPPED_COST = hashAt(2 ** 10);
/** What the program puts off the first wrong try by, ms; tests wait for as good as nothing. */
export const SHIPPED_SLOWING = slowAt(1);

/** A whole bench on a real, empty database of its own. */
export interface TestBench {
  /** As the lead's device asks it. */
  app: Hono;
  /** As a device that is not signed in asks it. */
  out: Hono;
  lead: SignedIn;
  /** Another app on the same database, as the lead's device asks it. */
  asLead: (app: Hono) => Hono;
  /** Somebody else who has proved on the lead's device who they are; returns their account. */
  alsoHere: (role: Role, name: string) => Promise<string>;
  /** As who owns the tables. */
  pool: Pool;
  /** As the app works on them. */
  atWork: Pool;
  url: string;
  changes: Changes;
  outlooks: Outlooks;
  close: () => Promise<void>;
}

async function asAdmin(work: (client: pg.Client) => Promise<unknown>): Promise<string> {
  const url = process.env['TEST_DATABASE_URL'];
  if (!url) throw new Error('TEST_DATABASE_URL is not set: run the API tests through npm test');
  await withClient(url, work);
  return url;
}

/** Makes an empty database; returns its URL and how to be rid of it. */
export async function emptyDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const admin = await asAdmin((client) => client.query(`CREATE DATABASE ${name}`));
  return {
    url: databaseBeside(admin, name),
    drop: async () => {
      await asAdmin((client) => client.query(`DROP DATABASE ${name} WITH (FORCE)`));
    },
  };
}

/** Opens a bench. `demo`: with the demo world on it, as of that moment. */
export async function openBench({ demo }: { demo?: Date } = {}): Promise<TestBench> {
  const { url, drop } = await emptyDatabase();
  const pool = connect(url);
  await migrate(pool);
  if (demo) await loadDemo(pool, demo);
  // As who owns nothing, like the app that is shipped.
  const role = new URL(url);
  [role.username, role.password] = ['wren_tests', 'wren_tests'];
  await prepareRole(url, role.href);
  const atWork = connect(role.href);
  const changes = new Changes(role.href);
  await changes.start();
  const outlooks = new Outlooks(atWork);
  // A busy machine may take its time to think: the tests wait for it.
  // All of them ask from one place.
  const out = createApp({ pool: atWork, changes, outlooks, patience: 120_000, mostFromStrangers: 100_000 });
  const lead = await signedIn(pool, 'lead');
  return {
    app: askedWith(out, lead.cookie),
    out,
    lead,
    asLead: (app) => askedWith(app, lead.cookie),
    alsoHere: async (role, name) => {
      const { account } = await signedIn(pool, role, name);
      await pool.query(
        'INSERT INTO session_hand SELECT session_id, $2 FROM session_hand WHERE account_id = $1',
        [lead.account, account],
      );
      return account;
    },
    outlooks,
    pool,
    atWork,
    url,
    changes,
    close: async () => {
      await outlooks.stop();
      await changes.stop();
      await Promise.all([pool.end(), atWork.end()]);
      await drop();
    },
  };
}

export const post = (app: Hono, path: string, body: unknown): Promise<Response> =>
  Promise.resolve(
    app.request(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  );

export const note = (text: string): NewEntry => ({
  id: randomUUID(),
  notedAt: '2026-05-04T10:00:00.000Z',
  kind: 'note',
  body: { text },
});

/** A check-in with a new owner and machine. */
export const aCheckIn = (): CheckIn => ({
  jobId: randomUUID(),
  customer: { name: 'Odile Farrant' },
  machine: { kind: 'chainsaw', maker: 'Brakken', model: 'B45', displacementCc: 45 },
  entries: [
    {
      id: randomUUID(),
      notedAt: '2026-05-04T09:00:00.000Z',
      kind: 'complaint',
      body: { complaint: 'fades-under-way' },
    },
  ],
});
