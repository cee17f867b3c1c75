import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { join } from 'node:path';
import pg from 'pg';
import type { App } from './bench';
import { freePort } from '../postgres.mjs';
import { ROOT } from '../packages.mjs';
import { ask, hang, note, sleep } from './bench';

const CLIENTS = 8;

/** An app that has one route, which takes a note in and inserts it as a row, and nothing else: in a process of its own, like ours. */
const EMPTY = `
import { serve } from '@hono/node-server';
import { Hono } from 'hono';
import pg from 'pg';
const pool = new pg.Pool({ connectionString: process.env.DATABASE_URL, max: 10 });
const app = new Hono().post('/note', async (c) => {
  const { entries: [{ id, notedAt, kind, body }] } = await c.req.json();
  await pool.query({ name: 'raw', text: 'INSERT INTO raw_entry VALUES ($1, $2, 1, $3, $4, $5)', values: [id, id, notedAt, kind, JSON.stringify(body)] });
  return c.json({ entries: [{ id }] }, 201);
});
serve({ fetch: app.fetch, port: Number(process.env.PORT), hostname: '127.0.0.1' });
`;

/** Starts it; returns how to post a note to it, and how to end it. */
async function emptyApp(
  databaseUrl: string,
): Promise<{ post: (body: object) => Promise<number>; end: () => void }> {
  const port = await freePort();
  const child = spawn(process.execPath, ['--input-type=module', '--eval', EMPTY], {
    cwd: join(ROOT, 'server'),
    env: { ...process.env, DATABASE_URL: databaseUrl, PORT: String(port) },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const agent = new http.Agent({ keepAlive: true, maxSockets: 64 });
  const post = async (body: object): Promise<number> =>
    (await ask({ agent, port, method: 'POST', path: '/note' }, JSON.stringify(body))).status;
  while ((await post({ entries: [note('there?')] })) !== 201) await sleep(50);
  return { post, end: () => void child.kill('SIGKILL') };
}

/** How many times a second the clients got something done, all together, for so many seconds. */
async function rate(seconds: number, once: (client: number) => Promise<number>): Promise<number> {
  const end = performance.now() + seconds * 1000;
  const done = await Promise.all(
    Array.from({ length: CLIENTS }, async (_, c) => {
      let n = 0;
      while (performance.now() < end) n += await once(c);
      return n;
    }),
  );
  return done.reduce((x, y) => x + y) / seconds;
}

/**
 * Entries a second over the API, as a share of single rows committed by as many clients on the same server in the same
 * minute. Printed, never judged: a share depends on what else the machine does. Wanted: 25 % single, 100 % in batches.
 */
export async function throughput(
  app: App,
  pool: pg.Pool,
  databaseUrl: string,
  seconds: number,
): Promise<void> {
  const jobs = await hang(app, CLIENTS);
  await pool.query(
    'CREATE TABLE IF NOT EXISTS raw_entry (id uuid PRIMARY KEY, job_id uuid, seq int, noted_at timestamptz, kind text, body jsonb)',
  );
  const clients = await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      const client = new pg.Client({ connectionString: databaseUrl });
      await client.connect();
      return client;
    }),
  );
  const raw = (): Promise<number> =>
    rate(seconds, async (c) => {
      await clients[c]!.query({
        name: 'raw',
        text: 'INSERT INTO raw_entry VALUES ($1, $2, 1, $3, $4, $5)',
        values: [randomUUID(), jobs[c], new Date().toISOString(), 'note', '{"text":"raw"}'],
      });
      return 1;
    });
  const singleOn = (jobOf: (client: number) => string): Promise<number> =>
    rate(seconds, async (c) => {
      const { status, body } = await app.post(`/api/jobs/${jobOf(c)}/entries`, { entries: [note('timed')] });
      if (status !== 201) throw new Error(`${status} ${body}`);
      return 1;
    });
  const inBatches = (): Promise<number> =>
    rate(seconds, async (c) => {
      const parcels = Array.from({ length: 50 }, () => ({ jobId: jobs[c]!, entry: note('timed') }));
      const { status, body } = await app.post('/api/entries', { parcels });
      if (status !== 200) throw new Error(`${status} ${body}`);
      return parcels.length;
    });
  await singleOn((c) => jobs[c]!);
  const first = await raw();
  const oneJob = await singleOn(() => jobs[0]!);
  const single = await singleOn((c) => jobs[c]!);
  const batch = await inBatches();
  const last = await raw();
  const empty = await emptyApp(databaseUrl);
  const bare = await rate(seconds, async () =>
    (await empty.post({ entries: [note('timed')] })) === 201 ? 1 : 0,
  );
  const fresh = await hang(app, CLIENTS);
  const again = await singleOn((c) => fresh[c]!);
  empty.end();
  await Promise.all(clients.map((client) => client.end()));
  await pool.query('DROP TABLE raw_entry');
  const base = (first + last) / 2;
  const say = (of: number): string => `${Math.round(of)}/s, ${((100 * of) / base).toFixed(0)} %`;
  console.log(
    `  throughput, ${CLIENTS} clients; raw single-row commits ${Math.round(first)} and ${Math.round(last)}/s. Entries over the API: one job ${say(oneJob)}; eight jobs ${say(single)}; in batches of 50 ${say(batch)}`,
  );
  console.log(
    `  a note costs ${(bare / again).toFixed(1)} times what an empty Hono route with one insert does (${Math.round(bare)}/s beside ${Math.round(again)}/s; wanted 3)`,
  );
}
