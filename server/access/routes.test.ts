import { randomUUID } from 'node:crypto';
import { ROLES, type Role } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from '../app';
import { openBench, type TestBench } from '../testing/bench';
import { routesOf } from '../testing/routes';
import { signedIn, type SignedIn } from '../testing/signedIn';
import { MAY } from './roles';

let bench: TestBench;
const devices = new Map<Role, SignedIn>();
beforeAll(async () => {
  bench = await openBench();
  for (const role of ROLES) devices.set(role, await signedIn(bench.pool, role, `Some ${role}`));
});
afterAll(() => bench.close());

/** Every address of the API that somebody answers, by its method. */
const answered = (): string[] => routesOf(bench.out).filter((route) => route.includes(' /api'));

/** Asks an address with something in every place of it, one's own account among it, and a body that is none of its. */
async function ask(
  route: string,
  headers: Record<string, string>,
  account: string = randomUUID(),
): Promise<number> {
  const [method = '', path = ''] = route.split(' ');
  const at = path.replace(/:\w+/g, (name) =>
    name === ':act' ? 'fit' : name === ':account' ? account : randomUUID(),
  );
  const type =
    path === '/api/feed' ? 'application/x-ndjson' : /photos/.test(path) ? 'image/webp' : 'application/json';
  const bodied = ['POST', 'PUT'].includes(method);
  const response = await bench.out.request(at, {
    method,
    headers: { ...headers, ...(bodied && { 'content-type': type }) },
    ...(bodied && { body: '{"what":"is this"}' }),
  });
  await response.body?.cancel();
  return response.status;
}

describe('who may ask what', () => {
  it('is kept by nobody on the way, refusals included', async () => {
    for (const path of ['/api/session', '/api/jobs?show=open', '/api/nothing', '/api/people'])
      for (const app of [bench.app, bench.out])
        expect([path, (await app.request(path)).headers.get('cache-control')]).toEqual([path, 'no-store']);
  });

  it('is written down where it is refused: who asked for what, once for a while', async () => {
    const { cookie, account } = await signedIn(bench.pool, 'reader', 'A curious reader');
    for (let n = 0; n < 3; n++) expect(await ask('PUT /api/specs', { cookie })).toBe(403);
    expect(await ask('POST /api/needs/:id/:act', { cookie })).toBe(403);
    const { rows } = await bench.pool.query<{ about: object }>(
      "SELECT about FROM audit WHERE what = 'refused' AND account_id = $1 ORDER BY n",
      [account],
    );
    expect(rows.map(({ about }) => about)).toEqual([
      { route: 'PUT /api/specs' },
      { route: 'POST /api/needs/:id/:act' },
    ]);
  });

  it('is said of every address, and of none that is not there', () => {
    expect(Object.keys(MAY).sort()).toEqual(answered().sort());
  });

  it('holds for every address and every role, and for whoever is not signed in', async () => {
    const wrong: string[] = [];
    for (const [route, may] of Object.entries(MAY)) {
      // Leaving ends the session that asks.
      if (/^DELETE \/api\/session/.test(route)) continue;
      const out = await ask(route, {});
      if ((out === 401) === (may === 'anybody')) wrong.push(`${route} signed out: ${out}`);
      for (const role of ROLES) {
        const least = may === 'anybody' ? 'reader' : may === 'instrument' ? 'technician' : may;
        const enough = ROLES.indexOf(role) >= ROLES.indexOf(least);
        const { cookie, account } = devices.get(role)!;
        const status = await ask(route, { cookie }, account);
        // One's own device is locked by that.
        if (route === 'POST /api/session/lock')
          await bench.pool.query('UPDATE session SET locked_at = NULL, fresh_at = now()');
        const refusedBySession = status === 403 && route === 'PUT /api/session/hand';
        if ((status !== 401 && status !== 403) !== enough && !refusedBySession)
          wrong.push(`${route} as ${role}: ${status}`);
      }
    }
    expect(wrong).toEqual([]);
  });

  it('is the same where the interface is served too', async () => {
    const app = createApp({ pool: bench.pool, changes: bench.changes, webRoot: '/nowhere' });
    const status = async (path: string, cookie = '') =>
      (await app.request(path, { headers: { cookie } })).status;
    const { cookie } = devices.get('reader')!;
    expect([
      await status('/api/health'),
      await status('/api/jobs'),
      await status('/api/jobs', cookie),
    ]).toEqual([200, 401, 200]);
    // What a page asks for first is asked for beforehand only by who would be answered.
    const ahead = async (by: string) =>
      (await app.request('/', { headers: { cookie: by } })).headers.get('link');
    expect([await ahead(cookie), await ahead('')]).toEqual([expect.stringContaining('/api/jobs'), null]);
    expect([await status('/api/nothing'), await status('/api/nothing', cookie)]).toEqual([401, 404]);
  });

  it('a locked device asks nothing but how it stands', async () => {
    const { cookie } = await signedIn(bench.pool, 'lead', 'Locked lead');
    await bench.out.request('/api/session/lock', {
      method: 'POST',
      headers: { cookie, 'content-type': 'application/json' },
      body: '{}',
    });
    for (const [route, may] of Object.entries(MAY))
      if (may !== 'anybody') expect([route, await ask(route, { cookie })]).toEqual([route, 401]);
  });

  it('an instrument feeds by its own token, and asks nothing else', async () => {
    const made = await bench.app.request('/api/instruments', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), name: 'Tachometer' }),
    });
    const { token } = (await made.json()) as { token: string };
    const authorization = `Bearer ${token}`;
    const feed = (by: string) =>
      bench.out.request('/api/feed', {
        method: 'POST',
        headers: { authorization: by, 'content-type': 'application/x-ndjson' },
        body: '{"t":0,"channel":"tacho-1","quantity":"speed","unit":"rpm","value":2800}\n',
      });
    expect([200, 400]).toContain((await feed(authorization)).status);
    for (const wrong of [`Bearer ${'x'.repeat(43)}`, 'Bearer', token, ''])
      expect((await feed(wrong)).status).toBe(401);
    for (const [route, may] of Object.entries(MAY))
      if (may !== 'anybody' && may !== 'instrument')
        expect([route, await ask(route, { authorization })]).toEqual([route, 401]);
    const { rows } = await bench.pool.query<{ id: string }>('SELECT id FROM instrument');
    await bench.app.request(`/api/instruments/${rows[0]!.id}`, { method: 'DELETE' });
    expect((await feed(authorization)).status).toBe(401);
  });

  it('an owner’s page and a calendar want their own token and nothing else', async () => {
    const { cookie } = await signedIn(bench.pool, 'lead', 'Curious lead');
    for (const path of ['/owner/nothing', '/calendar/nothing.ics'])
      for (const headers of [undefined, { cookie }])
        expect((await bench.out.request(path, headers && { headers })).status).toBe(404);
  });
});
