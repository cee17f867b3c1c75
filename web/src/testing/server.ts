import { vi } from 'vitest';

/** What was sent to the server. */
export interface Sent {
  method: string;
  path: string;
  body: Record<string, unknown>;
}

/**
 * Stands in for the server: questions are never answered, what is sent is kept and answered by `answer`, which a test may change.
 * Ends with `vi.unstubAllGlobals()`.
 */
export function fakeServer(body: unknown) {
  const server = { sent: [] as Sent[], answer: { status: 200, body } };
  vi.stubGlobal('fetch', async (request: Request) => {
    if (request.method === 'GET') return new Promise(() => undefined);
    const text = await request.text();
    server.sent.push({
      method: request.method,
      path: new URL(request.url).pathname,
      body: text ? (JSON.parse(text) as Record<string, unknown>) : {},
    });
    return new Response(JSON.stringify(server.answer.body), {
      status: server.answer.status,
      headers: { 'content-type': 'application/json' },
    });
  });
  return server;
}
