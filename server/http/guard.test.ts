import { randomUUID } from 'node:crypto';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { Hono } from 'hono';
import { createApp } from '../app';
import { connect } from '../db/pool';
import { streamsOpen } from '../stream/events';
import { addressOf, behind, isSecure } from './guard';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());
const problem = async (response: Response): Promise<string> =>
  ((await response.json()) as { error: string }).error;

describe('where a request comes from', () => {
  const asked = async (proxies: string[], headers: Record<string, string>): Promise<unknown> => {
    const app = new Hono().use(behind(proxies)).get('/', (c) => c.json([addressOf(c), isSecure(c)]));
    return (await app.request('/', { headers })).json();
  };
  const told = { 'x-forwarded-for': '198.51.100.7, 203.0.113.9', 'x-forwarded-proto': 'https' };
  it('is said by nobody but a proxy that is trusted, and only what that one saw itself', async () => {
    expect(await asked([], told)).toEqual(['none', false]);
    expect(await asked(['none'], told)).toEqual(['203.0.113.9', true]);
    expect(await asked(['none', '203.0.113.9'], told)).toEqual(['198.51.100.7', true]);
    expect(await asked(['none'], { 'x-forwarded-for': 'somewhere' })).toEqual(['none', false]);
  });
});

describe('who is not signed in', () => {
  it('asks so often and no oftener, is answered late then, and keeps nobody else from asking', async () => {
    const { pool, changes } = bench;
    const app = createApp({ pool, changes, mostFromStrangers: 5 });
    const ask = async () => (await app.request('/api/session')).status;
    for (let n = 0; n < 5; n++) expect(await ask()).toBe(200);
    expect(await ask()).toBe(429);
    expect((await app.request('/api/jobs')).status).toBe(429);
    expect((await bench.asLead(app).request('/api/accounts')).status).toBe(200);
  });
});

describe('a body', () => {
  const sent = (body: string): Promise<Response> =>
    Promise.resolve(
      bench.app.request('/api/entries', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
      }),
    );
  it('that is nested for nothing is refused in a sentence, however deep, and brackets in a text are none', async () => {
    for (const depth of [31, 3066, 200_000]) {
      const response = await sent(`{"parcels":${'['.repeat(depth)}${']'.repeat(depth)}}`);
      expect([response.status, await problem(response)]).toEqual([400, 'The body is nested deeper than 30.']);
    }
    const { jobId } = aCheckIn();
    const told = await sent(JSON.stringify({ parcels: [{ jobId, entry: note(`\\" ${'[{'.repeat(100)}`) }] }));
    expect(((await told.json()) as { refused: { error: string }[] }).refused).toEqual([
      { at: 0, error: 'No such job.' },
    ]);
  });
});

describe('names', () => {
  it.each(['localhost', 'localhost:4680', '127.0.0.1:1', '[::1]:4680'])('answers as %s', async (host) => {
    expect((await bench.app.request('/api/accounts', { headers: { host } })).status).toBe(200);
  });
  it.each([
    'rebound.example',
    'localhost.rebound.example:4680',
    '127.0.0.2',
    'a b',
    '',
    'localhost:4680@evil',
  ])('not as %j', async (host) => {
    const response = await bench.app.request('/api/customers', { headers: { host } });
    expect(response.status).toBe(421);
    expect(await problem(response)).toContain('not served under that name');
  });
  it('takes nothing from a page elsewhere, nor from one without a place', async () => {
    for (const [from, status] of [
      [{ origin: 'http://elsewhere.example' }, 403],
      [{ origin: 'null' }, 403],
      // Whatever else runs on this machine.
      [{ origin: 'http://localhost:3000' }, 403],
      [{ origin: 'http://127.0.0.1:4680' }, 403],
      [{ 'sec-fetch-site': 'cross-site' }, 403],
      [{ origin: 'http://localhost:4680', 'sec-fetch-site': 'same-origin' }, 201],
      // Behind what speaks HTTPS for it.
      [{ origin: 'https://localhost:4680' }, 201],
      [{}, 201],
    ] as const) {
      const response = await bench.app.request('/api/jobs', {
        method: 'POST',
        headers: { 'content-type': 'application/json', host: 'localhost:4680', ...from },
        body: JSON.stringify(aCheckIn()),
      });
      expect(response.status, JSON.stringify(from)).toBe(status);
    }
  });

  it('lets its own pages hear and see, and nothing else of the device', async () => {
    const policy = (await bench.app.request('/api/accounts')).headers.get('permissions-policy');
    expect(policy).toContain('microphone=(self)');
    expect(policy).toContain('camera=(self)');
    expect(policy).toContain('geolocation=()');
  });
});

