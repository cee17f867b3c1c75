import pg from 'pg';

export type Pool = pg.Pool;
export type Db = pg.Pool | pg.PoolClient;

// Dates stay the text PostgreSQL gives: a promised day has no time zone.
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text);

/** A connection pool to the database at the URL. */
export function connect(url: string): Pool {
  const pool = new pg.Pool({ connectionString: url, max: 10 });
  // An idle connection dropped by a restarting server is replaced by the pool; it must not end the program.
  pool.on('error', (error) => console.error(`database connection lost: ${error.message}`));
  return pool;
}

/** Runs the work in one transaction; rolls back when it throws. */
export async function inTransaction<T>(pool: Pool, work: (client: pg.PoolClient) => Promise<T>): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query('BEGIN');
    const result = await work(client);
    await client.query('COMMIT');
    return result;
  } catch (error) {
    await client.query('ROLLBACK');
    throw error;
  } finally {
    client.release();
  }
}
