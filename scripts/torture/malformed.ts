import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import type pg from 'pg';
import type { App } from './bench';
import { USUAL_RULES } from '@rusty-wren/core/worth';
import { paperHash } from '@rusty-wren/core/log';
import { countsOf, hang, note, type Answer } from './bench';

/** What clients that are broken, old or hostile send in the place of something. */
export const NASTY = fc.oneof(
  fc.constantFrom<unknown>(
    null,
    true,
    -1,
    0,
    1e308,
    1e21,
    2 ** 31,
    -0.5,
    '',
    ' ',
    'x',
    '\0',
    'a\0b',
    '\ud83d',
    '\ude00x',
    'x'.repeat(3000),
    '😀'.repeat(60),
    '2026',
    '2026-01',
    '2026-02-30',
    '0000-01-01',
    '9999-12-31',
    '2099-01-01T10:00:00+00',
    '2026-05-04T10:00:00+99:99',
    '2026-05-04T10:00:00Z',
    '275761-01-01T00:00:00Z',
    'infinity',
    'now',
    'NaN',
    '1; DROP TABLE job',
    "' OR 1=1 --",
    '{"a":1}',
    [],
    {},
    [[]],
    { constructor: 1 },
    ['a', 1, null],
  ),
  fc
    .uuid()
    .chain((id) =>
      fc.constantFrom(
        id,
        `{${id}}`,
        `[${id}]`,
        id.toUpperCase(),
        id.replaceAll('-', ':'),
        id.replaceAll('-', ''),
        `${id} `,
      ),
    ),
  fc.string({ unit: 'binary', maxLength: 40 }),
  fc.jsonValue({ maxDepth: 3 }),
  fc.double(),
  fc.integer(),
);

/** The places in a value, by path. */
const placesIn = (value: unknown, path: (string | number)[] = []): (string | number)[][] =>
  typeof value === 'object' && value !== null
    ? [
        path,
        ...Object.entries(value).flatMap(([key, one]) =>
          placesIn(one, [...path, Array.isArray(value) ? Number(key) : key]),
        ),
      ]
    : [path];

/** A value with something else at a place; nothing at all when `with` is undefined. */
function put(value: unknown, [key, ...rest]: readonly (string | number)[], withWhat: unknown): unknown {
  if (key === undefined) return withWhat;
  const copy: Record<string | number, unknown> = Array.isArray(value)
    ? ([...(value as unknown[])] as never)
    : { ...(value as object) };
  copy[key] = put(copy[key], rest, withWhat);
  return copy;
}

interface Asked {
  method: string;
  path: string;
  body?: string;
  headers?: Record<string, string>;
  /** Ids that must not stand anywhere when it is refused. */
  ids: string[];
}

