import { createHash } from 'node:crypto';
import type { ComplaintId, History } from '@rusty-wren/core/knowledge';
import {
  learnFrom,
  learnMinutes,
  pacesIn,
  taughtBy,
  together,
  type Elsewhere,
  type OwnersJob,
  type Tallies,
  type Tally,
  type Thousandths,
  type TimeCounts,
} from '@rusty-wren/core/learning';
import type { MachineFacts } from '@rusty-wren/core/machine';
import type pg from 'pg';
import { catchUp } from '../cards/behind';
import { inTransaction, type Pool } from '../db/pool';
import { talliedElsewhere } from './read';

/** What the trade would expect is worked out from: the machine, its history, and what it was brought in for. */
export interface AskedOf {
  machine: MachineFacts;
  history: History;
  complaints: readonly ComplaintId[];
}

interface JobRow {
  job_id: string;
  machine_id: string;
  checked_in_at: Date;
  complaints: ComplaintId[];
  shared_can: boolean;
  closed_at: Date | null;
  counts: number | null;
  found: NonNullable<OwnersJob['lesson']>['found'] | null;
  asked: AskedOf;
  expected: Thousandths | null;
  taught: object | null;
  class: string;
  model: string;
}

/** One at a time, of all processes: an advisory lock of this number. */
const LEARNING = 7_201_977;
/** What is wanted soon after something else is done in one go, ms. */
const GATHER_MS = 300;

/**
 * Goes over the jobs of owners whose logs have taught something or taken it back, and keeps what all of it comes to: in the
 * background, in any process, one at a time. The same logs come to the same, to the last digit.
 */
export class Learner {
  private running: Promise<void> | null = null;
  private again = false;
  private timer: NodeJS.Timeout | null = null;
  private stopped = false;
  /** Added up anew: at first, since whoever went over an owner before may have ended there. */
  private toTally = true;

  /** `expect`: what the trade would expect; `onLearnt`: told once what is learnt has changed. */
  constructor(
    private readonly pool: Pool,
    private readonly expect: (asked: AskedOf) => Promise<Thousandths>,
    private readonly onLearnt: () => Promise<unknown>,
  ) {}

  /** Something may have been taught: it is gone over soon. */
  want(): void {
    if (this.stopped) return;
    this.timer ??= setTimeout(() => {
      this.timer = null;
      void this.learn().catch((error: Error) => {
        // The database is away: what is to be learnt stands in it, and is when it is next asked.
        if (!this.stopped) console.error(`learning: ${error.message}`);
      });
    }, GATHER_MS).unref();
  }

  /** Learns all there is to learn now. */
  async learn(): Promise<void> {
    this.again = true;
    this.running ??= this.run().finally(() => {
      this.running = null;
    });
    await this.running;
  }

  async stop(): Promise<void> {
    this.stopped = true;
    if (this.timer) clearTimeout(this.timer);
    await this.running?.catch(() => undefined);
  }

  private async run(): Promise<void> {
    while (this.again && !this.stopped) {
      this.again = false;
      // What closed jobs teach stands beside their cards.
      await catchUp(this.pool);
      while (!this.stopped && (await inTransaction(this.pool, (client) => this.oneOwner(client))))
        this.toTally = true;
      if (this.stopped) return;
      if (!this.toTally) continue;
      const moved = await inTransaction(this.pool, (client) => keepTallies(client));
      this.toTally = false;
      if (moved) await this.onLearnt();
    }
  }

  /** Goes over the jobs of the owner who has waited longest; false where nobody has. */
  private async oneOwner(client: pg.PoolClient): Promise<boolean> {
    await client.query('SELECT pg_advisory_xact_lock($1)', [LEARNING]);
    const { rows: waiting } = await client.query<{ customer_id: string }>(
      'SELECT customer_id FROM to_learn ORDER BY n LIMIT 1',
    );
    const owner = waiting[0]?.customer_id;
    if (!owner) return false;
    const { rows: told } = await client.query<{ n: string; class: string | null; model: string | null }>(
      'SELECT n, class, model FROM to_learn WHERE customer_id = $1 ORDER BY n',
      [owner],
    );
    const { rows } = await client.query<JobRow>(
      `SELECT k.job_id, k.machine_id, j.checked_in_at, k.says->'complaints' AS complaints, k.shared_can, l.closed_at, l.counts,
         l.found, l.asked, l.expected, l.taught, l.class, l.model
       FROM job_card k JOIN job j ON j.id = k.job_id LEFT JOIN lesson l ON l.job_id = k.job_id WHERE k.customer_id = $1`,
      [owner],
    );
    for (const row of rows)
      if (row.counts !== null && row.expected === null) {
        row.expected = await this.expect(row.asked);
        await client.query('UPDATE lesson SET expected = $2 WHERE job_id = $1', [
          row.job_id,
          JSON.stringify(row.expected),
        ]);
      }
    const taught = taughtBy(rows.map(jobOf));
    await client.query(
      `UPDATE lesson l SET taught = t.taught FROM jsonb_to_recordset($1) AS t (job_id uuid, taught jsonb)
       WHERE l.job_id = t.job_id AND l.taught IS DISTINCT FROM t.taught`,
      [
        JSON.stringify(
          rows
            .filter((row) => row.counts !== null)
            .map(({ job_id }) => ({ job_id, taught: taught.get(job_id) ?? null })),
        ),
      ],
    );
    const models = new Map(
      [...rows, ...told].flatMap((r) => (r.class && r.model ? [[`${r.class}|${r.model}`, r]] : [])),
    );
    for (const { class: of, model } of models.values()) await tallyModel(client, of!, model!);
    await client.query('DELETE FROM to_learn WHERE n = ANY($1)', [told.map((t) => t.n)]);
    return true;
  }
}

