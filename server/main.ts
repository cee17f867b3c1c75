import { createServer as createHttpsServer } from 'node:https';
import { isIP } from 'node:net';
import { fileURLToPath } from 'node:url';
import { serve } from '@hono/node-server';
import { firstCode } from './access/firstCode';
import { hasLead } from './access/sessions';
import { createApp } from './app';
import { Nightly } from './backup';
import { Outlooks } from './cards/outlooks';
import { rebuildCards } from './cards/project';
import { readRack } from './cards/rack';
import { migrate } from './db/migrate';
import { connect, isAway } from './db/pool';
import { prepareRole } from './db/role';
import { loadDemo } from './demo/load';
import { LOOPBACK } from './http/guard';
import { lanCertificates } from './lan';
import { Learner } from './learning/learner';
import { Announcer } from './stream/announcer';
import { Changes } from './stream/changes';

const owner = process.env['DATABASE_URL'];
if (!owner) {
  console.error('DATABASE_URL is not set; npm start sets it.');
  process.exit(1);
}
// Who owns the tables migrates them; the app works as somebody who has no right to change what stands.
const url = process.env['BENCH_DATABASE_URL'] ?? owner;
const port = Number(process.env['PORT'] ?? 4680);
const webRoot = fileURLToPath(new URL('../web/dist', import.meta.url));
const DATA_LAN = fileURLToPath(new URL('../.data/lan', import.meta.url));

const pool = connect(url);
const changes = new Changes(url);
/** Asks again every second, for as long as the database is away. */
async function onceThere<T>(work: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (!isAway(error)) throw error;
      console.error(`waiting for the database: ${(error as Error).message}`);
      await new Promise((resolve) => setTimeout(resolve, 1000));
    }
  }
}

const outlooks = new Outlooks(pool, true);
const learner = new Learner(
  pool,
  (asked) => outlooks.expected(asked),
  () => outlooks.learnt(),
);
let ready = false;
const listed = (variable: string): string[] =>
  process.env[variable]
    ?.split(',')
    .map((name) => name.trim())
    .filter(Boolean) ?? [];
const folders = listed('BACKUP_FOLDERS');
const passphrase = process.env['BACKUP_PASSPHRASE'];
const nightly =
  folders.length > 0 ? new Nightly(pool, { owner, folders, ...(passphrase && { passphrase }) }) : null;
/** Where phones at the bench find it, over HTTPS: addresses, and names that lead to them. */
const lan = listed('LAN');
const certificates =
  lan.length > 0 ? await lanCertificates(process.env['LAN_FOLDER'] ?? DATA_LAN, lan) : null;
const app = createApp({
  pool,
  changes,
  webRoot,
  outlooks,
  learner,
  isReady: () => ready,
  names: [...LOOPBACK, ...lan, ...listed('NAMES')],
  proxies: listed('TRUSTED_PROXY'),
  ...(certificates && { authority: certificates.authority }),
  ...(process.env['MOST_REQUESTS'] && { mostRequests: Number(process.env['MOST_REQUESTS']) }),
});
/** A body or a head that trickles in is not waited for. */
const PATIENT = {
  requestTimeout: 10_000,
  headersTimeout: 5_000,
  connectionsCheckingInterval: 1_000,
  keepAliveTimeout: 65_000,
};
const lanPort = Number(process.env['LAN_PORT'] ?? port + 1);
const { fetch } = app;
// Plain HTTP stays on loopback: nothing that anybody types goes over a wire in the clear.
const servers = [
  { hostname: '127.0.0.1', server: serve({ fetch, port, hostname: '127.0.0.1', serverOptions: PATIENT }) },
  ...(certificates
    ? lan
        .filter((address) => isIP(address) !== 0)
        .map((hostname) => ({
          hostname,
          server: serve({
            fetch,
            port: lanPort,
            hostname,
            createServer: createHttpsServer,
            serverOptions: { ...PATIENT, ...certificates.server },
          }),
        }))
    : []),
];
for (const { hostname, server } of servers)
  server.on('error', (error) => {
    console.error(`cannot listen on ${hostname}: ${error.message}`);
    process.exit(1);
  });

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  for (const { server } of servers) {
    server.close();
    if ('closeAllConnections' in server) server.closeAllConnections();
  }
  await nightly?.stop();
  await learner.stop();
  await outlooks.stop();
  await changes.stop();
  await pool.end();
  process.exit(0);
}
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
// Whoever started it holds its standard input; when they die, however they die, it ends too.
if (process.env['STOP_WITH_STDIN']) process.stdin.resume().on('close', () => void stop());

const migrating = connect(owner);
await onceThere(() => migrate(migrating));
await migrating.end();
if (url !== owner) await onceThere(() => prepareRole(owner, url));
if (process.env['DEMO'] !== 'off') await onceThere(() => loadDemo(pool, new Date()));
if (!(await onceThere(() => hasLead(pool)))) {
  const code = await onceThere(() => firstCode(pool));
  console.error(`Nobody leads this shop yet. The code to begin with: ${code.slice(0, 4)} ${code.slice(4)}`);
}
await onceThere(() => changes.start());
// Whoever ended here before may not have told of its last entries.
await onceThere(() => new Announcer(pool).gap());
ready = true;
// While the benches go on: cards of an older program are made anew, and what nobody has looked at yet is looked at.
await onceThere(() => rebuildCards(pool, () => stopping));
learner.want();
nightly?.start();
await onceThere(() => readRack(pool, outlooks, { now: new Date().toISOString(), patience: 0 }));
