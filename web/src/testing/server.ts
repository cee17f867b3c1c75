import type { CheckIn, JobWithLog } from '@rusty-wren/contract';
import { vi } from 'vitest';
import { heldJob } from '../checkin/hang';

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

/** What is never answered. */
export const NEVER = new Promise<Response>(() => undefined);

/** The server takes check-ins and gives them out again, and is silent otherwise. */
export function takingCheckIns() {
  const jobs = new Map<string, JobWithLog>();
  return async (request: Request): Promise<Response> => {
    const [, jobId = ''] = /\/api\/jobs\/([\w-]+)$/.exec(request.url) ?? [];
    const known = jobs.get(jobId);
    if (known) return Response.json(known);
    if (request.url.endsWith('/api/jobs?show=open')) return Response.json([]);
    if (request.method !== 'POST' || !request.url.endsWith('/api/jobs')) return NEVER;
    const held = heldJob((await request.json()) as CheckIn, []);
    const job = { ...held, job: { ...held.job, tag: 142 } };
    jobs.set(job.job.id, job);
    return Response.json(job, { status: 201 });
  };
}
