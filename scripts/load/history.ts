import type pg from 'pg';
import { project } from '../../server/cards/project';
import { wordsIn } from '../../server/cards/card';
import { inTransaction, type Pool } from '../../server/db/pool';
import type { Learner } from '../../server/learning/learner';
import { learnerOf } from '../../server/testing/learner';
import { FIRST, LAST_BACK, LAST_FRONT } from './names';

/** Years that the history reaches back, and jobs of it that hang on the rack. */
const YEARS = 10;
const OPEN = 40;
/** Jobs are made so many at a time. */
const BATCH = 10_000;

interface Template {
  id: string;
  /** The number of the first job made after it. */
  first: number;
  /** The card of the first job made after it, and its words without those of its owner, machine and tag. */
  says: object;
  leaving: object;
  words: string;
  facts: string;
}

/** Tables a job is made of: their triggers are not asked while the history is laid down. */
const LAID = ['bench_entry', 'job'] as const;

/** The jobs whose logs are laid down over and over: those that name nothing of another log or file. */
async function templatesOf(pool: Pool): Promise<{ id: string; open: boolean }[]> {
  const { rows } = await pool.query<{ id: string; open: boolean }>(
    `SELECT j.id, k.stage <> 'closed' AS open FROM job j JOIN job_card k ON k.job_id = j.id
     WHERE NOT EXISTS (SELECT 1 FROM bench_entry e WHERE e.job_id = j.id AND e.kind IN ('photo', 'paper', 'can'))
     ORDER BY j.tag`,
  );
  return rows;
}

/** Owners and machines: so many of each, with names, numbers and models drawn. */
async function makeOwners(client: pg.PoolClient, owners: number, machines: number): Promise<void> {
  await client.query(
    `INSERT INTO customer (id, name, circle, phone)
     SELECT md5('owner' || n)::uuid,
       ($2::text[])[1 + (n * 7919) % cardinality($2::text[])] || ' ' ||
         ($3::text[])[1 + (n * 104729) % cardinality($3::text[])] || ($4::text[])[1 + (n * 1299709) % cardinality($4::text[])],
       (ARRAY['Growers', 'Footpaths', 'School grounds', NULL])[1 + n % 4], '0' || (5550000 + n * 37)
     FROM generate_series(1, $1::bigint) AS n`,
    [owners, FIRST, LAST_FRONT, LAST_BACK],
  );
  await client.query(
    `INSERT INTO machine (id, customer_id, kind, maker, model, serial, displacement_cc)
     SELECT md5('machine' || n)::uuid, md5('owner' || 1 + (n * 6700417) % $2::bigint)::uuid, m.kind, m.maker, m.model,
       upper(left(m.maker, 1)) || n % 90 || '-' || (10000 + n), m.displacement_cc
     FROM generate_series(1, $1::bigint) AS n
     JOIN (SELECT row_number() OVER (ORDER BY maker, model) - 1 AS at, count(*) OVER () AS of, * FROM (
       SELECT DISTINCT ON (maker, model) * FROM machine ORDER BY maker, model) d) m ON m.at = (n * 31) % m.of`,
    [machines, owners],
  );
}

/** Jobs from one number on, each after a template, with their entries; the older the smaller the number. */
async function makeJobs(
  client: pg.PoolClient,
  {
    from,
    to,
    all,
    machines,
    templates,
  }: { from: number; to: number; all: number; machines: number; templates: string[] },
): Promise<void> {
  await client.query(
    `INSERT INTO job (id, machine_id, checked_in_at, promised_for)
     SELECT md5('job' || n)::uuid, md5('machine' || 1 + (n * 7368787) % $4::bigint)::uuid, c.at, (c.at + interval '7 days')::date
     FROM generate_series($1::bigint, $2::bigint) AS n,
       LATERAL (SELECT date_trunc('milliseconds', now()) - make_interval(secs => ($3 - n + 1)::float8 / $3 * ${YEARS} * 365 * 86400) AS at) c ORDER BY n`,
    [from, to, all, machines],
  );
  await client.query(
    `INSERT INTO bench_entry (id, job_id, seq, at, noted_at, account_id, kind, body, strikes)
     SELECT md5('job' || n || e.id::text)::uuid, md5('job' || n)::uuid, e.seq, e.at, j.checked_in_at + (e.noted_at - t.checked_in_at),
       e.account_id, e.kind, e.body, CASE WHEN e.strikes IS NULL THEN NULL ELSE md5('job' || n || e.strikes::text)::uuid END
     FROM generate_series($1::bigint, $2::bigint) AS n
     JOIN job t ON t.id = ($3::uuid[])[1 + (n * 92821) % cardinality($3::uuid[])]
     JOIN job j ON j.id = md5('job' || n)::uuid
     JOIN bench_entry e ON e.job_id = t.id`,
    [from, to, templates],
  );
}

