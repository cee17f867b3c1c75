import pg from 'pg';
import { quoted, tablesOf } from '../backup/tables';

/** Does something with a database on a connection of its own. */
export async function asked<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  return await work(client).finally(() => client.end());
}

/** Every row of every table, as text. `all`: what is worked out of the logs and who is signed in, too. */
export const everything = (url: string, all = true): Promise<Record<string, string[]>> =>
  asked(url, async (client) => {
    const found: Record<string, string[]> = {};
    for (const { name, columns } of await tablesOf(client, { all }))
      found[name] = (
        await client.query<{ row: string }>(
          `SELECT to_jsonb(t)::text AS row FROM (SELECT ${columns.map(quoted).join(', ')} FROM ${quoted(name)}) t ORDER BY 1`,
        )
      ).rows.map((r) => r.row);
    return found;
  });
