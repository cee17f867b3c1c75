import { accountOf, leavingOf } from '@rusty-wren/core/account';
import { caseOf } from '@rusty-wren/core/log';
import type pg from 'pg';
import { inTransaction, type Db, type Pool } from '../db/pool';
import { readLogs } from '../jobs/log';
import { keepLessons } from '../learning/lessons';
import { JOB_COLUMNS, jobOf, type JobRow } from '../jobs/rows';
import { modelKey, readSqueezes } from '../specs/squeeze';
import { CARD_VERSION, carburettorIn, factsKey, pictureOf, saysOf, squeezesIn, wordsOf } from './card';

/** Holds the rows of jobs until the transaction ends, in one order: whoever grows their logs or makes their cards waits. */
export const holdJobs = (client: pg.PoolClient, ids: readonly string[]): Promise<unknown> =>
  client.query('SELECT 1 FROM job WHERE id = ANY($1) ORDER BY id FOR NO KEY UPDATE', [ids]);

/**
 * Makes the cards of these jobs anew from their logs, with the squeezes and carburettors that stand in them: in the transaction
 * that has grown the logs, or by itself. The jobs' rows are held meanwhile, so that no card is older than its log.
 */
export async function project(client: pg.PoolClient, jobIds: Iterable<string>): Promise<void> {
  const ids = [...new Set(jobIds)].sort();
  if (ids.length === 0) return;
  await holdJobs(client, ids);
  const { rows } = await client.query<JobRow>({
    name: 'jobs_to_project',
    text: `SELECT ${JOB_COLUMNS} WHERE j.id = ANY($1)`,
    values: [ids],
  });
  const logs = await readLogs(client, ids);
  await keepSeen(client, rows, logs);
  // Those of this very job count for others of its model, and so they are kept first.
  const squeezes = await readSqueezes(client, rows);
  const read = rows.map((row) => {
    const job = jobOf(row, squeezes(row));
    const entries = logs.get(row.id) ?? [];
    const picture = pictureOf(job.machine, entries);
    return { row, job, entries, picture, account: accountOf(picture, caseOf(picture)) };
  });
  const cards = read.map(({ row, job, entries, picture, account }) => {
    return {
      job_id: row.id,
      version: CARD_VERSION,
      seq: entries.at(-1)?.seq ?? 0,
      facts: factsKey(job.machine),
      customer_id: row.customer_id,
      machine_id: row.machine_id,
      stage: picture.stage,
      since: picture.stageSince ?? job.checkedInAt,
      shared_can: !!picture.history.sharedCan,
      says: saysOf(picture, account, entries.length),
      words: wordsOf(job, picture, account).join(' '),
      leaving: leavingOf(picture, account),
      model: modelKey(row),
    };
  });
  await client.query({
    name: 'keep_cards',
    text: `INSERT INTO job_card (job_id, version, seq, facts, customer_id, machine_id, stage, since, shared_can, says, words, leaving, model)
      SELECT * FROM jsonb_to_recordset($1) AS c (job_id uuid, version integer, seq integer, facts text, customer_id uuid,
        machine_id uuid, stage text, since timestamptz, shared_can boolean, says jsonb, words text, leaving jsonb, model text)
      ON CONFLICT (job_id) DO UPDATE SET version = EXCLUDED.version, seq = EXCLUDED.seq, facts = EXCLUDED.facts,
        stage = EXCLUDED.stage, since = EXCLUDED.since, shared_can = EXCLUDED.shared_can, says = EXCLUDED.says, words = EXCLUDED.words,
        leaving = EXCLUDED.leaving, model = EXCLUDED.model`,
    values: [JSON.stringify(cards)],
  });
  await client.query({
    name: 'no_more_behind',
    text: 'DELETE FROM card_behind WHERE job_id = ANY($1)',
    values: [ids],
  });
  await keepLessons(
    client,
    read.map(({ row, job, picture, account }) => ({
      jobId: row.id,
      customerId: row.customer_id,
      machineId: row.machine_id,
      machine: job.machine,
      model: modelKey(row),
      picture,
      account,
    })),
  );
  await client.query({
    name: 'keep_words',
    // In one order, so that two who bring the same new words do not wait for each other.
    text: `INSERT INTO word (word) SELECT w FROM unnest($1::text[]) AS w ON CONFLICT DO NOTHING`,
    values: [[...new Set(cards.flatMap((c) => c.words.split(' ').filter(Boolean)))].sort()],
  });
}

