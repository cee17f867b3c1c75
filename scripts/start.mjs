import { spawn, spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { DATA, giveUp, installPackages, pepper, ROOT } from './packages.mjs';
import { startPostgres } from './postgres.mjs';

const fresh = process.argv.includes('--fresh-demo');
const lanAt = process.argv.indexOf('--lan');
/** Where phones are served: what is named after --lan, else every address of this machine. */
const lan = lanAt < 0 ? [] : process.argv.slice(lanAt + 1).filter((word) => !word.startsWith('--'));
if (lanAt >= 0 && lan.length === 0)
  for (const one of Object.values(networkInterfaces()).flatMap((all) => all ?? []))
    if (!one.internal && one.family === 'IPv4') lan.push(one.address);
if (lanAt >= 0 && lan.length === 0)
  giveUp('This machine has no address on a network; name one: npm start -- --lan 192.168.1.20');
const port = Number(process.env.PORT || 4680);
if (!Number.isInteger(port) || port < 1 || port > 65535)
  giveUp(`PORT must be a whole number from 1 to 65535, not "${process.env.PORT}".`);

/** Ends early when the port is taken: nothing has been touched yet. */
await new Promise((resolve) => {
  const probe = createServer();
  probe.on('error', () =>
    giveUp(`Port ${port} is in use. Stop what uses it, or choose another: PORT=4681 npm start`),
  );
  probe.listen(port, '127.0.0.1', () => probe.close(resolve));
});

installPackages();
const given = process.env.DATABASE_URL;
if (given && fresh)
  giveUp('--fresh-demo resets only the private database; with DATABASE_URL set, empty that one yourself.');
// Built before the database runs: Ctrl-C meanwhile leaves nothing behind.
console.log('Building…');
const built = spawnSync('npx', ['vite', 'build', '--logLevel', 'warn'], {
  cwd: join(ROOT, 'web'),
  stdio: 'inherit',
});
if (built.status !== 0) giveUp('The interface could not be built.');
const database = given
  ? { env: { DATABASE_URL: given }, stop: () => {} }
  : await startPostgres('demo-db', { fresh });
if (!database) process.exit(1);

// A group of its own, so that Ctrl-C reaches it only through us, in order: first the server, then the database.
const server = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server', 'main.ts')], {
  cwd: ROOT,
  stdio: ['pipe', 'ignore', 'inherit'],
  detached: true,
  env: {
    ...process.env,
    ...database.env,
    PEPPER: process.env.PEPPER || pepper(),
    // On this disk at least, where nobody has named another place.
    BACKUP_FOLDERS: process.env.BACKUP_FOLDERS || (given ? '' : join(DATA, 'backups')),
    PORT: String(port),
    LAN: lan.join(','),
    STOP_WITH_STDIN: '1',
  },
});

let stopping = false;
const stop = (/** @type {number} */ code) => {
  if (stopping) return;
  stopping = true;
  const end = () => {
    database.stop();
    process.exit(code);
  };
  if (server.exitCode !== null || server.signalCode !== null) return end();
  server.once('exit', end);
  server.kill('SIGTERM');
  setTimeout(() => server.kill('SIGKILL'), 5000).unref();
};
server.on('exit', (code) => stop(code ?? 1));
process.on('SIGINT', () => stop(0));
process.on('SIGTERM', () => stop(0));
process.on('SIGHUP', () => stop(0));

const address = `http://localhost:${port}`;
for (;;) {
  const answered = await fetch(`http://127.0.0.1:${port}/api/health`).then(
    (r) => r.ok,
    () => false,
  );
  if (answered) break;
  await new Promise((resolve) => setTimeout(resolve, 150));
}
console.log(`Rusty Wren is on the bench: ${address}`);
if (lan.length > 0) {
  // Only now: before the first start there are no packages.
  const [{ default: qrcode }, { X509Certificate }] = await Promise.all([
    import('qrcode'),
    import('node:crypto'),
  ]);
  const trust = `https://${lan[0]}:${port + 1}/trust`;
  const { fingerprint256 } = new X509Certificate(readFileSync(join(DATA, 'lan', 'authority.crt')));
  console.log(`
On phones: ${lan.map((a) => `https://${a}:${port + 1}`).join('  ')}
The first time open this, and do what it says (the phone warns once; SHA-256 of the certificate
${fingerprint256}):
${trust}
${await qrcode.toString(trust, { type: 'terminal', small: true })}`);
}
