import { isIP } from 'node:net';
import { setTimeout as pause } from 'node:timers/promises';
import { getConnInfo } from '@hono/node-server/conninfo';
import type { Context, MiddlewareHandler } from 'hono';
import { rateLimiter } from 'hono-rate-limiter';
import { refuse } from './problem';

/** The names this server answers to, without ports, where none are given: the machine it runs on. */
export const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'];

const placeIn = (address: string): URL | null => {
  try {
    return new URL(address);
  } catch {
    return null;
  }
};

/**
 * Answers only to its own names: another name that leads here is somebody's page reaching for this bench through the
 * browser of whoever opened it. A page from elsewhere may not change anything either, one of another port of the same machine included.
 */
export const ownNamesOnly =
  (names: readonly string[]): MiddlewareHandler =>
  async (c, next) => {
    const host = c.req.header('host');
    const asked = placeIn(host === undefined ? c.req.url : `http://${host}`);
    if (!asked || !names.includes(asked.hostname))
      throw refuse(421, `This bench is not served under that name; it is ${names.join(', ')}.`);
    const origin = c.req.header('origin');
    const from = origin === undefined ? asked : placeIn(origin);
    const elsewhere = from?.host !== asked.host || c.req.header('sec-fetch-site') === 'cross-site';
    if (!['GET', 'HEAD'].includes(c.req.method) && elsewhere)
      throw refuse(403, 'A page from elsewhere changes nothing here.');
    await next();
  };

declare module 'hono' {
  interface ContextVariableMap {
    /** Where it comes from, and whether over HTTPS, as a proxy that is trusted says. */
    forwarded: { from: string; secure: boolean } | undefined;
  }
}

/** What a request comes from on the wire; requests that come from no socket (tests) are one. */
const socketOf = (c: Context): string => {
  try {
    return (getConnInfo(c).remote.address ?? 'unknown').replace(/^::ffff:/, '');
  } catch {
    return 'none';
  }
};

/**
 * Takes the word of these proxies, and of nobody else, for where a request comes from: the last address before them, and whether it
 * came over HTTPS.
 */
export const behind =
  (proxies: readonly string[]): MiddlewareHandler =>
  async (c, next) => {
    if (proxies.includes(socketOf(c))) {
      const told = (c.req.header('x-forwarded-for') ?? '').split(',').map((one) => one.trim());
      const from = told.findLast((one) => isIP(one) !== 0 && !proxies.includes(one));
      if (from) c.set('forwarded', { from, secure: c.req.header('x-forwarded-proto') === 'https' });
    }
    await next();
  };

/** Where a request comes from. */
export const addressOf = (c: Context): string => c.get('forwarded')?.from ?? socketOf(c);

/** Whether it came over HTTPS. */
export const isSecure = (c: Context): boolean =>
  c.get('forwarded')?.secure ?? new URL(c.req.url).protocol === 'https:';

const WINDOW_MS = 10_000;
/** Later than at once, ms: whoever asks over and over asks no oftener than that. */
const CROWDED_MS = 2000;

/** What a stranger is refused is refused late: held, it costs nothing, and asked again at once it would. */
export const crowded = (): Promise<void> => pause(CROWDED_MS);

/** At most so many requests in ten seconds from one address; the others are told to come again. */
export const atMost = (requests: number): MiddlewareHandler =>
  rateLimiter({
    windowMs: WINDOW_MS,
    limit: requests,
    keyGenerator: addressOf,
    handler: () => {
      throw refuse(429, 'Too many requests at once; wait a moment.');
    },
  });

/** The same of who is not signed in, or what is asked without looking who asks: `isStranger` says so. They are answered late, too. */
export function strangersAtMost(requests: number, isStranger: (c: Context) => boolean): MiddlewareHandler {
  const counted = atMost(requests);
  return async (c, next) => {
    if (!isStranger(c)) return await next();
    let through = false;
    try {
      return await counted(c, async () => {
        through = true;
        await next();
      });
    } catch (refusal) {
      if (!through) await crowded();
      throw refusal;
    }
  };
}
