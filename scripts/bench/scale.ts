import { spawn, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { rebuildCards } from '../../server/cards/project';
import { withPool } from '../../server/db/pool';
import { learnerOf } from '../../server/testing/learner';
import { signedIn, type SignedIn } from '../../server/testing/signedIn';
import { loadHistory } from '../load/loadHistory';
import { freePort, startPostgres } from '../postgres.mjs';

/** What was measured on a history of so many jobs; times in ms, memory in MB, sizes in kB. */
interface Measured {
  jobs: number;
  entries: number;
  start: number;
  rack: number;
  find: number;
  job: number;
  checkIn: number;
  note: number;
  closed: number;
  /** What one owner's jobs teach gone over, and all of it added up. */
  learn: number;
  /** A machine's page, an owner's. */
  life: number;
  largest: number;
  memory: number;
}

const MAIN = fileURLToPath(new URL('../../server/main.ts', import.meta.url));
const ROUNDS = 60;

/** Words as they are typed, common and rare, right and with a slip. */
const TYPED = [
  'signe',
  'alder',
  'brakken',
  'brakken b45',
  'hobwick',
  'chainsaw',
  'coil gap',
  'stale fuel',
  'kestrelfield',
  'kestrlfield',
  'rowan',
  'odile',
  'farrant',
  'farant',
  '5550037',
  '0555',
  'reed 26 sten',
  'will not fire',
  'tank vent',
  'zzzz',
  'thornwick',
  'torhnwick',
  '1042',
  '77',
  'school grounds',
  'growers metering',
  'b17-10050',
  'gerd marsh',
  'selma oakstead',
  'blower',
];

const p95 = (times: number[]): number => times.toSorted((x, y) => x - y)[Math.floor(0.95 * times.length)]!;

async function startApp(
  url: string,
  cookie: string,
): Promise<{ base: string; app: ChildProcess; ms: number }> {
  const port = await freePort();
  const began = performance.now();
  const app = spawn(process.execPath, ['--import', 'tsx', MAIN], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DATABASE_URL: url, PORT: String(port), DEMO: 'off' },
  });
  const base = `http://127.0.0.1:${port}`;
  for (;;) {
    const up = await fetch(`${base}/api/jobs?show=closed`, { headers: { cookie } }).then(
      (r) => r.ok,
      () => false,
    );
    if (up) return { base, app, ms: performance.now() - began };
    await new Promise((done) => setTimeout(done, 20));
  }
}

/** The lead of a database, signed in. */
const leadOf = (url: string): Promise<SignedIn> => withPool(url, (pool) => signedIn(pool, 'lead'));

const stopApp = (app: ChildProcess): Promise<void> =>
  new Promise((done) => {
    app.once('exit', () => done());
    app.kill('SIGTERM');
  });

/** Megabytes a process holds. */
const memoryOf = (pid: number): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]) / 1024;