/** A sound request, of any kind the server takes. */
const soundOf = (jobs: readonly string[]) => {
  const entry = () => ({ ...note('tried'), id: randomUUID() });
  const kinds = (): object[] => [
    entry(),
    {
      ...entry(),
      kind: 'finding',
      body: { check: 'tank-vent', result: 'blocked', sureness: 'sure', note: 'x' },
    },
    {
      ...entry(),
      kind: 'finding',
      body: {
        check: 'compression-gauge',
        reading: { psi: [60, 90, 110], decompressor: 'closed' },
        sureness: 'fair',
      },
    },
    { ...entry(), kind: 'strike', body: { reason: 'slip' }, strikes: randomUUID() },
    { ...entry(), kind: 'took-off', body: { thing: 'washer' } },
    { ...entry(), kind: 'took-off', body: { layer: 'inlet-needle', condition: 'worn' } },
    {
      ...entry(),
      kind: 'screw-plan',
      body: { of: { part: 'recoil' }, on: { outline: 'round' }, screws: [{ x: 0.1, y: 0.2, kind: 'long' }] },
    },
    { ...entry(), kind: 'choice-set', body: { choice: 'mend', price: 5500, days: 2 } },
    { ...entry(), kind: 'decision', body: { choice: 'bare', by: 'somebody', how: 'phone', price: 5500 } },
    {
      ...entry(),
      kind: 'paper',
      body: (() => {
        const paper = {
          title: 'Report',
          blocks: [
            { is: 'text' as const, text: 'Said.', from: [] },
            {
              is: 'choice' as const,
              choice: 'mend' as const,
              name: 'Mend it',
              price: '€5',
              upTo: 500,
              days: 'today',
              items: [],
            },
          ],
        };
        return { paper: 'report', ...paper, hash: paperHash(paper) };
      })(),
    },
    { ...entry(), kind: 'worth', body: { ageYears: 4, like: 30000 } },
    { ...entry(), kind: 'left-off', body: { layer: 'lever-pin', words: 'none here' } },
    { ...entry(), kind: 'line', body: { tag: 'clear', ends: ['tank-filter', 'supply-stub'] } },
    {
      ...entry(),
      kind: 'carburettor',
      body: { throat: 'barrel', bulb: 'none', own: { pump: ['pump-cover'], metering: [] } },
    },
    { ...entry(), kind: 'rebuild-step', body: { step: 'renew', answer: 'kit' } },
    {
      ...entry(),
      kind: 'photo',
      body: { hash: 'a'.repeat(64), width: 4, height: 3, pins: [{ x: 0, y: 1, words: 'here' }] },
    },
    { ...entry(), kind: 'heard', body: { track: [[0, 2800, 0]], seconds: 1, by: 'recording' } },
    { ...entry(), kind: 'stage', body: { stage: 'closed' } },
  ];
  const job = (): string => jobs[Math.floor(Math.random() * jobs.length)]!;
  const any = (): object => {
    const all = kinds();
    return all[Math.floor(Math.random() * all.length)]!;
  };
  return [
    () => ({ method: 'POST', path: `/api/jobs/${job()}/entries`, body: { entries: [any(), any()] } }),
    () => ({
      method: 'POST',
      path: '/api/entries',
      body: {
        parcels: [
          { jobId: job(), entry: any() },
          { jobId: job(), entry: any() },
        ],
      },
    }),
    () => ({
      method: 'POST',
      path: '/api/jobs',
      body: {
        jobId: randomUUID(),
        customer: { name: 'Tried', phone: '1' },
        machine: { kind: 'trimmer', maker: 'Hobwick', model: 'X', displacementCc: 25 },
        promisedFor: '2026-12-01',
        entries: [any()],
      },
    }),
    () => ({
      method: 'PUT',
      path: `/api/jobs/${job()}/photos/${randomUUID().replaceAll('-', '').repeat(2)}`,
      body: { hash: 'not a picture' },
    }),
    () => ({ method: 'PUT', path: '/api/shop/rules', body: { ...USUAL_RULES } }),
    () => ({
      method: 'PUT',
      path: '/api/shop/prices',
      body: {
        lines: [{ what: 'plug-failed', family: 'barrel/none', price: 500, cost: 300, waitDays: 1 }],
        gone: [{ what: 'like', maker: 'Hobwick', model: 'X' }],
      },
    }),
    () => ({
      method: 'PUT',
      path: '/api/parts',
      body: {
        parts: [
          {
            id: randomUUID(),
            name: 'Plug',
            code: randomUUID(),
            uses: ['plug-failed'],
            fits: [{ kind: 'trimmer' }],
            holds: ['inlet-needle'],
            shelf: 'A1',
            least: 2,
            price: 500,
            cost: 200,
            sources: [{ name: 'Quay', waitDays: 2, cost: 190 }],
            instead: [{ part: randomUUID(), condition: 'shorter' }],
            donor: { tag: 88, condition: 'good' },
          },
        ],
        counted: [{ id: randomUUID(), part: randomUUID(), count: 3 }],
      },
    }),
    () => ({
      method: 'POST',
      path: `/api/jobs/${job()}/parts`,
      body: {
        id: randomUUID(),
        name: 'Plug',
        part: randomUUID(),
        count: 1,
        do: 'reserve',
        use: 'plug-failed',
      },
    }),
    () => ({
      method: 'POST',
      path: `/api/jobs/${job()}/parts`,
      body: { id: randomUUID(), name: 'Screw', count: 1, do: 'to-order', source: 'Quay' },
    }),
    () => ({ method: 'POST', path: `/api/needs/${randomUUID()}/fit`, body: { id: randomUUID() } }),
    () => ({
      method: 'POST',
      path: `/api/needs/${randomUUID()}/name`,
      body: { id: randomUUID(), part: randomUUID() },
    }),
    () => ({ method: 'PUT', path: '/api/day/rooms', body: { bath: 1, outdoors: 2 } }),
    () => ({
      method: 'POST',
      path: '/api/parts/orders',
      body: {
        orders: [
          {
            id: randomUUID(),
            part: randomUUID(),
            count: 2,
            source: 'Quay',
            expected: '2026-12-01',
            needs: [randomUUID()],
          },
        ],
      },
    }),
    () => ({
      method: 'POST',
      path: '/api/parts/book-in',
      body: { id: randomUUID(), code: 'SP-7', count: 1 },
    }),
    () => ({
      method: 'PUT',
      path: `/api/day/hours/${randomUUID()}`,
      body: { week: [{ day: 1, from: 480, to: 720 }], off: ['2026-12-24'] },
    }),
    () => ({
      method: 'PUT',
      path: '/api/day/pins',
      body: { task: 'x', jobId: job(), account: randomUUID(), from: '2026-12-01T08:00:00.000Z' },
    }),
    () => ({
      method: 'PUT',
      path: '/api/day/plan',
      body: {
        key: 'k',
        zero: '2026-12-01T08:00:00.000Z',
        slots: [{ task: 'x', crew: null, start: 0, end: 5 }],
      },
    }),
    () => ({ method: 'POST', path: `/api/jobs/${job()}/papers/${randomUUID()}/link`, body: { any: 1 } }),
    () => ({
      method: 'POST',
      path: `/owner/${randomUUID()}`,
      body: { choice: 'mend', name: 'x', words: '' },
    }),
    () => ({ method: 'PUT', path: '/api/own-order', body: { checks: ['fuel-look', 'fuel-smell'] } }),
    () => ({
      method: 'PUT',
      path: '/api/specs',
      body: { cards: [{ maker: 'Hobwick', model: 'X', figures: { maxRpm: 9000 }, source: 'plate' }] },
    }),
    () => ({
      method: 'POST',
      path: '/api/feed',
      body: { channel: 'c', kind: 'rpm', value: 2800, at: '2026-05-04T10:00:00Z' },
    }),
  ];
};

