import type { Carburettor } from '@rusty-wren/core/knowledge';
import type { Db } from '../db/pool';

/** What a machine's carburettor is, as it was seen last and not struck: on this machine, else on another of its model; null where nobody said. */
export async function readCarburettor(
  db: Db,
  machine: { machine_id: string; maker: string; model: string },
): Promise<Carburettor | null> {
  const { rows } = await db.query<{ body: Carburettor }>(
    `SELECT e.body
     FROM bench_entry e JOIN job j ON j.id = e.job_id JOIN machine m ON m.id = j.machine_id
     WHERE e.kind = 'carburettor' AND lower(m.maker) = lower($1) AND lower(m.model) = lower($2)
       AND NOT EXISTS (SELECT 1 FROM bench_entry s WHERE s.strikes = e.id)
     ORDER BY (m.id = $3) DESC, e.noted_at DESC, e.seq DESC
     LIMIT 1`,
    [machine.maker, machine.model, machine.machine_id],
  );
  return rows[0]?.body ?? null;
}
