import { randomUUID } from 'node:crypto';
import type { DoneWhat } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { everything } from '../testing/everything';
import { hashOfSecret } from './secret';
import { signedIn } from '../testing/signedIn';

const PIN = '482916';
let bench: TestBench;
/** Somebody who comes and goes in these tests, an owner, an instrument, and another shop. */
const IDS = { person: randomUUID(), part: randomUUID(), instrument: randomUUID(), shop: randomUUID() };
let owner: string;
let secret: string;
let learnt: object;
beforeAll(async () => {
  bench = await openBench();
  // What a shop is known by elsewhere is made when it is first asked for.
  learnt = await answer<object>('/learnt/file');
  secret = await hashOfSecret(PIN);
  await bench.pool.query('UPDATE account SET secret = $2 WHERE id = $1', [bench.lead.account, secret]);
  const checkIn = aCheckIn();
  expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
  const closed = { ...note(''), kind: 'stage', body: { stage: 'closed', reason: 'fetched as it is' } };
  const { jobId } = checkIn;
  expect((await post(bench.app, `/api/jobs/${jobId}/entries`, { entries: [closed] })).status).toBe(201);
  await signedIn(bench.pool, 'reader', 'Somebody on a phone');
  // Lists are as their logs before anything is held against them.
  await answer('/jobs');
  owner = (
    await bench.pool.query<{ id: string }>(
      'SELECT c.id FROM customer c JOIN machine m ON m.customer_id = c.id JOIN job j ON j.machine_id = m.id WHERE j.id = $1',
      [checkIn.jobId],
    )
  ).rows[0]!.id;
});
afterAll(() => bench.close());

const ask = async (method: string, path: string, body?: object, cookie?: string): Promise<Response> =>
  bench.app.request(`/api${path}`, {
    method,
    headers: { ...(body && { 'content-type': 'application/json' }), ...(cookie !== undefined && { cookie }) },
    ...(body && { body: JSON.stringify(body) }),
  });
const answer = async <T>(path: string): Promise<T> => (await (await ask('GET', path)).json()) as T;

