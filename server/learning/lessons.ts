import { factsOf, type Machine } from '@rusty-wren/contract';
import type { Account } from '@rusty-wren/core/account';
import { groupOf, lessonOf, timeKey, timesIn } from '@rusty-wren/core/learning';
import type { Picture } from '@rusty-wren/core/log';
import type pg from 'pg';

/** A job whose log was read, as far as it may teach. */
export interface MayTeach {
  jobId: string;
  customerId: string;
  machineId: string;
  machine: Machine;
  model: string;
  picture: Picture;
  account: Account;
}

/** Keeps what these jobs teach by themselves, and says whose jobs are to be gone over again: in the transaction that has grown the logs. */
export async function keepLessons(client: pg.PoolClient, jobs: readonly MayTeach[]): Promise<void> {
  const lessons = jobs.flatMap(({ jobId, customerId, machineId, machine, model, picture, account }) => {
    const lesson = lessonOf(picture, account);
    const facts = factsOf(machine);
    // Nobody's words are kept: no odds rest on them.
    const { alreadyTried: _, ...history } = picture.history;
    return lesson && picture.stageSince
      ? [
          {
            job_id: jobId,
            customer_id: customerId,
            machine_id: machineId,
            class: groupOf(facts),
            model,
            closed_at: picture.stageSince,
            counts: lesson.counts,
            found: lesson.found,
            times: timesIn(picture.trail).map(timeKey),
            asked: {
              machine: {
                kind: facts.kind,
                ...(facts.displacementCc && { displacementCc: facts.displacementCc }),
              },
              history,
              complaints: picture.complaints.map((c) => c.complaint).toSorted(),
            },
          },
        ]
      : [];
  });
  await client.query({
    name: 'keep_lessons',
    text: `WITH given AS (
        SELECT * FROM jsonb_to_recordset($1) AS l (job_id uuid, customer_id uuid, machine_id uuid, class text, model text,
          closed_at timestamptz, counts integer, found jsonb, asked jsonb, times text[])),
      gone AS (DELETE FROM lesson WHERE job_id = ANY($2) AND job_id NOT IN (SELECT job_id FROM given) RETURNING customer_id, class, model),
      kept AS (
        INSERT INTO lesson AS l (job_id, customer_id, machine_id, class, model, closed_at, counts, found, asked, times)
        SELECT job_id, customer_id, machine_id, class, model, closed_at, counts, found, asked, times FROM given
        ON CONFLICT (job_id) DO UPDATE SET class = EXCLUDED.class, model = EXCLUDED.model, closed_at = EXCLUDED.closed_at,
          counts = EXCLUDED.counts, found = EXCLUDED.found, asked = EXCLUDED.asked, times = EXCLUDED.times, taught = NULL,
          expected = CASE WHEN l.asked = EXCLUDED.asked THEN l.expected END
        WHERE (l.class, l.model, l.closed_at, l.counts, l.found, l.asked, l.times)
          IS DISTINCT FROM (EXCLUDED.class, EXCLUDED.model, EXCLUDED.closed_at, EXCLUDED.counts, EXCLUDED.found, EXCLUDED.asked, EXCLUDED.times)
        RETURNING customer_id),
      -- It may have come back: what it was thought to have had then is taken back.
      again AS (SELECT l.customer_id FROM job j JOIN lesson l ON l.machine_id = j.machine_id WHERE j.id = ANY($2) AND l.job_id <> j.id)
      INSERT INTO to_learn (customer_id, class, model)
      SELECT customer_id, class, model FROM gone
      UNION SELECT customer_id, NULL, NULL FROM kept UNION SELECT customer_id, NULL, NULL FROM again`,
    values: [JSON.stringify(lessons), jobs.map((j) => j.jobId)],
  });
}
