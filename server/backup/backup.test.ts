import { spawn, spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { copyFile, mkdtemp, readdir, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import type { Backups, RackTag } from '@rusty-wren/contract';
import { samples } from '@rusty-wren/core/testing';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { migrate } from '../db/migrate';
import { connect, withClient } from '../db/pool';
import { Changes } from '../stream/changes';
import { aCheckIn, emptyDatabase, note, openBench, post, type TestBench } from '../testing/bench';
import { everything } from '../testing/everything';
import { askedWith, signedIn } from '../testing/signedIn';
import { backUp, exportShop, importShop, Nightly, rehearse, restore } from './index';
import { tablesOf } from './tables';
import { nightlyName } from './thin';

let bench: TestBench;
let folder: string;
const drops: (() => Promise<void>)[] = [];
beforeAll(async () => {
  bench = await openBench({ demo: new Date('2026-05-04T16:00:00') });
  // All that a text may hold, and something that a spreadsheet would take for a formula.
  const odd = { ...aCheckIn(), customer: { name: '=1+1', phone: '"a, b\\c\n☕' } };
  expect((await post(bench.app, '/api/jobs', odd)).status).toBe(201);
  folder = await mkdtemp(join(tmpdir(), 'backup-'));
});
afterAll(async () => {
  await bench.close();
  for (const drop of drops) await drop();
  await rm(folder, { recursive: true });
});

async function anEmptyOne(): Promise<string> {
  const { url, drop } = await emptyDatabase();
  drops.push(drop);
  return url;
}
const isEmpty = (url: string): Promise<boolean> =>
  withClient(url, async (client) => (await tablesOf(client, { all: true })).length === 0);

describe('a backup', () => {
  it('put into an empty place is the same, row by row, and the bench goes on there', async () => {
    const file = join(folder, 'shop.backup');
    const head = await backUp(bench.url, file);
    expect(head.rows['bench_entry']).toBeGreaterThan(200);
    const url = await anEmptyOne();
    await restore(url, file);
    const { session, session_hand: hands, sign_in_try: tries, ...rest } = await everything(bench.url);
    expect(session).toHaveLength(1);
    // Nobody is signed in there, whoever was here.
    expect(await everything(url)).toEqual({ ...rest, session: [], session_hand: [], sign_in_try: [] });
    expect([hands!.length, tries!.length]).toEqual([1, 0]);

    const pool = connect(url);
    const changes = new Changes(url);
    await changes.start();
    try {
      expect((await bench.asLead(createApp({ pool, changes })).request('/api/jobs')).status).toBe(401);
      const app = askedWith(createApp({ pool, changes }), (await signedIn(pool, 'lead')).cookie);
      const { job } = (await (await post(app, '/api/jobs', aCheckIn())).json()) as RackTag;
      const tags = await pool.query<{ tag: number }>('SELECT tag FROM job ORDER BY tag DESC LIMIT 2');
      expect(tags.rows.map((r) => r.tag)).toEqual([job.tag, job.tag - 1]);
      await expect(pool.query("UPDATE bench_entry SET kind = 'x'")).rejects.toThrow('append-only');
    } finally {
      await changes.stop();
      await pool.end();
    }
  });

  it('taken while eight write is of one moment: no log with a gap, no entry of a job that is not there', async () => {
    const jobs = await Promise.all(
      Array.from({ length: 8 }, async () => {
        const checkIn = aCheckIn();
        expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
        return checkIn.jobId;
      }),
    );
    let writing = true;
    const writers = jobs.map(async (id) => {
      for (let n = 0; writing; n++)
        await post(bench.app, `/api/jobs/${id}/entries`, { entries: [note(`meanwhile ${n}`)] });
    });
    const file = join(folder, 'meanwhile.backup');
    const head = await backUp(bench.url, file).finally(() => (writing = false));
    await Promise.all(writers);
    const url = await anEmptyOne();
    await restore(url, file);
    const there = await everything(url);
    const now = await everything(bench.url);
    expect(there['bench_entry']).toHaveLength(head.rows['bench_entry']!);
    expect(now['bench_entry']!.length).toBeGreaterThan(head.rows['bench_entry']!);
    const all = new Set(now['bench_entry']);
    expect(there['bench_entry']!.filter((row) => !all.has(row))).toEqual([]);
    const gaps = await withClient(url, (client) =>
      client.query('SELECT job_id FROM bench_entry GROUP BY job_id HAVING max(seq) <> count(*)'),
    );
    expect(gaps.rows).toEqual([]);
    // What lists say is of the same moment as the logs.
    const behind = await withClient(url, (client) =>
      client.query(
        'SELECT 1 FROM job_card k WHERE NOT EXISTS (SELECT 1 FROM card_behind b WHERE b.job_id = k.job_id) AND k.seq <> (SELECT max(seq) FROM bench_entry e WHERE e.job_id = k.job_id)',
      ),
    );
    expect(behind.rows).toEqual([]);
  });

  it('is never written over another, and leaves nothing where it fails', async () => {
    const file = join(folder, 'taken');
    await writeFile(file, 'mine');
    await expect(backUp(bench.url, file)).rejects.toThrow('is there already');
    expect(await readFile(file, 'utf8')).toBe('mine');
    const none = join(folder, 'none');
    await expect(backUp(await anEmptyOne(), none)).rejects.toThrow('holds no bench');
    expect((await readdir(folder)).filter((name) => /none|taken./.test(name))).toEqual([]);
  });

  it('two at once under one name are one, and that one is whole', async () => {
    const file = join(folder, 'twice');
    const both = await Promise.allSettled([backUp(bench.url, file), backUp(bench.url, file)]);
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect((await readdir(folder)).filter((name) => name.startsWith('twice'))).toEqual(['twice']);
    const url = await anEmptyOne();
    await restore(url, file);
    expect((await everything(url))['job']).toEqual((await everything(bench.url))['job']);
  });

  it('that is cut off while it comes in was never there', async () => {
    const file = join(folder, 'cut off');
    await backUp(bench.url, file);
    const url = await anEmptyOne();
    const keep = fileURLToPath(new URL('../../scripts/keep.ts', import.meta.url));
    const child = spawn(process.execPath, ['--import', 'tsx', keep, 'restore', file], {
      env: { ...process.env, DATABASE_URL: url },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (said += String(piece)));
    const gone = once(child, 'exit');
    // Killed as soon as it has a transaction of its own open.
    await withClient(url, async (client) => {
      for (;;) {
        const { rowCount } = await client.query(
          `SELECT 1 FROM pg_stat_activity WHERE datname = current_database() AND pid <> pg_backend_pid() AND xact_start IS NOT NULL
             AND application_name = 'psql'`,
        );
        if (rowCount) break;
        if (child.exitCode !== null) throw new Error(`nothing was cut off: ${said}`);
      }
    });
    child.kill('SIGKILL');
    await gone;
    // What was under way ends with who read it.
    await expect
      .poll(
        () =>
          withClient(url, async (client) => {
            const { rowCount } = await client.query(
              "SELECT 1 FROM pg_stat_activity WHERE datname = current_database() AND application_name = 'psql'",
            );
            return rowCount;
          }),
        { timeout: 60_000 },
      )
      .toBe(0);
    expect(await isEmpty(url)).toBe(true);
  });

  it('of any program before this one comes in, and is brought up to it with what it held', async () => {
    const names = (await readdir(new URL('../db/migrations/', import.meta.url))).sort();
    // All in the torture; in every run the first, some, and the last two.
    const tried = names.filter((_, n) => n % samples(5, 1) === 0 || n >= names.length - 2);
    const migrations = await mkdtemp(join(tmpdir(), 'migrations-'));
    const was = await anEmptyOne();
    const old = connect(was);
    const seen: string[] = [];
    try {
      for (const [n, name] of names.entries()) {
        await copyFile(new URL(`../db/migrations/${name}`, import.meta.url), join(migrations, name));
        await migrate(old, pathToFileURL(`${migrations}/`));
        if (n === 0)
          await old.query(`WITH who AS (INSERT INTO customer (id, name) VALUES (gen_random_uuid(), 'Odile Farrant') RETURNING id),
              what AS (INSERT INTO machine (id, customer_id, kind, maker, model)
                SELECT gen_random_uuid(), id, 'chainsaw', 'Brakken', 'B45' FROM who RETURNING id),
              hung AS (INSERT INTO job (id, machine_id) SELECT gen_random_uuid(), id FROM what RETURNING id)
            INSERT INTO bench_entry (id, job_id, seq, noted_at, kind, body)
              SELECT gen_random_uuid(), id, 1, now(), 'complaint', '{"complaint":"no-fire"}' FROM hung`);
        if (!tried.includes(name)) continue;
        const file = join(folder, `as of ${name}`);
        await backUp(was, file);
        const url = await anEmptyOne();
        await restore(url, file);
        const now = connect(url);
        try {
          await migrate(now);
          const { rows } = await now.query<{ body: object }>('SELECT body FROM bench_entry');
          expect(rows, name).toEqual([{ body: { complaint: 'no-fire' } }]);
          seen.push(name);
        } finally {
          await now.end();
        }
      }
    } finally {
      await old.end();
      await rm(migrations, { recursive: true });
    }
    expect(seen).toEqual(tried);
  });

  it('that is damaged, cut short, of a later program or no backup at all is refused whole', async () => {
    const file = join(folder, 'whole');
    await backUp(bench.url, file);
    const url = await anEmptyOne();
    const spoilt = join(folder, 'spoilt');
    const refused = async (spoil: () => Promise<void>, says: string): Promise<void> => {
      await copyFile(file, spoilt);
      await spoil();
      await expect(restore(url, spoilt)).rejects.toThrow(says);
      expect(await isEmpty(url)).toBe(true);
    };
    const bytes = await readFile(file);
    await refused(async () => {
      bytes[bytes.length - 5_000]! ^= 1;
      await writeFile(spoilt, bytes);
      bytes[bytes.length - 5_000]! ^= 1;
    }, 'is damaged');
    await refused(() => truncate(spoilt, bytes.length - 1), 'is damaged');
    await refused(() => writeFile(spoilt, 'a letter'), 'is no backup');
    await refused(() => writeFile(spoilt, ''), 'is no backup');
    const counted = /"job":(\d+)/.exec(bytes.toString('latin1'))![1]!;
    const fewer = bytes.toString('latin1').replace(`"job":${counted}`, `"job":${Number(counted) - 1}`);
    await refused(
      () => writeFile(spoilt, fewer, 'latin1'),
      `job came in with ${counted} rows instead of ${Number(counted) - 1}.`,
    );
    const later = bytes.toString('latin1').replace('"0001_the_bench.sql"', '"9001_the_bench.sql"');
    await refused(() => writeFile(spoilt, later, 'latin1'), 'a later Rusty Wren');
  });

  it('never goes over what is there', async () => {
    const file = join(folder, 'over');
    await backUp(bench.url, file);
    const before = await everything(bench.url);
    await expect(restore(bench.url, file)).rejects.toThrow('not empty');
    expect(await everything(bench.url)).toEqual(before);
  });
});

describe('the commands', () => {
  const run = (url: string, ...args: string[]) =>
    spawnSync(
      process.execPath,
      ['--import', 'tsx', fileURLToPath(new URL('../../scripts/keep.ts', import.meta.url)), ...args],
      {
        encoding: 'utf8',
        env: { ...process.env, DATABASE_URL: url },
      },
    );

  it('do it, say in one line what was done or what is wrong, and end accordingly', async () => {
    const file = join(folder, 'by command');
    const made = run(bench.url, 'backup', file);
    expect(made.stdout).toMatch(/^by command: \d+ jobs, \d+ entries, \d+ kB\./);
    expect(made.status).toBe(0);
    const url = await anEmptyOne();
    expect(run(url, 'restore', file).stdout).toContain('Now npm start.');
    expect((await everything(url))['job']).toEqual((await everything(bench.url))['job']);
    const again = run(url, 'restore', file);
    expect(again.stderr.trim()).toBe('the database is not empty: nothing is written over.');
    expect(again.status).toBe(1);
    const out = join(folder, 'export by command');
    expect(run(url, 'export', out).stdout).toContain('each as JSON lines and CSV');
    const other = await anEmptyOne();
    expect(run(other, 'import', out).stdout).toContain('taken in');
    const nothing = run(url, 'backup');
    expect(nothing.stderr.trim()).toBe('npm run backup -- FILE');
    expect(nothing.status).toBe(2);
  });
});

describe('an export', () => {
  it('taken into an empty shop is the same, row by row, with what is worked out of it, and tags go on', async () => {
    const out = join(folder, 'export');
    const about = await exportShop(bench.url, out);
    expect(about.rows['job_card']).toBeUndefined();
    const url = await anEmptyOne();
    await importShop(url, out);
    expect(await everything(url, false)).toEqual(await everything(bench.url, false));
    // What a model's others read may have moved since a card was made; what the engine thought is thought anew.
    const cards = async (of: string) =>
      (await everything(of))['job_card']!.map((row) => {
        const {
          outlook: _o,
          outlook_key: _k,
          facts: _f,
          ...card
        } = JSON.parse(row) as Record<string, unknown>;
        return card;
      });
    expect(await cards(url)).toEqual(await cards(bench.url));
    const next = await withClient(url, (client) =>
      client.query<{ tag: number; most: number }>(
        `WITH made AS (INSERT INTO job (id, machine_id) SELECT $1, id FROM machine LIMIT 1 RETURNING tag)
         SELECT tag, (SELECT max(tag) FROM job) AS most FROM made`,
        [randomUUID()],
      ),
    );
    expect(next.rows[0]!.tag).toBe(next.rows[0]!.most + 1);
    // Whatever else is counted goes on as well.
    await withClient(url, (client) =>
      client.query("INSERT INTO spec_card (maker, model, figures) VALUES ('Brakken', 'New 1', '{}')"),
    );
    // Nobody's PIN goes about in a file.
    expect(await readFile(join(out, 'account.jsonl'), 'utf8')).not.toMatch(/scrypt|secret|demo_pin/);
    expect(about.rows['session']).toBeUndefined();
    // The ledger of parts is guarded as before.
    await expect(withClient(url, (client) => client.query('DELETE FROM part_move'))).rejects.toThrow();
    // In a spreadsheet nothing is worked out.
    expect(await readFile(join(out, 'customer.csv'), 'utf8')).toContain("'=1+1");
  });

  it('goes into no folder and no shop that holds anything', async () => {
    const out = join(folder, 'export again');
    await exportShop(bench.url, out);
    await expect(exportShop(bench.url, out)).rejects.toThrow('not empty');
    const before = await everything(bench.url);
    await expect(importShop(bench.url, out)).rejects.toThrow('the shop is not empty');
    expect(await everything(bench.url)).toEqual(before);
  });

  it('with a line that is wrong, or one too few, is refused with its place, and nothing of it stays', async () => {
    const out = join(folder, 'export spoilt');
    await exportShop(bench.url, out);
    const url = await anEmptyOne();
    const file = join(out, 'bench_entry.jsonl');
    const whole = await readFile(file, 'utf8');
    const lines = whole.split('\n');
    const refused = async (text: string, says: string | RegExp): Promise<void> => {
      await writeFile(file, text);
      await expect(importShop(url, out)).rejects.toThrow(says);
      const there = await everything(url, false);
      expect(Object.entries(there).filter(([name, rows]) => name !== 'day_room' && rows.length > 0)).toEqual(
        [],
      );
    };
    await refused(lines.with(2, '{"id": ').join('\n'), 'bench_entry.jsonl, line 3 is no JSON.');
    await refused(lines.slice(1).join('\n'), /bench_entry.jsonl/);
    await refused(lines.with(0, '{}').join('\n'), /^bench_entry.jsonl, lines 1 to \d+: null value/);
    await writeFile(file, whole);
    await rm(join(out, 'shop.json'));
    await expect(importShop(url, out)).rejects.toThrow('shop.json is not there');
  });
});

describe('a sealed backup', () => {
  it('holds nothing that can be read, and comes in with its passphrase alone', async () => {
    const file = join(folder, 'sealed.backup');
    await backUp(bench.url, file, 'nineteen warm restarts');
    const plain = join(folder, 'plain.backup');
    await backUp(bench.url, plain);
    // Its archive begins as PostgreSQL's does; the sealed one does not.
    expect((await readFile(plain)).includes('PGDMP')).toBe(true);
    expect((await readFile(file)).includes('PGDMP')).toBe(false);
    const url = await anEmptyOne();
    await expect(restore(url, file)).rejects.toThrow('is sealed: BACKUP_PASSPHRASE says with what.');
    await expect(restore(url, file, 'twenty warm restarts')).rejects.toThrow('the passphrase is not the one');
    expect(await isEmpty(url)).toBe(true);
    await restore(url, file, 'nineteen warm restarts');
    expect((await everything(url))['bench_entry']).toEqual((await everything(bench.url))['bench_entry']);
  });
});

describe('backups by night', () => {
  const standing = async (): Promise<Backups> =>
    (await (await bench.app.request('/api/backups')).json()) as Backups;

  it('are made, copied, read again, thinned and rehearsed, by one process, and the lead is told how each went', async () => {
    expect(await standing()).toEqual({ places: [], rehearsal: null });
    const [disk, stick] = [join(folder, 'disk'), join(folder, 'stick')];
    const keeping = { owner: bench.url, folders: [disk, stick], passphrase: 'nineteen warm restarts' };
    const now = new Date();
    await Promise.all([1, 2, 3].map(() => new Nightly(bench.pool, keeping, () => now).look()));
    expect(await readdir(disk)).toEqual([nightlyName(now)]);
    expect(await readdir(stick)).toEqual([nightlyName(now)]);
    expect(await readFile(join(stick, nightlyName(now)))).toEqual(
      await readFile(join(disk, nightlyName(now))),
    );
    const { places, rehearsal } = await standing();
    expect(places.map(({ place, problem }) => [place, problem])).toEqual([
      [stick, null],
      [disk, null],
    ]);
    expect(places[0]!.last!.at).toBe(now.toISOString());
    expect(rehearsal).toEqual({ at: now.toISOString(), problem: null });
    // Nothing of the rehearsal stays.
    const { rows } = await bench.pool.query("SELECT 1 FROM pg_database WHERE datname LIKE 'rehearsal%'");
    expect(rows).toEqual([]);
    // Nothing is due an hour later.
    await new Nightly(bench.pool, keeping, () => new Date(now.getTime() + 3_600_000)).look();
    expect(await readdir(disk)).toHaveLength(1);
  });

  it('that cannot be made somewhere say so, and are made where they can', async () => {
    await writeFile(join(folder, 'no folder'), '');
    const folders = [join(folder, 'disk'), join(folder, 'no folder')];
    const later = new Date(Date.now() + 30 * 3_600_000);
    await new Nightly(bench.pool, { owner: bench.url, folders }, () => later).look();
    const { places } = await standing();
    const of = (name: string) => places.find(({ place }) => place.endsWith(name))!;
    expect([of('no folder').last, of('disk').problem]).toEqual([null, null]);
    expect(of('no folder').problem).toMatch(/EEXIST|ENOTDIR/);
  });

  it('a rehearsal finds what is not as it stands in the shop', async () => {
    const file = join(folder, 'rehearsed.backup');
    await backUp(bench.url, file);
    await rehearse(bench.url, file);
    // What was noted since is no difference.
    await post(bench.app, '/api/jobs', aCheckIn());
    await rehearse(bench.url, file);
    const { rows } = await bench.pool.query<{ id: string }>('SELECT id FROM bench_entry LIMIT 1');
    await bench.pool.query('ALTER TABLE bench_entry DISABLE TRIGGER USER');
    await bench.pool.query(`UPDATE bench_entry SET noted_at = noted_at + interval '1 second' WHERE id = $1`, [
      rows[0]!.id,
    ]);
    await expect(rehearse(bench.url, file)).rejects.toThrow(
      '1 rows of bench_entry are not as they stand in the shop.',
    );
    await bench.pool.query('ALTER TABLE bench_entry ENABLE TRIGGER USER');
  });
});
