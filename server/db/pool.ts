import pg from 'pg';

export type Pool = pg.Pool;
export type Db = pg.Pool | pg.PoolClient;

// Dates stay the text PostgreSQL gives: a promised day has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** No statement, lock or idle transaction holds up others longer than this. */
const LIMITS = {
  statement_timeout: 10_000,
  lock_timeout: 5_000,
  idle_in_transaction_session_timeout: 10_000,
  connectionTimeoutMillis: 5_000,
  // Nothing asked here is long enough to be worth compiling.
  options: '-c jit=off',
} as const;

/** A connection pool to the database at the URL. */
export function connect(url: string): Pool {
  const pool = new pg.Pool({ connectionString: url, max: 10, ...LIMITS });
  const lost = (error: Error): void => console.error(`database connection lost: ${error.message}`);
  // A connection dropped by a restarting server, idle or in use, is replaced by the pool; it must not end the program.
  pool.on('error', lost);
  pool.on('connect', (client) => client.on('error', lost));
  return pool;
}

/** Does something with a database on a connection of its own, on which nothing is cut off. */
export async function withClient<T>(url: string, work: (client: pg.Client) => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/** Does something with a database on a pool of its own. */
export async function withPool<T>(url: string, work: (pool: Pool) => Promise<T>): Promise<T> {
  const pool = connect(url);
  try {
    return await work(pool);
  } finally {
    await pool.end();
  }
}

/** The address of another database on the same server. */
export function databaseBeside(url: string, name: string): string {
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.href;
}

/** Runs the work in one transaction; rolls back when it throws. */
export async function inTransaction<T>(pool: Pool, work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  let broken: Error | undefined;
  try {
    await client.query('BEGIN');
    const result = await work(client);
    await client.query('COMMIT');
    return result;
  } catch (error) {
    // What cannot even be rolled back is a lost connection: it is thrown away, and the transaction with it.
    await client.query('ROLLBACK').catch((lost: Error) => (broken = lost));
    throw error;
  } finally {
    client.release(broken);
  }
}

const AWAY = new Set(['ECONNREFUSED', 'ECONNRESET', 'ENOENT', 'EPIPE', 'ETIMEDOUT']);
/** Of PostgreSQL: connections, resources (a full disk), a statement or a lock that took too long, shutting down. */
const LATER = /^(?:08|53|57|58)|^55P03$|^40/;

/** Whether an error says that the database cannot answer now, and may later. */
export function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code, syscall } = error as { code?: unknown; syscall?: unknown };
  if (error instanceof pg.DatabaseError) return LATER.test(error.code ?? '');
  // A file that is missing says ENOENT too: only what was said of connecting is of the database.
  if (typeof code === 'string' && AWAY.has(code) && (code !== 'ENOENT' || syscall === 'connect')) return true;
  return /Connection terminated|timeout exceeded when trying to connect|not queryable|Client was closed|Query read timeout/.test(
    error.message,
  );
}