const HEADERS: Record<string, string>[] = [
  {},
  {},
  {},
  {},
  {},
  {},
  { host: 'rebound.example' },
  { host: 'localhost:99999' },
  { host: '[::1' },
  { host: ' ' },
  { host: 'a@b' },
  { origin: 'null' },
  { origin: 'http://x.example' },
  { 'content-type': 'text/plain' },
  { 'content-type': '' },
  { 'content-type': 'application/json; charset=x' },
  { 'content-length': '0' },
  { expect: '100-continue' },
];
const PATHS = [
  '/api/jobs',
  '/api/jobs?show=all',
  '/api/jobs?show=%00',
  '/api/jobs/%00',
  '/api/jobs/%F0%28',
  '/api/jobs/..%2f',
  '/api/stream/x',
  '/api/health',
  '/%',
  '/%E0%A4%A',
  '/assets/none.js',
  '/job/x',
  '//evil.example/',
  '/api/entries',
  '/api/specs/1',
  '/api/photos/x',
  '/api/shop',
  '/api/jobs/x/papers/y/pdf?size=z',
  '/api/parts?job=x',
  '/api/parts/x/count',
  '/api/needs/x/y',
  '/api/day/calendar/x',
  '/api/find?words=%00%27%3A*%26%7C',
  '/api/find?words=' + 'x'.repeat(5000),
  '/api/customers?words=%27%29%3B--',
  '/api/machines/x',
  '/api/owners/%00',
  '/api/jobs?show=closed&since=x&after=y',
  '/api/jobs?show=closed&words=%5C%27',
  '/calendar/x.ics',
  '/owner/x',
  '/owner/%00',
  '/owner/x/photos/y',
  '/api/photos/%00',
  '/api/jobs/x/photos/y',
  '/api/%6aobs',
];
const METHODS = ['GET', 'HEAD', 'OPTIONS', 'PATCH', 'DELETE', 'POST', 'PUT', 'TRACE', 'PROPFIND'];

const idsIn = (value: unknown): string[] =>
  typeof value === 'object' && value !== null
    ? Object.entries(value).flatMap(([key, one]) =>
        (key === 'id' || key === 'jobId') && typeof one === 'string' && /^[0-9a-f-]{36}$/.test(one)
          ? [one]
          : idsIn(one),
      )
    : [];

