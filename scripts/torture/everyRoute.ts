import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { ROLES, type Role } from '@rusty-wren/contract';
import { createApp } from '../../server/app';
import type { Pool } from '../../server/db/pool';
import { Changes } from '../../server/stream/changes';
import { signedIn } from '../../server/testing/signedIn';
import type { App } from './bench';
import { NASTY } from './malformed';

/** Nobody's device, and one of each role. */
const WHO = [null, ...ROLES] as const;
/** Answers for as long as it is listened to: tried by `streams`. */
const ENDLESS = ['GET /api/stream', 'GET /api/feed'];
/** What ids in an address may be. */
const IDS = ['x', '%00', '..%2f', '%F0%28', "'%20OR%201=1", '{}', 'a'.repeat(300)];

const pick = <T>(from: readonly T[], n: number): T => from[n % from.length]!;

/** What the app answers to: each method and address once, ids as `:name`. */
function routesOf(url: string, pool: Pool): { method: string; path: string }[] {
  const all = createApp({ pool, changes: new Changes(url) }).routes.filter(
    ({ method, path }) => method !== 'ALL' && !path.includes('*') && !ENDLESS.includes(`${method} ${path}`),
  );
  return [...new Map(all.map((route) => [`${route.method} ${route.path}`, route])).values()];
}

/**
 * Every route, asked by everybody there is and by nobody, with so much that is wrong in its address and its body. Returns what went
 * wrong, a sentence each: an answer of 500 or more, or none.
 */
export async function everyRoute(app: App, pool: Pool, url: string, each: number): Promise<string[]> {
  const routes = routesOf(url, pool);
  const nasties = fc.sample(NASTY, 2000);
  const wrong: string[] = [];
  const statuses = new Map<number, number>();
  let n = 0;
  const tell = async (role: Role | null, method: string, path: string): Promise<void> => {
    // Some of them end their own session: each begins with one of its own.
    const cookie = role ? (await signedIn(pool, role, `Tried as ${role}`)).cookie : '';
    for (let i = 0; i < each; i++, n++) {
      const address = path.replaceAll(/:\w+(\{[^}]*\})?/g, () => (n % 3 ? pick(IDS, n) : randomUUID()));
      const nasty = pick(nasties, n * 7);
      const body = ['GET', 'HEAD'].includes(method)
        ? undefined
        : JSON.stringify(n % 2 ? nasty : { a: nasty });
      const query = n % 5 ? '' : `?show=${encodeURIComponent(String(pick(nasties, n)).toWellFormed())}`;
      const { status } = await app.ask(method, address + query, body, { cookie });
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
      if (status >= 500 || status === 0)
        wrong.push(
          `${status} for ${role ?? 'nobody'}: ${method} ${address}${query} ${body?.slice(0, 300) ?? ''}`,
        );
    }
  };
  for (const { method, path } of routes) await Promise.all(WHO.map((role) => tell(role, method, path)));
  console.log(
    `  ${routes.length} routes, each as ${WHO.length}: ${[...statuses]
      .sort(([x], [y]) => x - y)
      .map(([s, many]) => `${s}: ${many}`)
      .join(', ')}`,
  );
  if (routes.length < 60) wrong.push(`only ${routes.length} routes were found`);
  return wrong;
}