/** Everything but what moves by being looked at. */
async function standing(): Promise<Record<string, string[]>> {
  const { sign_in_try: _, session = [], ...rest } = await everything(bench.url);
  return { ...rest, session: session.map((row) => row.replace(/"seen_at": "[^"]*"/, '')) };
}

/** A device of its own, in the hands of the lead and of somebody else who has proved on it who they are. */
async function aDevice(): Promise<string> {
  const { cookie } = await signedIn(bench.pool, 'technician', `Of a device ${randomUUID()}`);
  const signed = await ask('POST', '/session', { account: bench.lead.account, secret: PIN }, cookie);
  return signed.headers.get('set-cookie')!.split(';')[0]!;
}

/** Whatever changes who gets in or a setting of the shop, in an order in which each can be done; and what is written down of it. */
const DEEDS: readonly { what: DoneWhat; name: string; act: () => Promise<Response> }[] = [
  {
    what: 'rules',
    name: 'the rules',
    act: async () => ask('PUT', '/shop/rules', (await answer<{ rules: object }>('/shop')).rules),
  },
  {
    what: 'prices',
    name: 'the price book',
    act: () => ask('PUT', '/shop/prices', { lines: [{ what: 'like', price: 5000, waitDays: 2 }] }),
  },
  {
    what: 'own-order',
    name: 'the own order',
    act: () => ask('PUT', '/own-order', { checks: ['fuel-smell'] }),
  },
  {
    what: 'specs',
    name: 'a spec card',
    act: () => ask('PUT', '/specs', { cards: [{ maker: 'Brakken', model: 'B45', figures: {} }] }),
  },
  {
    what: 'hours',
    name: 'hours',
    act: () =>
      ask('PUT', `/day/hours/${bench.lead.account}`, { week: [{ day: 1, from: 480, to: 960 }], off: [] }),
  },
  { what: 'rooms', name: 'rooms', act: () => ask('PUT', '/day/rooms', { bath: 1, outdoors: 2 }) },
  { what: 'learning', name: 'whether it counts', act: () => ask('PUT', '/learnt', { counts: false }) },
  {
    what: 'learning',
    name: 'another shop taken in',
    act: () =>
      ask('PUT', '/learnt/elsewhere', {
        name: 'Otterbank',
        weight: 50,
        file: { ...learnt, shop: IDS.shop },
      }),
  },
  {
    what: 'learning',
    name: 'another shop let go',
    act: () => ask('DELETE', `/learnt/elsewhere/${IDS.shop}`),
  },
  {
    what: 'person-made',
    name: 'somebody put on the books',
    act: () =>
      ask('POST', '/people', { id: IDS.person, name: 'Wenna Thrale', role: 'technician', secret: '640195' }),
  },
  {
    what: 'person-changed',
    name: 'a role',
    act: () => ask('PUT', `/people/${IDS.person}`, { role: 'counter' }),
  },
  {
    what: 'secret-set',
    name: 'a PIN set anew',
    act: () => ask('PUT', `/people/${IDS.person}`, { secret: '518304' }),
  },
  {
    what: 'instrument-made',
    name: 'an instrument let in',
    act: () => ask('POST', '/instruments', { id: IDS.instrument, name: 'Gauge 1' }),
  },
  {
    what: 'instrument-withdrawn',
    name: 'an instrument withdrawn',
    act: () => ask('DELETE', `/instruments/${IDS.instrument}`),
  },
  {
    what: 'device-ended',
    name: 'a device ended',
    act: async () => {
      const devices = await answer<{ id: string; here: boolean }[]>('/devices');
      const other = devices.find((device) => !device.here)?.id ?? randomUUID();
      return ask('DELETE', `/devices/${other}`);
    },
  },
  {
    what: 'parts',
    name: 'the parts list',
    act: async () => {
      const part = {
        id: IDS.part,
        name: 'Plug',
        uses: ['plug-failed'],
        price: 500,
        fits: [],
        holds: [],
        least: 0,
        sources: [],
        instead: [],
      };
      return ask('PUT', '/parts', { parts: [part] });
    },
  },
  {
    what: 'calendar-made',
    name: 'a calendar made',
    act: () => ask('POST', `/day/calendar/${bench.lead.account}`, {}),
  },
  {
    what: 'calendar-withdrawn',
    name: 'a calendar withdrawn',
    act: () => ask('DELETE', `/day/calendar/${bench.lead.account}`),
  },
  { what: 'learnt-taken-out', name: 'a file taken out', act: () => ask('GET', '/learnt/file') },
  {
    what: 'signed-in',
    name: 'signing in',
    act: () => ask('POST', '/session', { account: bench.lead.account, secret: PIN }, 'wren='),
  },
  {
    what: 'owner-forgotten',
    name: 'an owner taken out',
    act: () => ask('POST', `/owners/${owner}/forget`, { name: 'Odile Farrant' }),
  },
];

/** The same of one device, that is made for it before. */
const ON_A_DEVICE: readonly {
  what: DoneWhat;
  name: string;
  act: (cookie: string, other: string) => Promise<Response>;
}[] = [
  {
    what: 'took-over',
    name: 'changing hands',
    act: (cookie, other) => ask('PUT', '/session/hand', { account: other }, cookie),
  },
  { what: 'locked', name: 'locking', act: (cookie) => ask('POST', '/session/lock', {}, cookie) },
  {
    what: 'secret-set',
    name: 'an own PIN',
    act: (cookie) => ask('PUT', '/session/secret', { old: PIN, secret: '305714' }, cookie),
  },
  {
    what: 'device-ended',
    name: 'signing out everywhere',
    act: (cookie) => ask('DELETE', '/session/everywhere', undefined, cookie),
  },
  { what: 'signed-out', name: 'signing out', act: (cookie) => ask('DELETE', '/session', undefined, cookie) },
];

/** Does something while nothing can be written down, then again while it can. Returns both answers. */
async function bothWays(act: () => Promise<Response>): Promise<[Response, Response]> {
  const before = await standing();
  await bench.pool.query(`CREATE FUNCTION no_audit() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN RAISE EXCEPTION 'nothing is written down'; END $$;
    CREATE TRIGGER no_audit BEFORE INSERT ON audit FOR EACH ROW EXECUTE FUNCTION no_audit()`);
  const failed = await act();
  await bench.pool.query('DROP FUNCTION no_audit CASCADE');
  expect(await standing()).toEqual(before);
  return [failed, await act()];
}
async function lastDone(): Promise<string> {
  const { rows } = await bench.pool.query<{ what: string }>('SELECT what FROM audit ORDER BY n DESC LIMIT 1');
  return rows[0]!.what;
}

describe('what cannot be written down is not done', () => {
  it.each(DEEDS)('$name', async ({ what, act }) => {
    const [failed, done] = await bothWays(act);
    expect(failed.status).toBe(500);
    expect([done.ok, await done.clone().text()]).toEqual([true, expect.anything()]);
    expect(await lastDone()).toBe(what);
  });

  it.each(ON_A_DEVICE)('$name', async ({ what, act }) => {
    const cookie = await aDevice();
    const { rows } = await bench.pool.query<{ id: string }>(
      `SELECT h.account_id AS id FROM session_hand h WHERE h.account_id <> $1 ORDER BY proved_at DESC LIMIT 1`,
      [bench.lead.account],
    );
    const [failed, done] = await bothWays(() => act(cookie, rows[0]!.id));
    expect(failed.status).toBe(500);
    expect([done.ok, await done.clone().text()]).toEqual([true, expect.anything()]);
    expect(await lastDone()).toBe(what);
    await bench.pool.query('UPDATE account SET secret = $2 WHERE id = $1', [bench.lead.account, secret]);
  });
});
