import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { emptyDatabase } from '../testing/bench';
import { migrate } from './migrate';
import { connect, type Pool } from './pool';

let database: { url: string; drop: () => Promise<void> };
let pool: Pool;
let folder: string;
const at = (): URL => pathToFileURL(`${folder}/`);
const put = (name: string, sql: string): Promise<void> => writeFile(join(folder, name), sql);

beforeAll(async () => {
  database = await emptyDatabase();
  pool = connect(database.url);
});
afterAll(async () => {
  await pool.end();
  await database.drop();
});
beforeEach(async () => {
  await pool.query('DROP SCHEMA public CASCADE; CREATE SCHEMA public');
  folder = await mkdtemp(join(tmpdir(), 'wren-migrations-'));
  await put('0001_a.sql', 'CREATE TABLE a (n int)');
});

describe('migrations', () => {
  it('are applied in order, once', async () => {
    await put('0002_b.sql', 'ALTER TABLE a ADD m int');
    expect(await migrate(pool, at())).toEqual(['0001_a.sql', '0002_b.sql']);
    expect(await migrate(pool, at())).toEqual([]);
  });

  it('all or none: a broken one leaves nothing behind', async () => {
    await put('0002_b.sql', 'CREATE TABLE b (n int); SELECT nonsense');
    await expect(migrate(pool, at())).rejects.toThrow('nonsense');
    const { rows } = await pool.query("SELECT to_regclass('a') AS a, to_regclass('b') AS b");
    expect(rows).toEqual([{ a: null, b: null }]);
  });

  it('refuse to go on when an applied one was changed or removed', async () => {
    await migrate(pool, at());
    await put('0001_a.sql', 'CREATE TABLE a (n bigint)');
    await expect(migrate(pool, at())).rejects.toThrow('0001_a.sql was changed');
    await rm(join(folder, '0001_a.sql'));
    await expect(migrate(pool, at())).rejects.toThrow('0001_a.sql was applied but its file is gone');
  });

  it('take turns when two processes start at once', async () => {
    const done = await Promise.all([migrate(pool, at()), migrate(pool, at()), migrate(pool, at())]);
    expect(done.flat()).toEqual(['0001_a.sql']);
  });
});
