import { readFile } from 'node:fs/promises';
import { serveStatic } from '@hono/node-server/serve-static';
import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { HTTPException } from 'hono/http-exception';
import { secureHeaders } from 'hono/secure-headers';
import type { Pool } from './db/pool';
import { refuse } from './http/problem';
import { feedRoutes } from './feed/routes';
import { jobRoutes } from './jobs/routes';
import { orderRoutes } from './order/routes';
import { peopleRoutes } from './people/routes';
import type { Changes } from './stream/changes';
import { specRoutes } from './specs/routes';
import { streamRoutes } from './stream/routes';

const BODY_LIMIT = 512 * 1024;

export interface AppParts {
  pool: Pool;
  changes: Changes;
  /** Folder of the built interface; without it only the API answers. */
  webRoot?: string;
}

/** The whole application: the API under /api, the interface under everything else. */
export function createApp({ pool, changes, webRoot }: AppParts): Hono {
  const app = new Hono();
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        fontSrc: ["'self'", 'data:'],
      },
    }),
  );
  app.use(
    '/api/*',
    bodyLimit({ maxSize: BODY_LIMIT, onError: () => Promise.reject(refuse(400, 'The body is too large.')) }),
  );
  // A page elsewhere can post a form without asking first, but not JSON: only JSON changes anything here.
  app.use('/api/*', async (c, next) => {
    const wanted = c.req.path === '/api/feed' ? 'application/x-ndjson' : 'application/json';
    if (['POST', 'PUT'].includes(c.req.method) && !c.req.header('content-type')?.startsWith(wanted)) {
      throw refuse(400, `Send the body as ${wanted}.`);
    }
    await next();
  });
  app.get('/api/health', async (c) => {
    await pool.query('SELECT 1');
    return c.json({ ok: true });
  });
  app.route('/api/jobs', jobRoutes(pool));
  app.route('/api', peopleRoutes(pool));
  app.route('/api/own-order', orderRoutes(pool));
  app.route('/api/feed', feedRoutes(pool, changes));
  app.route('/api/specs', specRoutes(pool));
  app.route('/api/stream', streamRoutes(changes));
  app.all('/api/*', () => {
    throw refuse(404, 'No such address.');
  });
  if (webRoot) {
    app.use('*', serveStatic({ root: webRoot }));
    app.get('*', async (c) => c.html(await readFile(`${webRoot}/index.html`, 'utf8')));
  }
  app.onError((error, c) => {
    if (error instanceof HTTPException) return c.json({ error: error.message }, error.status);
    console.error(error);
    return c.json({ error: 'The bench server met a fault and changed nothing.' }, 500);
  });
  return app;
}
