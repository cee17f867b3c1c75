import type { Carburettor } from '@rusty-wren/core/knowledge';
import type { Db } from '../db/pool';
import { modelKey } from './squeeze';

/** What a machine's carburettor is, as it was seen last and not struck: on this machine, else on another of its model; null where nobody said. */
export async function readCarburettor(
  db: Db,
  machine: { machine_id: string; maker: string; model: string },
): Promise<Carburettor | null> {
  const { rows } = await db.query<{ body: Carburettor }>(
    `(SELECT body, 0 AS rank FROM carburettor_seen WHERE machine_id = $1 ORDER BY noted_at DESC LIMIT 1)
     UNION ALL
     (SELECT body, 1 FROM carburettor_seen WHERE model = $2 ORDER BY noted_at DESC LIMIT 1)
     ORDER BY rank LIMIT 1`,
    [machine.machine_id, modelKey(machine)],
  );
  return rows[0]?.body ?? null;
}
