import { basename } from 'node:path';
import { pepper } from './packages.mjs';
import { startPostgres } from './postgres.mjs';

/** What backups are sealed with; not in a command that others on this machine see running. */
const passphrase = process.env['BACKUP_PASSPHRASE'] || undefined;

/** What each command does with the database and what it is told, and what it says then. Each loads what it needs, and no more. */
const COMMANDS = {
  backup: {
    wants: 'FILE',
    run: async (url: string, file: string) => {
      const { backUp } = await import('../server/backup/backUp');
      const { rows, bytes } = await backUp(url, file, passphrase);
      return `${basename(file)}: ${rows['job']} jobs, ${rows['bench_entry']} entries, ${Math.ceil(bytes / 1024)} kB. Keep it on another machine.`;
    },
  },
  restore: {
    wants: 'FILE',
    run: async (url: string, file: string) => {
      const { restore } = await import('../server/backup/restore');
      const { at, rows } = await restore(url, file, passphrase);
      return `As it was on ${at}: ${rows['job']} jobs, ${rows['bench_entry']} entries. Now npm start.`;
    },
  },
  rehearse: {
    wants: 'FILE',
    run: async (url: string, file: string) => {
      const { rehearse } = await import('../server/backup/rehearse');
      await rehearse(url, file, passphrase);
      return `${basename(file)}: comes in whole, and is as it stands in the shop.`;
    },
  },
  export: {
    wants: 'FOLDER',
    run: async (url: string, folder: string) => {
      const { exportShop } = await import('../server/backup/export');
      const { rows } = await exportShop(url, folder);
      return `${Object.keys(rows).length} tables, each as JSON lines and CSV; ${rows['bench_entry']} entries.`;
    },
  },
  import: {
    wants: 'FOLDER',
    run: async (url: string, folder: string) => {
      const { importShop } = await import('../server/backup/import');
      const { rows } = await importShop(url, folder);
      return `${rows['job']} jobs, ${rows['bench_entry']} entries taken in. Now npm start.`;
    },
  },
  'reset-lead': {
    wants: 'NAME',
    run: async (url: string, name: string) => {
      const { withPool } = await import('../server/db/pool');
      const { resetLead } = await import('../server/access/resetLead');
      const pin = await withPool(url, (pool) => resetLead(pool, name));
      return `${name} signs in with ${pin} now; take another then.`;
    },
  },
} as const;

const [name = '', ...rest] = process.argv.slice(2);
const place = rest.join(' ').trim();
const command = COMMANDS[name as keyof typeof COMMANDS] as (typeof COMMANDS)['backup'] | undefined;
if (!command || !place) {
  const known = Object.entries(COMMANDS).map(([c, { wants }]) => `npm run ${c} -- ${wants}`);
  console.error(command ? `npm run ${name} -- ${command.wants}` : known.join('\n'));
  process.exit(2);
}
const given = process.env['DATABASE_URL'];
const cluster = given ? null : await startPostgres('demo-db');
const url = given ?? cluster?.url;
if (!given) process.env['PEPPER'] ||= pepper();
try {
  if (!url) throw new Error('no database.');
  console.log(await command.run(url, place));
} catch (error) {
  console.error((error as Error).message);
  process.exitCode = 1;
} finally {
  if (cluster && !cluster.ranAlready) cluster.stop();
}
