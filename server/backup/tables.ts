import type pg from 'pg';

/** A table of the shop's. */
export interface Table {
  name: string;
  /** Its columns, those that PostgreSQL works out by itself apart. */
  columns: string[];
  /** The columns of its primary key. */
  key: string[];
}

/** Worked out of the logs: made anew wherever they are wanted. */
const WORKED_OUT = [
  'job_card',
  'card_behind',
  'squeeze',
  'carburettor_seen',
  'word',
  'lesson',
  'to_learn',
  'tally',
  'tallied',
];

/** Opens the shop, and is nobody's to carry about: who comes from an export chooses a PIN anew. */
const OPENS = {
  tables: ['session', 'session_hand', 'sign_in_try', 'first_lead_code', 'instrument'],
  columns: ['secret', 'demo_pin'],
};

/** A name as SQL takes it. */
export const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/**
 * The shop's tables, each after those it points at. `all`: what is worked out of the logs, what opens the shop, and the list of
 * migrations too.
 */
export async function tablesOf(client: pg.ClientBase, { all }: { all: boolean }): Promise<Table[]> {
  const { rows } = await client.query<Table & { to: string[] }>(
    `SELECT c.relname AS name,
       (SELECT array_agg(a.attname::text ORDER BY a.attnum) FROM pg_attribute a
        WHERE a.attrelid = c.oid AND a.attnum > 0 AND NOT a.attisdropped AND a.attgenerated = '') AS columns,
       coalesce((SELECT array_agg(a.attname::text ORDER BY k.n) FROM pg_index i
          CROSS JOIN LATERAL unnest(i.indkey::int2[]) WITH ORDINALITY AS k (attnum, n)
          JOIN pg_attribute a ON a.attrelid = i.indrelid AND a.attnum = k.attnum
        WHERE i.indrelid = c.oid AND i.indisprimary), '{}') AS key,
       coalesce((SELECT array_agg(DISTINCT f.relname::text) FROM pg_constraint x JOIN pg_class f ON f.oid = x.confrelid
        WHERE x.conrelid = c.oid AND x.contype = 'f' AND f.oid <> c.oid), '{}') AS to
     FROM pg_class c WHERE c.relnamespace = 'public'::regnamespace AND c.relkind = 'r' ORDER BY c.relname`,
  );
  const waiting = new Map(rows.map((row) => [row.name, row]));
  const sorted: Table[] = [];
  while (waiting.size > 0) {
    const ready = [...waiting.values()].filter((t) => t.to.every((name) => !waiting.has(name)));
    if (ready.length === 0) throw new Error(`tables point at each other: ${[...waiting.keys()].join(', ')}`);
    for (const { name, columns, key } of ready) {
      waiting.delete(name);
      sorted.push({ name, columns, key });
    }
  }
  if (all) return sorted;
  const left = ['migration', ...WORKED_OUT, ...OPENS.tables];
  return sorted
    .filter(({ name }) => !left.includes(name))
    .map((t) => ({ ...t, columns: t.columns.filter((column) => !OPENS.columns.includes(column)) }));
}

/** How many rows stand in each of these tables. */
export async function rowsIn(
  client: pg.ClientBase,
  tables: readonly Table[],
): Promise<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (const { name } of tables) {
    const { rows } = await client.query<{ n: string }>(`SELECT count(*) AS n FROM ${quoted(name)}`);
    counts[name] = Number(rows[0]!.n);
  }
  return counts;
}

/** The names of the migrations a database has had; none where it has had none. */
export async function migrationsOf(client: pg.ClientBase): Promise<string[]> {
  const { rows: there } = await client.query("SELECT 1 WHERE to_regclass('public.migration') IS NOT NULL");
  if (there.length === 0) return [];
  const { rows } = await client.query<{ name: string }>('SELECT name FROM migration ORDER BY name');
  return rows.map((row) => row.name);
}
