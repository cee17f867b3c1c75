import { randomUUID } from 'node:crypto';
import type { App } from './bench';
import { hang, notesTake } from './bench';

/** What a signed-in bench's notes may take under any flood from outside, as many times as without. */
const AT_MOST = 2;
const NOTES = 300;

/** What strangers ask, over and over. */
const FLOODS: Readonly<Record<string, { method: string; path: string; body?: () => object }>> = {
  'asking how it stands': { method: 'GET', path: '/api/session' },
  'asking for the rack': { method: 'GET', path: '/api/jobs?show=open' },
  'sign-ins of names nobody has': {
    method: 'POST',
    path: '/api/session',
    body: () => ({ account: randomUUID(), secret: '905172' }),
  },
  'asking for the page': { method: 'GET', path: '/' },
  'asking for files there are none of': { method: 'GET', path: '/assets/none.js' },
  'guessing at owners’ pages': { method: 'GET', path: `/owner/${'x'.repeat(43)}` },
  'guessing at calendars': { method: 'GET', path: `/calendar/${'x'.repeat(43)}.ics` },
  'instruments that are none': {
    method: 'POST',
    path: '/api/feed',
    body: () => ({ rpm: 2800 }),
  },
  'first leads of a shop that has one': {
    method: 'POST',
    path: '/api/session/first',
    body: () => ({ code: '00000000', name: 'Anybody', secret: '905172' }),
  },
};

/** Floods of so many at once, from nobody who is signed in: what a signed-in bench notes goes on. Returns what went wrong, a sentence each. */
export async function floods(app: App, atOnce: number): Promise<string[]> {
  const wrong: string[] = [];
  const [jobId] = await hang(app, 1);
  await notesTake(app, jobId!, NOTES);
  for (const [name, { method, path, body }] of Object.entries(FLOODS)) {
    const before = await notesTake(app, jobId!, NOTES);
    let pouring = true;
    let answered = 0;
    const sources = Array.from({ length: atOnce }, async () => {
      while (pouring) {
        await fetch(`http://127.0.0.1:${app.port}${path}`, {
          method,
          headers: { 'content-type': 'application/json' },
          ...(body && { body: JSON.stringify(body()) }),
        }).then(
          (answer) => answer.arrayBuffer(),
          () => undefined,
        );
        answered++;
      }
    });
    const during = await notesTake(app, jobId!, NOTES);
    pouring = false;
    await Promise.all(sources);
    const times = during / before;
    console.log(
      `  ${atOnce} at once, ${name}: ${answered} answered while ${NOTES} notes took ${times.toFixed(2)} times as long`,
    );
    if (times > AT_MOST) wrong.push(`under ${name} notes take ${times.toFixed(1)} times as long`);
  }
  return wrong;
}
