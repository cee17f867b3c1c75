import { readFile } from 'node:fs/promises';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono, type Context, type MiddlewareHandler } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { NONCE, secureHeaders, type SecureHeadersVariables } from 'hono/secure-headers';
import { guarded, isLetIn, whoAsks } from './access/guard';
import { leadRoutes } from './access/leadRoutes';
import { sessionRoutes } from './access/routes';
import type { Pool } from './db/pool';
import { atMost, behind, LOOPBACK, ownNamesOnly, strangersAtMost } from './http/guard';
import { answerTo, refuse } from './http/problem';
import { caughtUp, ProjectionQueue } from './cards/behind';
import { Outlooks } from './cards/outlooks';
import { calendarRoutes, dayRoutes } from './day/routes';
import { findRoutes } from './find/routes';
import { feedRoutes } from './feed/routes';
import { entryRoutes, jobRoutes } from './jobs/routes';
import { orderRoutes } from './order/routes';
import { forgetRoutes, ownerLinkRoutes, ownerRoutes } from './owner/routes';
import { partRoutes } from './parts/routes';
import { paperRoutes } from './papers/routes';
import { peopleRoutes } from './people/routes';
import { photoRoutes } from './photos/routes';
import { TRUST_STYLE, trustRoutes } from './lan';
import { OWNER_STYLE } from './owner/page';
import { learningRoutes } from './learning/routes';
import type { Learner } from './learning/learner';
import { Announcer } from './stream/announcer';
import type { Changes } from './stream/changes';
import { shopRoutes } from './shop/routes';
import { modelNoteRoutes } from './specs/modelNotes';
import { specRoutes } from './specs/routes';
import { streamRoutes } from './stream/routes';

/** Longer nobody looks at an empty rack. */
const PATIENCE_MS = 1500;
const BODY_LIMIT = 512 * 1024;

export interface AppParts {
  pool: Pool;
  changes: Changes;
  /** Folder of the built interface; without it only the API answers. */
  webRoot?: string;
  /** The certificate authority of this shop, PEM, where it is served over HTTPS. */
  authority?: string;
  /** The names this server answers to, without ports. */
  names?: readonly string[];
  /** Addresses of proxies whose word is taken for where a request comes from. */
  proxies?: readonly string[];
  /** What works out what the engine makes of open jobs, and how long the rack waits for it, ms. */
  outlooks?: Outlooks;
  /** What learns from closed jobs; without it nobody does here. */
  learner?: Learner;
  patience?: number;
  /** Whether the database is there and made; until then everything waits. */
  isReady?: () => boolean;
  /** Requests from one address in ten seconds. */
  mostRequests?: number;
  /** The same of who is not signed in. */
  mostFromStrangers?: number;
  /** The same of files of the interface, of whomever. */
  mostFiles?: number;
  /** The same of an owner's page. */
  mostFromOwners?: number;
}

/** A busy bench with a dozen tabs asks a few hundred times in ten seconds. */
const MOST_REQUESTS = 5000;
/** A room of people signing in. */
const MOST_FROM_STRANGERS = 300;
/** Files of the interface from one address: a dozen tabs that are opened at once ask for some hundreds. */
const MOST_FILES = 1000;
/** Several that feed by tokens of their own, ten times a second. */
const MOST_FROM_INSTRUMENTS = 2000;

/** What is no page of the interface runs nothing and stands in no other; `policy`: what it may besides. */
const scriptless = (policy: object, more: object = {}): MiddlewareHandler =>
  secureHeaders({
    contentSecurityPolicy: {
      defaultSrc: ["'none'"],
      frameAncestors: ["'none'"],
      baseUri: ["'none'"],
      ...policy,
    },
    strictTransportSecurity: false,
    ...more,
  });

/** Stands in the built page where its nonce goes: `html.cspNonce` of web/vite.config.ts. */
const NONCE_BUILT = 'NONCE_OF_THIS_PAGE';

