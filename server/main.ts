import { fileURLToPath } from 'node:url';
import { serve } from '@hono/node-server';
import { createApp } from './app';
import { migrate } from './db/migrate';
import { connect } from './db/pool';
import { loadDemo } from './demo/load';
import { readRack } from './jobs/rack';
import { Changes } from './stream/changes';

const url = process.env['DATABASE_URL'];
if (!url) {
  console.error('DATABASE_URL is not set; npm start sets it.');
  process.exit(1);
}
const port = Number(process.env['PORT'] ?? 4680);
const webRoot = fileURLToPath(new URL('../web/dist', import.meta.url));

const pool = connect(url);
await migrate(pool);
if (process.env['DEMO'] !== 'off') await loadDemo(pool, new Date());
// Working every open job out once now makes the first look at the rack quick.
await readRack(pool, 'open', new Date().toISOString());
const changes = new Changes(url);
await changes.start();

const server = serve(
  { fetch: createApp({ pool, changes, webRoot }).fetch, port, hostname: '127.0.0.1' },
  (address) => {
    console.log(`listening on ${address.port}`);
  },
);
server.on('error', (error) => {
  console.error(`cannot listen on port ${port}: ${error.message}`);
  process.exit(1);
});

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  server.close();
  if ('closeAllConnections' in server) server.closeAllConnections();
  await changes.stop();
  await pool.end();
  process.exit(0);
}
process.on('SIGINT', () => void stop());
process.on('SIGTERM', () => void stop());
// Whoever started it holds its standard input; when they die, however they die, it ends too.
if (process.env['STOP_WITH_STDIN']) process.stdin.resume().on('close', () => void stop());