/** Keeps the squeezes and carburettors that stand in these logs, and no others of theirs. */
async function keepSeen(
  client: pg.PoolClient,
  rows: readonly JobRow[],
  logs: ReadonlyMap<string, Parameters<typeof squeezesIn>[0]>,
): Promise<void> {
  const squeezes = rows.flatMap((row) =>
    squeezesIn(logs.get(row.id) ?? [], { kind: row.kind, displacementCc: row.displacement_cc }).map((s) => ({
      entry_id: s.entry,
      job_id: row.id,
      machine_id: row.machine_id,
      model: modelKey(row),
      psi: s.psi,
      sound: s.sound,
      noted_at: s.notedAt,
    })),
  );
  const carburettors = rows.flatMap((row) => {
    const seen = carburettorIn(logs.get(row.id) ?? []);
    return seen
      ? [
          {
            job_id: row.id,
            machine_id: row.machine_id,
            model: modelKey(row),
            body: seen.body,
            noted_at: seen.notedAt,
          },
        ]
      : [];
  });
  await client.query({
    name: 'keep_seen',
    text: `WITH
      gone AS (DELETE FROM squeeze WHERE job_id = ANY($1) AND entry_id <> ALL($2)),
      away AS (DELETE FROM carburettor_seen WHERE job_id = ANY($1) AND job_id <> ALL($3)),
      kept AS (
        INSERT INTO carburettor_seen (job_id, machine_id, model, body, noted_at)
        SELECT * FROM jsonb_to_recordset($5) AS c (job_id uuid, machine_id uuid, model text, body jsonb, noted_at timestamptz)
        ON CONFLICT (job_id) DO UPDATE SET body = EXCLUDED.body, noted_at = EXCLUDED.noted_at)
      INSERT INTO squeeze (entry_id, job_id, machine_id, model, psi, sound, noted_at)
      SELECT * FROM jsonb_to_recordset($4) AS s (entry_id uuid, job_id uuid, machine_id uuid, model text,
        psi double precision, sound boolean, noted_at timestamptz)
      ON CONFLICT (entry_id) DO UPDATE SET psi = EXCLUDED.psi, sound = EXCLUDED.sound`,
    values: [
      rows.map((r) => r.id),
      squeezes.map((s) => s.entry_id),
      carburettors.map((c) => c.job_id),
      JSON.stringify(squeezes),
      JSON.stringify(carburettors),
    ],
  });
}

/** The open jobs of some models. */
export async function openOfModels(
  db: Db,
  models: readonly { maker: string; model: string }[],
): Promise<string[]> {
  const { rows } = await db.query<{ job_id: string }>(
    `SELECT k.job_id FROM job_card k JOIN machine m ON m.id = k.machine_id
     WHERE k.stage <> 'closed' AND lower(m.maker || ' ' || m.model) = ANY($1)`,
    [models.map(({ maker, model }) => modelKey({ maker: maker.trim(), model: model.trim() }))],
  );
  return rows.map((r) => r.job_id);
}

/** So many cards are made anew in one transaction: nobody waits long for one of their jobs. */
const BATCH = 100;

/** Jobs whose card is not there or of an older way of working it out, the newest first, from under a tag on. */
async function oldCards(db: Db, below: number): Promise<{ id: string; tag: number }[]> {
  const { rows } = await db.query<{ id: string; tag: number }>(
    `SELECT j.id, j.tag FROM job j LEFT JOIN job_card k ON k.job_id = j.id
     WHERE j.tag < $1 AND (k.job_id IS NULL OR k.version < $2) ORDER BY j.tag DESC LIMIT ${BATCH}`,
    [below, CARD_VERSION],
  );
  return rows;
}

/**
 * Makes every card anew that is not there or older than this program, batch by batch, while the benches go on. Returns how many.
 * `isStopping`: ends it early.
 */
export async function rebuildCards(pool: Pool, isStopping: () => boolean = () => false): Promise<number> {
  let below = 2 ** 31 - 1;
  let made = 0;
  while (!isStopping()) {
    const old = await oldCards(pool, below);
    if (old.length === 0) break;
    await inTransaction(pool, (client) =>
      project(
        client,
        old.map((j) => j.id),
      ),
    );
    made += old.length;
    below = old.at(-1)!.tag;
  }
  return made;
}
