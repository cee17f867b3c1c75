import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { randomUUID } from 'node:crypto';
import http from 'node:http';
import { join } from 'node:path';
import type { NewEntry } from '@rusty-wren/contract';
import { withPool } from '../../server/db/pool';
import { signedIn } from '../../server/testing/signedIn';
import { ROOT } from '../packages.mjs';
import { asBench, freePort } from '../postgres.mjs';

export const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));

export interface Answer {
  /** 0 when none came. */
  status: number;
  body: string;
}

/** One request to a program on this machine, its body as JSON; status 0 when the line was cut. */
export const ask = (
  { headers, ...to }: http.RequestOptions & { headers?: Record<string, string> },
  body?: string,
): Promise<Answer> =>
  new Promise((resolve) => {
    const request = http.request(
      {
        host: '127.0.0.1',
        headers: { ...(body !== undefined && { 'content-type': 'application/json' }), ...headers },
        timeout: 20_000,
        ...to,
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (chunk: string) => (text += chunk));
        response.on('end', () => resolve({ status: response.statusCode ?? 0, body: text }));
        response.on('error', () => resolve({ status: 0, body: '' }));
      },
    );
    request.on('timeout', () => request.destroy());
    request.on('error', () => resolve({ status: 0, body: '' }));
    request.end(body);
  });

/** How often each status was answered, in words. */
export const countsOf = (statuses: ReadonlyMap<number, number>): string =>
  [...statuses]
    .sort(([x], [y]) => x - y)
    .map(([status, many]) => `${status === 0 ? 'cut off' : status}: ${many}`)
    .join(', ');

/** The app as it is really run, on a port of its own, started again however it ended. */
export class App {
  private process: ChildProcess | null = null;
  private readonly agent = new http.Agent({ keepAlive: true, maxSockets: 64 });
  /** Of the lead's device, as whom everything is asked. */
  private cookie = '';
  /** Times it ended that nobody asked for. */
  fell = 0;

  private constructor(
    private readonly databaseUrl: string,
    readonly port: number,
  ) {}

  static async start(databaseUrl: string): Promise<App> {
    const app = new App(databaseUrl, await freePort());
    app.run();
    await app.answers();
    await app.signIn();
    return app;
  }

  private run(): void {
    const child = spawn(process.execPath, ['--import', 'tsx', join(ROOT, 'server', 'main.ts')], {
      cwd: ROOT,
      stdio: ['ignore', 'ignore', process.env['LOUD'] ? 'inherit' : 'ignore'],
      env: {
        ...process.env,
        DATABASE_URL: this.databaseUrl,
        BENCH_DATABASE_URL: asBench(this.databaseUrl),
        PORT: String(this.port),
        DEMO: 'off',
        MOST_REQUESTS: '100000000',
      },
    });
    this.process = child;
    child.on('exit', (_code, signal) => {
      if (this.process === child && signal !== 'SIGKILL') this.fell++;
    });
  }

  /** Signs the lead in, for as long as it takes. */
  private async signIn(): Promise<void> {
    await withPool(this.databaseUrl, async (pool) => {
      this.cookie = (await signedIn(pool, 'lead')).cookie;
      await pool.query("UPDATE session SET fresh_at = 'infinity'");
      await pool.query("UPDATE session_hand SET proved_at = 'infinity'");
    });
  }

  get pid(): number {
    return this.process?.pid ?? 0;
  }

  /** Kills it as a power cut would, and starts it again. */
  async killAndStart(): Promise<void> {
    const { process: child } = this;
    if (child && child.exitCode === null && child.signalCode === null) {
      child.kill('SIGKILL');
      await once(child, 'exit');
    }
    this.run();
  }

  /** Waits until it answers, at most so long. Throws when it does not. */
  async answers(withinMs = 60_000): Promise<void> {
    for (const end = Date.now() + withinMs; Date.now() < end; await sleep(50))
      if ((await this.ask('GET', '/api/health')).status === 200) return;
    throw new Error('the app does not answer');
  }

  /** A stream of events, as the lead's device opens it. */
  stream(): http.ClientRequest {
    const headers = { cookie: this.cookie };
    return http.get({ host: '127.0.0.1', port: this.port, path: '/api/stream', agent: false, headers });
  }

  /** One request; status 0 when the line was cut. `headers` come over the usual ones. */
  ask(method: string, path: string, body?: string, headers: Record<string, string> = {}): Promise<Answer> {
    const more = { cookie: this.cookie, ...headers };
    return ask({ agent: this.agent, port: this.port, method, path, headers: more }, body);
  }

  post(path: string, body: unknown): Promise<Answer> {
    return this.ask('POST', path, JSON.stringify(body));
  }

  async stop(): Promise<void> {
    const child = this.process;
    this.process = null;
    this.agent.destroy();
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    child.kill('SIGKILL');
    await once(child, 'exit');
  }
}

export const note = (text: string): NewEntry => ({
  id: randomUUID(),
  notedAt: new Date().toISOString(),
  kind: 'note',
  body: { text },
});

/** Hangs so many machines up; returns their jobs' ids. */
export async function hang(app: App, many: number): Promise<string[]> {
  const ids: string[] = [];
  for (let i = 0; i < many; i++) {
    const jobId = randomUUID();
    const { status, body } = await app.post('/api/jobs', {
      jobId,
      customer: { name: `Tried ${i}` },
      machine: { kind: 'trimmer', maker: 'Hobwick', model: `Torture ${i}` },
      entries: [{ ...note(''), kind: 'complaint', body: { complaint: 'no-fire' } }],
    });
    if (status !== 201) throw new Error(`not checked in: ${status} ${body}`);
    ids.push(jobId);
  }
  return ids;
}

/** Milliseconds that so many notes take, one after the other. */
export async function notesTake(app: App, jobId: string, many: number): Promise<number> {
  const from = performance.now();
  for (let i = 0; i < many; i++) {
    const { status } = await app.post(`/api/jobs/${jobId}/entries`, { entries: [note(`timed ${i}`)] });
    if (status !== 201) return Infinity;
  }
  return performance.now() - from;
}