/** Closes jobs whose logs are open, a day after their last entry. */
const closeThem = (client: pg.PoolClient, from: number, to: number): Promise<unknown> =>
  client.query(
    `INSERT INTO bench_entry (id, job_id, seq, noted_at, kind, body)
     SELECT md5('closing' || n)::uuid, l.job_id, l.seq + 1, least(date_trunc('milliseconds', now()), l.noted_at + interval '1 day'), 'stage',
       '{"stage": "closed", "reason": "fetched by its owner"}'
     FROM generate_series($1::bigint, $2::bigint) AS n,
       LATERAL (SELECT job_id, seq, noted_at FROM bench_entry WHERE job_id = md5('job' || n)::uuid ORDER BY seq DESC LIMIT 1) l
     WHERE NOT EXISTS (SELECT 1 FROM bench_entry e WHERE e.job_id = l.job_id AND e.kind = 'stage' AND e.body->>'stage' = 'closed')`,
    [from, to],
  );

/** What is worked out of a template once, to be laid down for all jobs after it. */
async function readTemplate(client: pg.PoolClient, id: string, n: number): Promise<Template> {
  const { rows } = await client.query<{ says: object; leaving: object; words: string; facts: string }>(
    `SELECT says, leaving, words, facts FROM job_card WHERE job_id = md5('job' || $1::bigint)::uuid`,
    [n],
  );
  const own = await client.query<{ text: string }>(
    `SELECT concat_ws(' ', j.tag, c.name, c.circle, c.phone, m.maker, m.model, m.serial, m.kind) AS text
     FROM job j JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id
     WHERE j.id = md5('job' || $1::bigint)::uuid`,
    [n],
  );
  const drop = new Set(wordsIn([own.rows[0]!.text]));
  const card = rows[0]!;
  return {
    id,
    first: n,
    says: card.says,
    leaving: card.leaving,
    facts: card.facts,
    words: card.words
      .split(' ')
      .filter((w) => !drop.has(w))
      .join(' '),
  };
}

/** Lays the cards, squeezes and words down that the logs come to. */
async function makeCards(
  client: pg.PoolClient,
  { from, to, templates, version }: { from: number; to: number; templates: Template[]; version: number },
): Promise<void> {
  const plain = `regexp_replace(lower(concat_ws(' ', j.tag, c.name, c.circle, c.phone, m.maker, m.model, m.serial, m.kind,
    replace(m.serial, '-', ''))), '[^[:alnum:]]+', ' ', 'g')`;
  await client.query(
    `INSERT INTO job_card (job_id, version, seq, facts, customer_id, machine_id, stage, since, shared_can, says, words, leaving, model)
     SELECT j.id, $4, l.seq, t.facts, m.customer_id, m.id, 'closed', l.noted_at, false, t.says, ${plain} || ' ' || t.words, t.leaving,
       lower(m.maker || ' ' || m.model)
     FROM generate_series($1::bigint, $2::bigint) AS n
     JOIN job j ON j.id = md5('job' || n)::uuid JOIN machine m ON m.id = j.machine_id JOIN customer c ON c.id = m.customer_id
     JOIN (SELECT ordinality - 1 AS at, value->'says' AS says, value->'leaving' AS leaving, value->>'words' AS words, value->>'facts' AS facts
       FROM jsonb_array_elements($3::jsonb) WITH ORDINALITY) t ON t.at = (n * 92821) % jsonb_array_length($3::jsonb),
     LATERAL (SELECT seq, noted_at FROM bench_entry WHERE job_id = j.id ORDER BY seq DESC LIMIT 1) l
     ON CONFLICT (job_id) DO NOTHING`,
    [from, to, JSON.stringify(templates), version],
  );
  await client.query(
    `INSERT INTO squeeze (entry_id, job_id, machine_id, model, psi, sound, noted_at)
     SELECT md5('job' || n || s.entry_id::text)::uuid, j.id, m.id, lower(m.maker || ' ' || m.model), s.psi, s.sound,
       j.checked_in_at + (s.noted_at - o.checked_in_at)
     FROM generate_series($1::bigint, $2::bigint) AS n
     JOIN job j ON j.id = md5('job' || n)::uuid JOIN machine m ON m.id = j.machine_id
     JOIN job o ON o.id = ($3::uuid[])[1 + (n * 92821) % cardinality($3::uuid[])]
     JOIN squeeze s ON s.job_id = o.id
     ON CONFLICT DO NOTHING`,
    [from, to, templates.map((t) => t.id)],
  );
  // What the first job after each template taught, the others teach as well, on their own machines.
  await client.query(
    `INSERT INTO lesson (job_id, customer_id, machine_id, class, model, closed_at, counts, found, asked, times, expected, taught)
     SELECT k.job_id, k.customer_id, k.machine_id, l.class, k.model, k.since, l.counts, l.found, l.asked, l.times, l.expected, l.taught
     FROM generate_series($1::bigint, $2::bigint) AS n
     JOIN job_card k ON k.job_id = md5('job' || n)::uuid
     JOIN lesson l ON l.job_id = md5('job' || ($3::bigint[])[1 + (n * 92821) % cardinality($3::bigint[])])::uuid
     ON CONFLICT (job_id) DO NOTHING`,
    [from, to, templates.map((t) => t.first)],
  );
  await client.query(
    `INSERT INTO word SELECT DISTINCT w FROM generate_series($1::bigint, $2::bigint) AS n
     JOIN job_card k ON k.job_id = md5('job' || n)::uuid, unnest(string_to_array(k.words, ' ')) AS w
     WHERE w <> '' AND length(w) <= 40 ON CONFLICT DO NOTHING`,
    [from, to],
  );
}

