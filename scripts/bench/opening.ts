import { spawn } from 'node:child_process';

import { createServer } from 'node:http';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import { chromium, type Browser } from '@playwright/test';
import { build, type Rolldown } from 'vite';
import { CHROMIUM } from '../../e2e/chromium.mjs';
import { signedIn } from '../../e2e/signedIn.mjs';
import { freePort, startPostgres } from '../postgres.mjs';

/** How a page is opened: the processor slowed, and the line as a phone at the edge of the yard has it. */
const WAYS = [
  { name: 'on loopback, processor 4× slowed', cpu: 4, line: null },
  { name: '3G-like line, processor 4× slowed', cpu: 4, line: { bitsPerSecond: 1_600_000, latency: 150 } },
] as const;
const RUNS = 5;

interface Opened {
  ms: number;
  kB: number;
}

/** Opens a page anew and says after how long something stands on it, and what was transferred till then. */
async function opened(
  browser: Browser,
  url: string,
  selector: string,
  way: (typeof WAYS)[number],
  storageState: Awaited<ReturnType<typeof signedIn>>['state'],
): Promise<Opened> {
  const context = await browser.newContext({ serviceWorkers: 'block', storageState });
  const page = await context.newPage();
  const cdp = await context.newCDPSession(page);
  await cdp.send('Network.enable');
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: way.cpu });
  if (way.line)
    await cdp.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: way.line.latency,
      downloadThroughput: way.line.bitsPerSecond / 8,
      uploadThroughput: way.line.bitsPerSecond / 16,
    });
  let bytes = 0;
  cdp.on('Network.loadingFinished', ({ encodedDataLength }) => (bytes += encodedDataLength));
  await page.goto(url, { waitUntil: 'commit' });
  await page.locator(selector).first().waitFor();
  const ms = await page.evaluate(() => performance.now());
  await context.close();
  return { ms, kB: bytes / 1024 };
}

/** The empty page as it is served: itself and its one script, gzipped. */
async function emptyPage(port: number): Promise<() => void> {
  const built = (await build({
    logLevel: 'silent',
    configFile: false,
    build: {
      write: false,
      rollupOptions: { input: fileURLToPath(new URL('./emptyPage.tsx', import.meta.url)) },
    },
  })) as Rolldown.RolldownOutput;
  const script = gzipSync(built.output[0].code);
  const server = createServer((request, response) => {
    if (request.url === '/script.js')
      response.writeHead(200, { 'content-type': 'text/javascript', 'content-encoding': 'gzip' }).end(script);
    else
      response
        .writeHead(200, { 'content-type': 'text/html' })
        .end('<!doctype html><html><body><script type="module" src="/script.js"></script></body></html>');
  });
  await new Promise<void>((done) => server.listen(port, '127.0.0.1', done));
  return () => server.close();
}

const median = (list: number[]): number => list.toSorted((x, y) => x - y)[Math.floor(list.length / 2)]!;

/** How long the bench and the rack take to be usable, beside an empty React page in the same run. Needs the interface built. */
export async function opening(): Promise<void> {
  const database = await startPostgres('opening', { fresh: true });
  if (!database) throw new Error('no database');
  const [port, emptyPort] = [await freePort(), await freePort()];
  const app = spawn(
    process.execPath,
    ['--import', 'tsx', fileURLToPath(new URL('../../server/main.ts', import.meta.url))],
    {
      stdio: ['ignore', 'ignore', 'inherit'],
      env: { ...process.env, ...database.env, PORT: String(port) },
    },
  );
  const closeEmpty = await emptyPage(emptyPort);
  const base = `http://127.0.0.1:${port}`;
  const browser = await chromium.launch(CHROMIUM);
  try {
    while (
      !(await fetch(`${base}/api/health`).then(
        (r) => r.ok,
        () => false,
      ))
    )
      await new Promise((done) => setTimeout(done, 200));
    const { cookie, state } = await signedIn(base);
    let tags: { job: { id: string }; phase: { kind: string } | null }[] = [];
    while (tags.length === 0 || tags.some((t) => !t.phase)) {
      await new Promise((done) => setTimeout(done, 500));
      tags = await fetch(`${base}/api/jobs?show=open`, { headers: { cookie } }).then(
        (r) => (r.ok ? (r.json() as Promise<typeof tags>) : []),
        () => [],
      );
    }
    const job = tags.find((t) => t.phase?.kind === 'check')!.job.id;
    const pages = [
      ['an empty React page', `http://127.0.0.1:${emptyPort}/`, 'h1'],
      ['the rack', `${base}/`, '[data-tag]'],
      ['the bench says it', `${base}/job/${job}`, '[data-glance] h2, #step h2'],
      ['the whole bench', `${base}/job/${job}`, '#step h2'],
    ] as const;
    for (const way of WAYS) {
      console.log(`\nUntil it is usable, ${way.name} (median of ${RUNS})`);
      for (const [name, url, selector] of pages) {
        const runs: Opened[] = [];
        for (let n = 0; n < RUNS; n++) runs.push(await opened(browser, url, selector, way, state));
        console.log(
          `${name.padEnd(22)}${Math.round(median(runs.map((r) => r.ms)))
            .toString()
            .padStart(7)} ms  ${Math.round(median(runs.map((r) => r.kB)))
            .toString()
            .padStart(5)} kB`,
        );
      }
    }
  } finally {
    await browser.close();
    closeEmpty();
    app.kill('SIGTERM');
    await new Promise((done) => app.once('exit', done));
    database.stop();
  }
}
