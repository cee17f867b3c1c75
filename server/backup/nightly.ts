import { copyFile, mkdir, readdir, rename, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Backups } from '@rusty-wren/contract';
import { withClient, type Db, type Pool } from '../db/pool';
import { backUp } from './backUp';
import { rehearse } from './rehearse';
import { readHead } from './restore';
import { isDue, madeAt, nightlyName, tooMany } from './thin';

const LOOK_MS = 10 * 60_000;
/** Any fixed number: of several processes on one database one makes backups. */
const LOCK = 460_046_825;
const DAY_MS = 86_400_000;
/** A backup is put into a place of its own so often. */
const REHEARSED_DAYS = 7;

/** Where backups are kept, the first of them made there and copied to the others; and what they are sealed with. */
export interface NightlyOptions {
  /** The database as who owns it. */
  owner: string;
  folders: readonly string[];
  passphrase?: string;
}

const sentence = (error: unknown): string => (error instanceof Error ? error.message : String(error));

/** Puts a whole copy where it is to stand, under its name only once it is whole and was read there. */
async function copyTo(folder: string, from: string, name: string): Promise<void> {
  await mkdir(folder, { recursive: true, mode: 0o700 });
  const part = join(folder, `${name}.part`);
  try {
    await copyFile(from, part);
    await readHead(part);
    await rename(part, join(folder, name));
  } finally {
    await rm(part, { force: true });
  }
}

/** Makes backups by night, copies, thins and rehearses them, and writes down how each went. */
export class Nightly {
  private timer: NodeJS.Timeout | null = null;
  private working: Promise<void> = Promise.resolve();

  constructor(
    private readonly pool: Pool,
    private readonly options: NightlyOptions,
    private readonly now: () => Date = () => new Date(),
  ) {}

  /** Looks every ten minutes whether anything is due. */
  start(): void {
    const look = (): void => {
      this.working = this.look().catch((error: unknown) => console.error(`backup: ${sentence(error)}`));
    };
    look();
    this.timer = setInterval(look, LOOK_MS).unref();
  }

  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    await this.working;
  }

  /** Makes what is due now, unless another process is at it. */
  async look(): Promise<void> {
    const { owner, folders } = this.options;
    await withClient(owner, async (client) => {
      const { rows } = await client.query<{ mine: boolean }>('SELECT pg_try_advisory_lock($1) AS mine', [
        LOCK,
      ]);
      if (!rows[0]?.mine) return;
      const { rows: runs } = await client.query<{ kind: string; at: Date }>(
        'SELECT kind, max(at) AS at FROM backup_run WHERE problem IS NULL GROUP BY kind',
      );
      const last = (kind: string): Date | null => runs.find((run) => run.kind === kind)?.at ?? null;
      if (isDue(last('backup'), this.now())) await this.make();
      const rehearsed = last('rehearsal');
      if (rehearsed === null || this.now().getTime() - rehearsed.getTime() >= REHEARSED_DAYS * DAY_MS)
        await this.rehearse(folders[0]!);
    });
  }

  private async make(): Promise<void> {
    const { owner, folders, passphrase } = this.options;
    const [first = '', ...others] = folders;
    const name = nightlyName(this.now());
    const file = join(first, name);
    const made = await this.doing('backup', first, async () => {
      await mkdir(first, { recursive: true, mode: 0o700 });
      await backUp(owner, file, passphrase);
      return (await stat(file)).size;
    });
    if (!made) return;
    for (const folder of others)
      await this.doing('backup', folder, async () => {
        await copyTo(folder, file, name);
        return (await stat(join(folder, name))).size;
      });
    for (const folder of folders)
      for (const old of tooMany(await readdir(folder).catch(() => [])))
        await rm(join(folder, old), { force: true });
  }

  private async rehearse(folder: string): Promise<void> {
    const newest = (await readdir(folder).catch(() => []))
      .filter((name) => madeAt(name) !== null)
      .toSorted()
      .at(-1);
    if (newest === undefined) return;
    const file = join(folder, newest);
    await this.doing('rehearsal', file, async () => {
      await rehearse(this.options.owner, file, this.options.passphrase);
      return (await stat(file)).size;
    });
  }

  /** Does it and writes down how it went; returns whether well. */
  private async doing(
    kind: 'backup' | 'rehearsal',
    place: string,
    work: () => Promise<number>,
  ): Promise<boolean> {
    let problem: string | null = null;
    let bytes: number | null = null;
    try {
      bytes = await work();
    } catch (error) {
      problem = sentence(error);
      console.error(`${kind} in ${place}: ${problem}`);
    }
    await this.pool.query(
      'INSERT INTO backup_run (at, kind, place, problem, bytes) VALUES ($1, $2, $3, $4, $5)',
      [this.now(), kind, place, problem, bytes],
    );
    return problem === null;
  }
}

/** How it stands with backups: where they were made in the last month, and the last rehearsal. */
export async function readBackups(db: Db): Promise<Backups> {
  const { rows: places } = await db.query<{
    place: string;
    at: Date | null;
    bytes: string | null;
    problem: string | null;
  }>(
    `SELECT l.place, l.problem, g.at, g.bytes FROM
       (SELECT DISTINCT ON (place) place, problem, n FROM backup_run
        WHERE kind = 'backup' AND at > now() - interval '31 days' ORDER BY place, n DESC) l
     LEFT JOIN LATERAL (SELECT at, bytes FROM backup_run b
       WHERE b.place = l.place AND b.kind = 'backup' AND b.problem IS NULL ORDER BY n DESC LIMIT 1) g ON true
     ORDER BY l.n DESC`,
  );
  const { rows: rehearsals } = await db.query<{ at: Date; problem: string | null }>(
    "SELECT at, problem FROM backup_run WHERE kind = 'rehearsal' ORDER BY n DESC LIMIT 1",
  );
  const rehearsal = rehearsals[0];
  return {
    places: places.map(({ place, at, bytes, problem }) => ({
      place,
      problem,
      last: at ? { at: at.toISOString(), bytes: Number(bytes) } : null,
    })),
    rehearsal: rehearsal ? { at: rehearsal.at.toISOString(), problem: rehearsal.problem } : null,
  };
}
