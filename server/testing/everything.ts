import { quoted, tablesOf } from '../backup/tables';
import { withClient } from '../db/pool';

/** Every row of every table, as text. `all`: what is worked out of the logs and who is signed in, too. */
export const everything = (url: string, all = true): Promise<Record<string, string[]>> =>
  withClient(url, async (client) => {
    const found: Record<string, string[]> = {};
    for (const { name, columns } of await tablesOf(client, { all }))
      found[name] = (
        await client.query<{ row: string }>(
          `SELECT to_jsonb(t)::text AS row FROM (SELECT ${columns.map(quoted).join(', ')} FROM ${quoted(name)}) t ORDER BY 1`,
        )
      ).rows.map((r) => r.row);
    return found;
  });