/**
 * Fills a database that holds the demo with a believable history of so many closed jobs and forty open ones: the demo's logs over
 * and over, on machines of owners of their own, over ten years. Returns how many entries there are then.
 */
export async function makeHistory(
  pool: Pool,
  jobs: number,
  tell: (share: number) => void = () => undefined,
): Promise<number> {
  const found = await templatesOf(pool);
  const templates = found.map((t) => t.id);
  const machines = Math.max(50, Math.round(jobs / 2.5));
  const owners = Math.max(20, Math.round(jobs / 6));
  const slow = (client: pg.PoolClient): Promise<unknown> =>
    client.query(
      "SET LOCAL statement_timeout = 0; SET LOCAL synchronous_commit = off; SET LOCAL work_mem = '256MB'",
    );
  await inTransaction(pool, async (client) => {
    await slow(client);
    await makeOwners(client, owners, machines);
  });
  const learner = learnerOf(pool);
  let laid: Template[] = [];
  let version = 0;
  for (let from = 1; from <= jobs; from += BATCH) {
    const to = Math.min(jobs, from + BATCH - 1);
    await inTransaction(pool, async (client) => {
      await slow(client);
      for (const table of LAID) await client.query(`ALTER TABLE ${table} DISABLE TRIGGER USER`);
      await makeJobs(client, { from, to, all: jobs, machines, templates });
      await closeThem(client, from, to);
      for (const table of LAID) await client.query(`ALTER TABLE ${table} ENABLE TRIGGER USER`);
    });
    if (laid.length === 0) {
      // The first job after each template is worked out as any other; the rest is laid down after it.
      const firsts = templates.map((_, at) => {
        for (let n = 1; n <= to; n++) if ((n * 92821) % templates.length === at) return n;
        throw new Error('too few jobs: not every template has one');
      });
      await inTransaction(pool, async (client) => {
        const ids = await client.query<{ id: string }>(
          `SELECT md5('job' || n)::uuid AS id FROM unnest($1::bigint[]) AS n`,
          [firsts],
        );
        await project(
          client,
          ids.rows.map((r) => r.id),
        );
        laid = [];
        for (const [at, id] of templates.entries()) laid.push(await readTemplate(client, id, firsts[at]!));
        version = (await client.query<{ version: number }>('SELECT max(version) AS version FROM job_card'))
          .rows[0]!.version;
      });
      await learner.learn();
    }
    await inTransaction(pool, async (client) => {
      await slow(client);
      await makeCards(client, { from, to, templates: laid, version });
    });
    tell(to / jobs);
  }
  await openSome(pool, found);
  await tallyAll(pool, learner);
  const client = await pool.connect();
  try {
    await client.query('SET statement_timeout = 0');
    await client.query('VACUUM ANALYZE');
    return Number((await client.query<{ n: string }>('SELECT count(*) AS n FROM bench_entry')).rows[0]!.n);
  } finally {
    await client.query('RESET statement_timeout');
    client.release();
  }
}

/** Adds up what all of it has taught: one owner of each model is gone over. */
async function tallyAll(pool: Pool, learner: Learner): Promise<void> {
  await pool.query(
    `INSERT INTO to_learn (customer_id, class, model)
     SELECT DISTINCT ON (class, model) customer_id, class, model FROM lesson ORDER BY class, model, customer_id`,
  );
  await learner.learn();
}

/** Hangs jobs on the rack until forty hang there: after those of the demo that do. */
async function openSome(pool: Pool, found: readonly { id: string; open: boolean }[]): Promise<void> {
  const open = found.filter((t) => t.open);
  const there = Number(
    (await pool.query<{ n: string }>(`SELECT count(*) AS n FROM job_card WHERE stage <> 'closed'`)).rows[0]!
      .n,
  );
  for (let n = 0; n < OPEN - there; n++)
    await inTransaction(pool, async (client) => {
      const template = open[n % open.length]!.id;
      const id = (
        await client.query<{ id: string }>(
          `INSERT INTO job (id, machine_id, promised_for) VALUES (md5('open' || $1::int)::uuid, md5('machine' || 1 + $1::int)::uuid,
             current_date + 3) RETURNING id`,
          [n],
        )
      ).rows[0]!.id;
      await client.query(
        `INSERT INTO bench_entry (id, job_id, seq, at, noted_at, account_id, kind, body, strikes)
         SELECT md5($1::uuid::text || id::text)::uuid, $1::uuid, seq, at, noted_at, account_id, kind, body,
           CASE WHEN strikes IS NULL THEN NULL ELSE md5($1::uuid::text || strikes::text)::uuid END
         FROM bench_entry WHERE job_id = $2`,
        [id, template],
      );
      await project(client, [id]);
    });
}
