import { randomUUID } from 'node:crypto';
import fc from 'fast-check';
import { ROLES, type Role } from '@rusty-wren/contract';
import { createApp } from '../../server/app';
import type { Pool } from '../../server/db/pool';
import { Changes } from '../../server/stream/changes';
import { routesOf } from '../../server/testing/routes';
import { signedIn } from '../../server/testing/signedIn';
import { countsOf, type App } from './bench';
import { NASTY } from './malformed';

/** Nobody's device, and one of each role. */
const WHO = [null, ...ROLES] as const;
/** Answers for as long as it is listened to: tried by `streams`. */
const ENDLESS = ['GET /api/stream', 'GET /api/feed'];
/** What ids in an address may be. */
const IDS = ['x', '%00', '..%2f', '%F0%28', "'%20OR%201=1", '{}', 'a'.repeat(300)];

const pick = <T>(from: readonly T[], n: number): T => from[n % from.length]!;

/**
 * Every route, asked by everybody there is and by nobody, with so much that is wrong in its address and its body. Returns what went
 * wrong, a sentence each: an answer of 500 or more, or none.
 */
export async function everyRoute(app: App, pool: Pool, url: string, each: number): Promise<string[]> {
  const routes = routesOf(createApp({ pool, changes: new Changes(url) })).filter((r) => !ENDLESS.includes(r));
  const nasties = fc.sample(NASTY, 2000);
  const wrong: string[] = [];
  const statuses = new Map<number, number>();
  let n = 0;
  const tell = async (role: Role | null, route: string): Promise<void> => {
    const [method = '', path = ''] = route.split(' ');
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
  for (const route of routes) await Promise.all(WHO.map((role) => tell(role, route)));
  console.log(`  ${routes.length} routes, each as ${WHO.length}: ${countsOf(statuses)}`);
  if (routes.length < 60) wrong.push(`only ${routes.length} routes were found`);
  return wrong;
}
