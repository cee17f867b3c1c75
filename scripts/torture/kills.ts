import { randomInt } from 'node:crypto';
import type { Delivery } from '@rusty-wren/contract';
import type pg from 'pg';
import type { App } from './bench';
import { hang, note, sleep } from './bench';

interface Cluster {
  pid: () => number;
  start: () => boolean;
}

const WRITERS = 8;
const JOBS = 4;
/** Kills after which the writers go on to new jobs. */
const FRESH = 25;

/** What writers were told is on the log. */
class Writers {
  readonly acknowledged = new Set<string>();
  going = true;
  private readonly done: Promise<void>[];

  /** `jobs`: those they write on now. */
  constructor(
    app: App,
    public jobs: readonly string[],
  ) {
    this.done = Array.from({ length: WRITERS }, (_, w) => this.write(app, w));
  }

  /** Sends, and sends again what was not acknowledged, as the page does. */
  private async write(app: App, w: number): Promise<void> {
    for (let n = 0; this.going; n++) {
      const jobId = this.jobs[(w + n) % this.jobs.length]!;
      const entries = Array.from({ length: n % 3 === 0 ? 5 : 1 }, (_, i) => note(`${w} ${n} ${i}`));
      while (this.going) {
        const single = entries.length === 1;
        const { status, body } = single
          ? await app.post(`/api/jobs/${jobId}/entries`, { entries })
          : await app.post('/api/entries', { parcels: entries.map((entry) => ({ jobId, entry })) });
        if (status === 201) entries.forEach((e) => this.acknowledged.add(e.id));
        if (status === 200)
          for (const { entries: stored } of (JSON.parse(body) as Delivery).stored)
            stored.forEach((e) => this.acknowledged.add(e.id));
        if (status === 200 || status === 201) break;
        if (status !== 0 && status !== 503) throw new Error(`${status} ${body}`);
        await sleep(30);
      }
    }
  }

  async stop(): Promise<void> {
    this.going = false;
    await Promise.all(this.done);
  }
}

/** How many acknowledged entries are missing, how many stand twice, and how many logs have a gap in their order. */
async function count(
  pool: pg.Pool,
  acknowledged: ReadonlySet<string>,
): Promise<[lost: number, doubled: number, gaps: number]> {
  const { rows } = await pool.query<{ id: string; job_id: string; seq: number }>(
    'SELECT id, job_id, seq FROM bench_entry ORDER BY job_id, seq',
  );
  const stands = rows.map((r) => r.id);
  const there = new Set(stands);
  const lost = [...acknowledged].filter((id) => !there.has(id)).length;
  const gaps = rows.filter(
    (r, i) => r.seq !== (rows[i - 1]?.job_id === r.job_id ? rows[i - 1]!.seq + 1 : 1),
  ).length;
  return [lost, stands.length - there.size, gaps];
}

/** Kills the app and the postmaster while eight clients write. Returns what went wrong, a sentence each. */
export async function kills(
  app: App,
  pool: pg.Pool,
  cluster: Cluster,
  { ofTheApp, ofThePostmaster }: { ofTheApp: number; ofThePostmaster: number },
): Promise<string[]> {
  const wrong: string[] = [];
  const writers = new Writers(app, await hang(app, JOBS));
  for (let n = 0; n < ofTheApp; n++) {
    await sleep(randomInt(20, 250));
    await app.killAndStart();
    await app.answers();
    // New jobs now and then: a start works every log out, and these grow as no job's ever does.
    if (n % FRESH === FRESH - 1) writers.jobs = await hang(app, JOBS);
  }
  const fellBefore = app.fell;
  for (let n = 0; n < ofThePostmaster; n++) {
    await sleep(randomInt(100, 500));
    process.kill(cluster.pid(), 'SIGKILL');
    // Its children need a moment to see that it is gone.
    for (let tries = 0; !cluster.start(); tries++) {
      if (tries > 100) return [...wrong, 'the database does not start again'];
      await sleep(200);
    }
    await app.answers();
  }
  await sleep(300);
  await writers.stop();
  if (app.fell > fellBefore) wrong.push(`the app ended ${app.fell - fellBefore} times with its database`);
  const [lost, doubled, gaps] = await count(pool, writers.acknowledged);
  console.log(
    `  ${ofTheApp} kills of the app, ${ofThePostmaster} of the postmaster: ${writers.acknowledged.size} entries acknowledged, ${lost} lost, ${doubled} doubled, ${gaps} gaps`,
  );
  if (lost + doubled + gaps > 0) wrong.push(`${lost} lost, ${doubled} doubled, ${gaps} gaps`);
  if (writers.acknowledged.size === 0) wrong.push('nothing was acknowledged');
  return wrong;
}