function askedOf(
  sound: { method: string; path: string; body: object },
  seeds: readonly unknown[],
  n: number,
): Asked {
  const places = placesIn(sound.body);
  let { body }: { body: unknown } = sound;
  for (const nasty of seeds.slice(0, 1 + (n % 3))) {
    const at = places[Math.floor(Math.random() * places.length)]!;
    try {
      body = put(body, at, n % 7 === 0 ? undefined : nasty);
    } catch {
      // The place went with an earlier change.
    }
  }
  const isFeed = sound.path === '/api/feed';
  const isPhoto = sound.path.includes('/photos/');
  const isForm = sound.path.startsWith('/owner/');
  let text = JSON.stringify(body) ?? '';
  // Half of a pair, raw: JSON.stringify would have escaped it as it stands.
  if (n % 11 === 0) text = text.slice(0, Math.floor(text.length * Math.random()));
  return {
    method: sound.method,
    path: sound.path,
    body: text,
    headers: {
      ...(isFeed && { 'content-type': 'application/x-ndjson' }),
      ...(isForm && { 'content-type': 'application/x-www-form-urlencoded' }),
      ...(isPhoto && { 'content-type': 'image/webp' }),
      ...HEADERS[n % HEADERS.length],
    },
    ids: idsIn(body),
  };
}

/** Sends so many malformed requests. Returns what went wrong, a sentence each. */
export async function malformed(app: App, pool: pg.Pool, many: number): Promise<string[]> {
  const jobs = await hang(app, 3);
  const sounds = soundOf(jobs);
  const statuses = new Map<number, number>();
  const wrong: string[] = [];
  const nasties = fc.sample(NASTY, 3000);
  /** An id that was made up once is made up again: taken in long ago, it stands whatever is refused under it since. */
  const taken = new Set<string>();
  const BATCH = 200;
  const CLIENTS = 8;
  for (let from = 0; from < many; from += BATCH) {
    const refused: string[] = [];
    const tell = async (asked: Asked): Promise<void> => {
      const ask = (): Promise<Answer> =>
        app.ask(asked.method, asked.path, asked.body, asked.headers).catch(() => ({ status: -1, body: '' }));
      // Told to come again, a client does: two that stood in each other's way, or a machine that was out of breath.
      let answer = await ask();
      for (let n = 0; n < 3 && answer.status === 503; n++) {
        await new Promise((resolve) => setTimeout(resolve, 500));
        answer = await ask();
      }
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      if (answer.status >= 500 || answer.status < 0)
        wrong.push(
          `${answer.status} for ${asked.method} ${asked.path} ${JSON.stringify(asked.headers)} ${asked.body?.slice(0, 600)}`,
        );
      if (asked.path === '/api/entries' || answer.status < 400) asked.ids.forEach((id) => taken.add(id));
      else refused.push(...asked.ids);
    };
    const asks = Array.from({ length: BATCH }, (_, i): Asked => {
      const n = from + i;
      if (n % 10 === 9)
        return {
          method: METHODS[((n / 10) % METHODS.length) | 0]!,
          path: PATHS[Math.floor(Math.random() * PATHS.length)]!,
          headers: HEADERS[n % HEADERS.length]!,
          ids: [],
        };
      const seeds = [0, 1, 2].map(() => nasties[Math.floor(Math.random() * nasties.length)]);
      return askedOf(sounds[n % sounds.length]!(), seeds, n);
    });
    await Promise.all(
      Array.from({ length: CLIENTS }, async (_, c) => {
        for (let i = c; i < BATCH; i += CLIENTS) await tell(asks[i]!);
      }),
    );
    const gone = refused.filter((id) => !taken.has(id) && !jobs.includes(id));
    const { rows } = await pool.query<{ n: string }>(
      'SELECT (SELECT count(*) FROM bench_entry WHERE id = ANY($1)) + (SELECT count(*) FROM job WHERE id = ANY($1)) AS n',
      [gone],
    );
    if (rows[0]?.n !== '0') wrong.push(`${rows[0]?.n} things stand that were refused`);
    if (wrong.length > 20) break;
  }
  console.log(`  malformed requests: ${countsOf(statuses)}`);
  return wrong;
}