const isPhoto = (path: string): boolean => /^\/api\/jobs\/[^/]+\/photos\/[^/]+$/.test(path);
/** How the content type of a body begins that an address takes. */
const bodyWanted = (path: string): string =>
  path === '/api/feed' ? 'application/x-ndjson' : isPhoto(path) ? 'image/' : 'application/json';

/** The whole application: the API under /api, the interface under everything else. */
export function createApp({
  pool,
  changes,
  webRoot,
  authority,
  outlooks = new Outlooks(pool),
  learner,
  patience = PATIENCE_MS,
  isReady = () => true,
  names = LOOPBACK,
  proxies = [],
  mostRequests = MOST_REQUESTS,
  mostFromStrangers = MOST_FROM_STRANGERS,
  mostFiles = MOST_FILES,
  mostFromOwners,
}: AppParts): Hono {
  const app = new Hono();
  const cards = new ProjectionQueue(pool, (jobId, entries) => {
    outlooks.grew(jobId, entries);
    learner?.want();
  });
  const announcer = new Announcer(pool, (jobId, entries) => cards.grew(jobId, entries));
  app.use(behind(proxies));
  app.use(ownNamesOnly(names));
  // What is private is kept by nobody on the way, nor by the browser but where an answer says how.
  app.use('/api/*', async (c, next) => {
    await next();
    if (!c.res.headers.has('Cache-Control')) c.header('Cache-Control', 'no-store');
  });
  app.use('/api/*', atMost(mostRequests));
  app.use(
    '*',
    strangersAtMost(mostFiles, (c) => !c.req.path.startsWith('/api/')),
  );
  // The owner's page fetches nothing but its photos, and tells no other site where it was: none at all would make its own form come
  // from nowhere.
  app.use(
    '/owner/*',
    scriptless(
      { styleSrc: [OWNER_STYLE.source], imgSrc: ["'self'"], formAction: ["'self'"] },
      { referrerPolicy: 'same-origin' },
    ),
  );
  // A photo that is opened by itself.
  app.use('/api/photos/*', scriptless({ sandbox: [] }));
  // The page by which a phone comes to trust this shop.
  app.use('/trust/*', scriptless({ styleSrc: [TRUST_STYLE.source] }));
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        // What is put in while a page is open carries its nonce.
        styleSrc: ["'self'", NONCE],
        // Photos that wait to be sent are shown from memory.
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
      },
      // It is served over plain HTTP on loopback too: a browser that was told to ask for HTTPS only would find nothing.
      strictTransportSecurity: false,
      // The instruments listen and take pictures; nothing else of a device is anybody's business.
      permissionsPolicy: {
        microphone: ['self'],
        camera: ['self'],
        geolocation: [],
        payment: [],
        usb: [],
        serial: [],
        midi: [],
        displayCapture: [],
      },
    }),
  );
  app.use('/api/*', async (_c, next) => {
    if (!isReady()) throw refuse(503, 'The bench server is getting ready.');
    await next();
  });
  app.use('/api/*', whoAsks(pool));
  app.use(
    '/api/*',
    strangersAtMost(mostFromStrangers, (c) => c.get('session') === null && c.req.path !== '/api/feed'),
  );
  app.use(
    '/api/feed',
    strangersAtMost(MOST_FROM_INSTRUMENTS, (c) => c.get('session') === null),
  );
  app.use('/api/*', guarded(pool));
  app.use('/api/*', caughtUp(pool));
  const limited = bodyLimit({
    maxSize: BODY_LIMIT,
    onError: () => Promise.reject(refuse(400, 'The body is too large.')),
  });
  app.use('/api/*', (c, next) => (isPhoto(c.req.path) ? next() : limited(c, next)));
  // A page elsewhere can post a form without asking first, but neither JSON nor a picture: only those change anything here.
  app.use('/api/*', async (c, next) => {
    const wanted = bodyWanted(c.req.path);
    if (['POST', 'PUT'].includes(c.req.method) && !c.req.header('content-type')?.startsWith(wanted)) {
      throw refuse(400, `Send the body as ${wanted}.`);
    }
    await next();
  });
  app.get('/api/health', async (c) => {
    await pool.query('SELECT 1');
    return c.json({ ok: true });
  });
  app.route('/api/session', sessionRoutes(pool));
  app.route('/api', leadRoutes(pool));
  app.route('/api/jobs', jobRoutes(pool, { announcer, outlooks, patience }));
  app.route('/api/entries', entryRoutes(pool, announcer));
  app.route('/api', peopleRoutes(pool));
  app.route('/api', photoRoutes(pool));
  app.route('/api', paperRoutes(pool));
  app.route('/api', ownerLinkRoutes(pool));
  app.route('/api', forgetRoutes(pool, announcer));
  app.route('/api', partRoutes(pool, announcer));
  app.route('/api/own-order', orderRoutes(pool));
  app.route('/api/day', dayRoutes(pool, announcer));
  app.route('/api/feed', feedRoutes(pool, changes));
  app.route('/api/specs', specRoutes(pool));
  app.route('/api/model-notes', modelNoteRoutes(pool));
  app.route('/api/shop', shopRoutes(pool));
  app.route(
    '/api/learnt',
    learningRoutes(pool, () => outlooks.learnt()),
  );
  app.route('/api', findRoutes(pool));
  app.route('/api/stream', streamRoutes(changes));
  app.all('/api/*', () => {
    throw refuse(404, 'No such address.');
  });
  if (authority) app.route('/trust', trustRoutes(authority));
  app.route('/calendar', calendarRoutes(pool));
  app.route('/owner', ownerRoutes(pool, announcer, mostFromOwners));
  // Nothing else outside the API takes a body: what is sent is not read.
  app.use('*', async (c, next) => {
    if (['GET', 'HEAD'].includes(c.req.method)) return await next();
    c.header('Connection', 'close');
    c.header('Allow', 'GET, HEAD');
    throw refuse(405, `${c.req.method} is not for pages.`);
  });
  if (webRoot) {
    // What the rack or a bench asks for first is asked for beside its scripts, not after them; by nobody who would be refused:
    // the page would take the refusal for the answer once somebody is in.
    app.use('*', async (c, next) => {
      const job = /^\/job\/([0-9a-f-]{36})$/.exec(c.req.path)?.[1];
      if ((c.req.path === '/' || job) && (await isLetIn(pool, c))) {
        const first = ['/api/jobs?show=open', ...(job ? [`/api/jobs/${job}`] : [])];
        c.header('Link', first.map((path) => `<${path}>; rel=preload; as=fetch; crossorigin`).join(', '));
      }
      await next();
    });
    /** The interface's page, with a nonce of its own. */
    const page = async (c: Context): Promise<Response> => {
      const built = await readFile(`${webRoot}/index.html`, 'utf8').catch(() => null);
      if (built === null) throw refuse(404, 'The interface is not built yet.');
      const { secureHeadersNonce = '' } = c.var as Partial<SecureHeadersVariables>;
      c.header('Cache-Control', 'no-cache');
      return c.html(built.replaceAll(NONCE_BUILT, secureHeadersNonce));
    };
    app.get('/', page);
    app.get('/index.html', page);
    app.use(
      '*',
      serveStatic({
        root: webRoot,
        precompressed: true,
        // A file with its fingerprint in its name never changes; the others are asked for anew.
        onFound: (path, c) =>
          c.header(
            'Cache-Control',
            path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache',
          ),
      }),
    );
    // A place in the interface, not a file of it that is not there.
    app.get('*', async (c) => {
      if (/\.\w+$|^\/assets\//.test(c.req.path)) throw refuse(404, 'No such file.');
      return await page(c);
    });
  }
  app.onError(answerTo);
  return app;
}
