import { isAtLeast, PROVE_AGAIN, ROLES, type Role } from '@rusty-wren/contract';
import type { Context, MiddlewareHandler } from 'hono';
import { getCookie, setCookie } from 'hono/cookie';
import { matchedRoutes } from 'hono/route';
import type { Pool } from '../db/pool';
import { addressOf, isSecure } from '../http/guard';
import { refuse } from '../http/problem';
import { noteOnce } from './audit';
import { isInstrument } from './instruments';
import { MAY, type May } from './roles';
import { KEPT_DAYS, sessionOf, type OnMoved, type Session } from './sessions';

declare module 'hono' {
  interface ContextVariableMap {
    /** Who asks; none where anybody may. */
    session: Session | null;
    /** Whether who asked is still let in. */
    stillIn: () => Promise<boolean>;
  }
}

/** Over HTTPS a browser keeps a name that begins so to this host alone. */
const nameIn = (c: Context): string => (isSecure(c) ? '__Host-wren' : 'wren');

/** The token this request brings. */
export const tokenIn = (c: Context): string | undefined => getCookie(c, nameIn(c));

/** Gives the browser its token; an empty one takes it away. No script reads it, and no page elsewhere sends it. */
export const giveToken = (c: Context, token: string): void =>
  setCookie(c, nameIn(c), token, {
    httpOnly: true,
    sameSite: 'Strict',
    path: '/',
    secure: isSecure(c),
    maxAge: token ? KEPT_DAYS * 86_400 : 0,
  });

/** Whether somebody is signed in on the device that asks, and it is not locked. */
export async function isLetIn(pool: Pool, c: Context): Promise<boolean> {
  const session = await sessionOf(pool, tokenIn(c)).catch(() => null);
  return session !== null && !session.locked;
}

/** Who asks. Throws 401 where nobody is signed in. */
export function sessionIn(c: Context): Session {
  const session = c.get('session');
  if (!session) throw refuse(401, 'Nobody is signed in on this device.');
  return session;
}

/** How strict each is. */
const STRICT: readonly (May | undefined)[] = ['anybody', 'instrument', ...ROLES, undefined];

/** What a request asks for, as it is written in the table of who may; the last of them answers it. */
const askedOf = (c: Context): string[] =>
  matchedRoutes(c).flatMap(({ method, path }) =>
    method !== 'ALL' && path.startsWith('/api/') ? [`${method} ${path}`] : [],
  );

/** Who may ask what this request asks: the strictest where several answer it, whoever is signed in where nobody does. */
function mayAsk(c: Context): May | undefined {
  const asked = askedOf(c);
  if (asked.length === 0) return 'reader';
  const all = asked.map((route) => MAY[route]);
  return STRICT[Math.max(...all.map((may) => STRICT.indexOf(may)))];
}

/** What the role in hand may not do, in words. */
const NOT_FOR: Readonly<Record<Role, string>> = {
  reader: 'Only who is signed in does that.',
  counter: 'A reader changes nothing.',
  technician: 'That is for technicians.',
  lead: 'That is for the lead.',
};

/** Finds out who asks. */
export const whoAsks =
  (pool: Pool): MiddlewareHandler =>
  async (c, next) => {
    const token = tokenIn(c);
    const onMoved: OnMoved = ({ account }, from) => noteOnce(pool, c, 'device-moved', { from }, account.id);
    c.set('session', await sessionOf(pool, token, { address: addressOf(c), onMoved }));
    c.set('stillIn', async () => (await sessionOf(pool, token))?.locked === false);
    await next();
  };

/** Lets through who may ask; everything that is not said to be somebody's is nobody's. */
export const guarded =
  (pool: Pool): MiddlewareHandler =>
  async (c, next) => {
    const may = mayAsk(c);
    if (may === undefined) throw refuse(403, 'Nobody may do that.');
    if (may === 'anybody') return await next();
    if (may === 'instrument' && (await isInstrument(pool, c.req.header('authorization'))))
      return await next();
    const session = sessionIn(c);
    if (session.locked) throw refuse(401, 'This bench is locked.');
    const least = may === 'instrument' ? 'technician' : may;
    if (!isAtLeast(session.account.role, least)) {
      await noteOnce(pool, c, 'refused', { route: askedOf(c).at(-1) ?? c.req.method }, session.account.id);
      throw refuse(403, NOT_FOR[least]);
    }
    if (least === 'lead' && !session.fresh) throw refuse(403, PROVE_AGAIN);
    await next();
  };