const jobOf = (row: JobRow): OwnersJob => ({
  id: row.job_id,
  machineId: row.machine_id,
  checkedInAt: row.checked_in_at.toISOString(),
  closedAt: row.closed_at?.toISOString() ?? null,
  complaints: row.complaints,
  sharedCan: row.shared_can,
  lesson: row.counts !== null && row.found ? { counts: row.counts, found: row.found } : null,
  expected: row.expected ?? {},
});

/** Adds up what the lessons on a model come to. */
async function tallyModel(client: pg.PoolClient, of: string, model: string): Promise<void> {
  await client.query(
    `WITH mine AS (SELECT taught FROM lesson WHERE class = $1 AND model = $2 AND taught IS NOT NULL),
     summed AS (
       SELECT part, cause, sum(n::bigint) AS n
       FROM mine CROSS JOIN unnest(ARRAY['found', 'expected']) AS part CROSS JOIN LATERAL jsonb_each_text(taught->part) AS c (cause, n)
       GROUP BY part, cause),
     timed AS (SELECT key, count(*) AS n FROM lesson, unnest(times) AS key WHERE class = $1 AND model = $2 GROUP BY key)
     INSERT INTO tally (class, model, tally, times)
     SELECT $1, $2, jsonb_build_object(
       'counts', (SELECT coalesce(sum((taught->>'counts')::bigint), 0) FROM mine),
       'found', (SELECT coalesce(jsonb_object_agg(cause, n), '{}') FROM summed WHERE part = 'found'),
       'expected', (SELECT coalesce(jsonb_object_agg(cause, n), '{}') FROM summed WHERE part = 'expected')),
       (SELECT coalesce(jsonb_object_agg(key, n), '{}') FROM timed)
     ON CONFLICT (class, model) DO UPDATE SET tally = EXCLUDED.tally, times = EXCLUDED.times`,
    [of, model],
  );
}

/** What all lessons come to. */
interface Tallied {
  tallies: Tallies;
  times: TimeCounts;
}

/** How often things took so long, on all models. */
function timesOf(rows: readonly { times: TimeCounts }[]): TimeCounts {
  const all: Record<string, number> = {};
  for (const { times } of rows) for (const [key, n] of Object.entries(times)) all[key] = (all[key] ?? 0) + n;
  return Object.fromEntries(Object.entries(all).sort(([x], [y]) => (x < y ? -1 : 1)));
}

/** The odds and minutes that it comes to, and nothing else, as a text. */
const saidBy = ({ tallies, times }: Tallied, elsewhere: readonly Elsewhere[]): string =>
  JSON.stringify([learnFrom(tallies, elsewhere), pacesIn(learnMinutes(times))], (name, value: unknown) =>
    ['counts', 'strength', 'found', 'expected'].includes(name) ? undefined : value,
  );

/** Keeps what all models come to; whether the odds or the minutes have changed by it. */
async function keepTallies(client: pg.PoolClient): Promise<boolean> {
  await client.query('SELECT pg_advisory_xact_lock($1)', [LEARNING]);
  const { rows } = await client.query<{ class: string; model: string; tally: Tally; times: TimeCounts }>(
    'SELECT class, model, tally, times FROM tally ORDER BY class, model',
  );
  const { rows: before } = await client.query<Tallied & { of: string }>(
    'SELECT tallies, times, of FROM tallied',
  );
  const tallies = together(
    rows
      .filter(({ tally }) => tally.counts > 0)
      .map(({ class: group, model, tally }) => ({
        groups: { [group]: tally },
        models: { [model]: { ...tally, group } },
      })),
  );
  const now: Tallied = { tallies, times: timesOf(rows) };
  const of = createHash('sha256').update(JSON.stringify(now)).digest('base64url').slice(0, 16);
  if (before[0]?.of === of) return false;
  await client.query(
    `INSERT INTO tallied (tallies, times, of) VALUES ($1, $2, $3)
     ON CONFLICT (one) DO UPDATE SET tallies = EXCLUDED.tallies, times = EXCLUDED.times, of = EXCLUDED.of`,
    [JSON.stringify(now.tallies), JSON.stringify(now.times), of],
  );
  const elsewhere = await talliedElsewhere(client);
  return saidBy(before[0] ?? { tallies: together([]), times: {} }, elsewhere) !== saidBy(now, elsewhere);
}