async function measure(url: string, jobs: number, entries: number): Promise<Omit<Measured, 'learn'>> {
  const { cookie } = await leadOf(url);
  const { base, app, ms } = await startApp(url, cookie);
  let largest = 0;
  const timed = async (path: string, init?: RequestInit): Promise<number> => {
    const began = performance.now();
    const response = await fetch(`${base}${path}`, { ...init, headers: { ...init?.headers, cookie } });
    const body = await response.arrayBuffer();
    if (!response.ok) throw new Error(`${path}: ${response.status} ${new TextDecoder().decode(body)}`);
    largest = Math.max(largest, body.byteLength / 1024);
    return performance.now() - began;
  };
  const often = async (what: (n: number) => Promise<number>): Promise<number> => {
    const times: number[] = [];
    for (let n = 0; n < ROUNDS; n++) times.push(await what(n));
    return p95(times);
  };
  const post = (body: unknown): RequestInit => ({
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  try {
    // What the engine has not looked at yet is looked at first: that is of the open jobs, however many are closed.
    for (;;) {
      const tags = (await (await fetch(`${base}/api/jobs?show=open`, { headers: { cookie } })).json()) as {
        phase: unknown;
      }[];
      if (tags.every((t) => t.phase)) break;
    }
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    const any = await client.query<{ id: string; machine_id: string; customer_id: string }>(
      `SELECT j.id, j.machine_id, m.customer_id FROM job j JOIN machine m ON m.id = j.machine_id
       ORDER BY j.tag DESC LIMIT 2000`,
    );
    await client.end();
    const of = (n: number) => any.rows[(n * 37) % any.rows.length]!;
    const checkIn = (n: number) => ({
      jobId: randomUUID(),
      customer: { id: of(n).customer_id },
      machine: { id: of(n).machine_id },
      entries: [
        {
          id: randomUUID(),
          notedAt: new Date().toISOString(),
          kind: 'complaint',
          body: { complaint: 'no-fire' },
        },
      ],
    });
    const rack = await often(() => timed('/api/jobs?show=open'));
    const find = await often((n) =>
      timed(`/api/find?${new URLSearchParams({ words: TYPED[n % TYPED.length]! })}`),
    );
    const job = await often((n) => timed(`/api/jobs/${of(n).id}`));
    const closed = await often((n) =>
      timed(n % 2 ? '/api/jobs?show=closed' : `/api/jobs?show=closed&words=${TYPED[n % 20]}`),
    );
    const life = await often((n) =>
      timed(n % 2 ? `/api/machines/${of(n).machine_id}` : `/api/owners/${of(n).customer_id}`),
    );
    await timed('/api/customers');
    await timed('/api/models');
    const checked = Array.from({ length: ROUNDS }, (_, n) => checkIn(n));
    const checkedIn = await often((n) => timed('/api/jobs', post(checked[n])));
    const note = await often((n) =>
      timed(
        `/api/jobs/${checked[n]!.jobId}/entries`,
        post({
          entries: [
            {
              id: randomUUID(),
              notedAt: new Date().toISOString(),
              kind: 'finding',
              body: { check: 'fuel-smell', result: 'stale', sureness: 'sure' },
            },
          ],
        }),
      ),
    );
    const memory = memoryOf(app.pid!);
    return {
      jobs,
      entries,
      start: ms,
      rack,
      find,
      job,
      checkIn: checkedIn,
      note,
      closed,
      life,
      largest,
      memory,
    };
  } finally {
    await stopApp(app);
  }
}

/**
 * Whether cards that were laid down are what their logs come to: some drawn ones made anew and held against themselves. Whether
 * one is proved is not held against it: a log laid down for another class of machine may have its idle out of band.
 */
async function cardsAreRight(url: string): Promise<number> {
  return withPool(url, async (pool) => {
    const read = async (ids: string[]) =>
      (
        await pool.query<{ job_id: string; card: string }>(
          `SELECT job_id, jsonb_build_array(seq, stage, since, says, leaving - 'proved', model,
             (SELECT array_agg(DISTINCT w ORDER BY w) FROM unnest(string_to_array(words, ' ')) w))::text AS card
           FROM job_card WHERE job_id = ANY($1) ORDER BY job_id`,
          [ids],
        )
      ).rows;
    const drawn = await pool.query<{ job_id: string }>(
      `SELECT job_id FROM job_card WHERE stage = 'closed' AND job_id::text LIKE ANY (ARRAY['a%', '3%']) LIMIT 200`,
    );
    const ids = drawn.rows.map((r) => r.job_id);
    const before = await read(ids);
    await pool.query('UPDATE job_card SET version = 0 WHERE job_id = ANY($1)', [ids]);
    await rebuildCards(pool);
    const after = await read(ids);
    return before.filter((b, n) => b.card !== after[n]?.card).length;
  });
}

/** How long it takes to go over one owner's jobs and add up what all of them teach. */
async function learnOne(url: string): Promise<number> {
  return withPool(url, async (pool) => {
    const learner = learnerOf(pool);
    // The cards made anew are gone over first.
    await learner.learn();
    const times: number[] = [];
    for (let n = 0; n < 10; n++) {
      await pool.query(
        'INSERT INTO to_learn (customer_id, class, model) SELECT customer_id, class, model FROM lesson OFFSET $1 LIMIT 1',
        [n * 7],
      );
      const began = performance.now();
      await learner.learn();
      times.push(performance.now() - began);
    }
    return p95(times);
  });
}

/** Start, rack, finding, one job, check-in and memory on histories of these many jobs, and how they grow. */
export async function scale(sizes: readonly number[]): Promise<void> {
  const all: Measured[] = [];
  for (const jobs of sizes) {
    const cluster = await startPostgres('scale', { fresh: true });
    if (!cluster) throw new Error('no database');
    try {
      const { entries, seconds } = await loadHistory(cluster.url, jobs);
      const wrong = await cardsAreRight(cluster.url);
      console.log(
        `${jobs} jobs, ${entries} entries laid down in ${seconds.toFixed(0)} s; of 200 cards made anew ${wrong} differ`,
      );
      const learn = await learnOne(cluster.url);
      all.push({ ...(await measure(cluster.url, jobs, entries)), learn });
    } finally {
      cluster.stop();
    }
  }
  const rows: [string, keyof Measured, string][] = [
    ['start, ms', 'start', '2 s over an empty one'],
    ['rack p95, ms', 'rack', '50'],
    ['find p95, ms', 'find', '50'],
    ['one job p95, ms', 'job', '20'],
    ['closed jobs p95, ms', 'closed', '50'],
    ['a machine, an owner p95, ms', 'life', '50'],
    ['check-in p95, ms', 'checkIn', ''],
    ['one note p95, ms', 'note', ''],
    ['what one owner taught p95, ms', 'learn', ''],
    ['largest answer, kB', 'largest', '200'],
    ['memory of the app, MB', 'memory', '250'],
  ];
  console.log(`${''.padEnd(30)}${all.map((m) => String(m.jobs).padStart(10)).join('')}   wanted`);
  for (const [name, key, wanted] of rows)
    console.log(`${name.padEnd(30)}${all.map((m) => m[key].toFixed(1).padStart(10)).join('')}   ${wanted}`);
}
