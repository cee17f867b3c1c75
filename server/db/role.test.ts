import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';
import { connect } from './pool';
import { prepareRole } from './role';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
  await post(bench.app, '/api/jobs', aCheckIn());
});
afterAll(() => bench.close());

const FORBIDDEN = [
  "UPDATE audit SET what = 'nothing'",
  'DELETE FROM audit',
  'TRUNCATE audit',
  'DELETE FROM bench_entry',
  'TRUNCATE bench_entry CASCADE',
  "UPDATE bench_entry SET noted_at = now() - interval '1 year'",
  'UPDATE bench_entry SET strikes = NULL',
  "UPDATE part_move SET words = 'never'",
  'DELETE FROM shop_rules',
  'DELETE FROM migration',
  "INSERT INTO migration (name, checksum) VALUES ('9999', '')",
  'ALTER TABLE audit DISABLE TRIGGER ALL',
  'DROP TRIGGER audit_stays ON audit',
  'DROP TABLE session',
  'CREATE TABLE mine (it int)',
  'CREATE FUNCTION mine() RETURNS int LANGUAGE sql AS $$ SELECT 1 $$',
  "SET session_replication_role = 'replica'",
  'CREATE ROLE mine SUPERUSER',
  'ALTER ROLE CURRENT_USER SUPERUSER',
  "COPY job TO PROGRAM 'cat'",
  "SELECT pg_read_file('/etc/passwd')",
];

describe('whom the app works as', () => {
  it.each(FORBIDDEN)('may not: %s', async (sql) => {
    await expect(bench.atWork.query(sql)).rejects.toThrow(/permission denied|must be (owner|superuser)/);
  });

  it('changes an entry’s words no other way than its owner may', async () => {
    for (const pool of [bench.atWork, bench.pool])
      await expect(pool.query("UPDATE bench_entry SET body = '{}'")).rejects.toThrow('append-only');
  });

  it('is made once, whoever starts at the same moment, and given another password where that is another', async () => {
    const app = new URL(bench.url);
    [app.username, app.password] = ['wren_tests_made', 'first'];
    await Promise.all([1, 2, 3, 4].map(() => prepareRole(bench.url, app.href)));
    app.password = 'second';
    await prepareRole(bench.url, app.href);
    const pool = connect(app.href);
    expect((await pool.query('SELECT 1 FROM job')).rowCount).toBe(1);
    await pool.end();
    await bench.pool.query('DROP OWNED BY wren_tests_made; DROP ROLE wren_tests_made');
    // The owner stays who it is.
    await prepareRole(bench.url, bench.url);
    expect((await bench.pool.query('DELETE FROM sign_in_try')).rowCount).toBe(0);
  });
});

describe('who owns the tables', () => {
  it.each([
    "UPDATE audit SET what = 'nothing'",
    'TRUNCATE audit',
    'TRUNCATE bench_entry CASCADE',
    'DELETE FROM bench_entry',
  ])('is stopped as well: %s', async (sql) => {
    await bench.pool.query("INSERT INTO audit (what) VALUES ('rules')");
    await expect(bench.pool.query(sql)).rejects.toThrow(/only ever added to|append-only/);
  });
});