describe('limits', () => {
  it('a flood is told to come again later', async () => {
    const app = bench.asLead(createApp({ pool: bench.pool, changes: bench.changes, mostRequests: 5 }));
    const statuses = [];
    for (let i = 0; i < 7; i++) statuses.push((await app.request('/api/accounts')).status);
    expect(statuses).toEqual([200, 200, 200, 200, 200, 429, 429]);
    expect((await app.request('/api/accounts')).headers.get('retry-after')).toBeTruthy();
  });

  it('a HEAD opens no stream, and one closed leaves its place', async () => {
    const before = streamsOpen();
    for (let i = 0; i < 100; i++)
      expect((await bench.app.request('/api/stream', { method: 'HEAD' })).status).toBe(200);
    expect(streamsOpen()).toBe(before);
    const open = await Promise.all(Array.from({ length: 70 }, async () => bench.app.request('/api/stream')));
    expect(open.filter((r) => r.status === 200)).toHaveLength(60);
    expect(open.filter((r) => r.status === 429)).toHaveLength(10);
    await Promise.all(open.map((r) => r.body?.cancel()));
    expect(streamsOpen()).toBe(before);
    const again = await bench.app.request('/api/stream');
    expect(again.status).toBe(200);
    await again.body?.cancel();
  });

  it('nothing outside the API is written to', async () => {
    const response = await bench.app.request('/assets/x.js', { method: 'POST', body: 'x' });
    expect(response.status).toBe(405);
    expect(response.headers.get('connection')).toBe('close');
  });
});

it('a page lets in no script and no style of its text, but for what carries its own nonce', async () => {
  const webRoot = await mkdtemp(join(tmpdir(), 'page-'));
  await writeFile(join(webRoot, 'index.html'), '<style nonce="NONCE_OF_THIS_PAGE">a{}</style>');
  const app = createApp({ pool: bench.pool, changes: bench.changes, webRoot });
  const nonces = new Set<string>();
  for (const path of ['/', '/index.html', '/job/x']) {
    const response = await app.request(path);
    const policy = response.headers.get('content-security-policy')!;
    expect(policy).not.toContain('unsafe');
    const nonce = /style-src 'self' 'nonce-([^']+)'/.exec(policy)![1]!;
    expect(await response.text()).toBe(`<style nonce="${nonce}">a{}</style>`);
    expect(response.headers.get('cache-control')).toBe('no-cache');
    nonces.add(nonce);
  }
  expect(nonces.size).toBe(3);
  await rm(webRoot, { recursive: true });
});

it('files of the interface are had so often and no oftener, and the API is none of them', async () => {
  const app = createApp({ pool: bench.pool, changes: bench.changes, mostFiles: 5 });
  const paths = ['/', '/assets/none.js', '/owner/none', '/calendar/none.ics', '/rack'];
  for (const path of paths) expect((await app.request(path)).status).toBe(404);
  expect((await app.request('/')).status).toBe(429);
  expect((await app.request('/api/health')).status).toBe(200);
});

it('an interface that is not built is not there, and no database is blamed for it', async () => {
  const app = createApp({ pool: bench.pool, changes: bench.changes, webRoot: '/nowhere' });
  const response = await app.request('/job/x');
  expect([response.status, await problem(response)]).toEqual([404, 'The interface is not built yet.']);
});

describe('a database that is away', () => {
  it('is 503 with a time to come again, and nothing is lost when it is back', async () => {
    const pool = connect(bench.url);
    const app = bench.asLead(createApp({ pool, changes: bench.changes }));
    const checkIn = aCheckIn();
    expect((await post(app, '/api/jobs', checkIn)).status).toBe(201);
    // Whoever is in the middle of a transaction loses its connection.
    const locker = await bench.pool.connect();
    await locker.query('BEGIN');
    await locker.query('SELECT 1 FROM job WHERE id = $1 FOR UPDATE', [checkIn.jobId]);
    const entries = [note('in the middle'), note('of it')];
    const writing = post(app, `/api/jobs/${checkIn.jobId}/entries`, { entries });
    await new Promise((resolve) => setTimeout(resolve, 200));
    await locker.query(
      "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE wait_event_type = 'Lock' AND datname = current_database()",
    );
    const answer = await writing;
    expect(answer.status).toBe(503);
    expect(answer.headers.get('retry-after')).toBeTruthy();
    await locker.query('ROLLBACK');
    locker.release();
    const again = await post(app, `/api/jobs/${checkIn.jobId}/entries`, { entries });
    expect(again.status).toBe(201);
    expect(((await again.json()) as { entries: { seq: number }[] }).entries.map((e) => e.seq)).toEqual([
      2, 3,
    ]);
    await pool.end();
  });

  it('is waited for at the start, by name', async () => {
    const app = createApp({ pool: bench.pool, changes: bench.changes, isReady: () => false });
    const response = await app.request(`/api/jobs/${randomUUID()}`);
    expect(response.status).toBe(503);
    expect(await problem(response)).toBe('The bench server is getting ready.');
  });

  it('with nobody at its address is 503 too', async () => {
    const pool = connect('postgres://nobody@127.0.0.1:1/none');
    const app = bench.asLead(createApp({ pool, changes: bench.changes }));
    expect((await app.request('/api/jobs')).status).toBe(503);
    await pool.end();
  });
});
