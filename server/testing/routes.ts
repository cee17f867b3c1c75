import type { Hono } from 'hono';

/** What an app answers to: each method and address once ("GET /api/jobs/:id"). */
export const routesOf = (app: Hono): string[] => [
  ...new Set(
    app.routes.flatMap(({ method, path }) =>
      method === 'ALL' || path.includes('*') ? [] : [`${method} ${path}`],
    ),
  ),
];
