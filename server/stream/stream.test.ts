import type { JobChanged } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { createApp } from '../app';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { signedIn } from '../testing/signedIn';
import { Changes } from './changes';
import { streamsOpen } from './events';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

/** Reads server-sent events until one satisfies `wanted`. */
async function until(response: Response, wanted: (event: string, data: string) => boolean): Promise<void> {
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  for (;;) {
    const { value, done } = (await reader?.read()) ?? { value: '', done: true };
    if (done) throw new Error(`the stream ended after: ${text}`);
    text += value;
    for (const block of text.split('\n\n')) {
      const event = /^event: (.*)$/m.exec(block)?.[1] ?? '';
      const data = /^data: (.*)$/m.exec(block)?.[1] ?? '';
      if (event && wanted(event, data)) return reader?.cancel();
    }
  }
}

describe('the change stream', () => {
  it('tells every app process on the database of an entry, whichever took it', async () => {
    const otherChanges = new Changes(bench.url);
    await otherChanges.start();
    const other = bench.asLead(createApp({ pool: bench.pool, changes: otherChanges }));
    const checkIn = aCheckIn();
    await post(bench.app, '/api/jobs', checkIn);
    const heard = Promise.all(
      [bench.app, other].map(async (app) =>
        until(
          await app.request('/api/stream'),
          (event, data) => event === 'job' && (JSON.parse(data) as JobChanged).seq === 2,
        ),
      ),
    );
    // Let both streams open before anything happens.
    await new Promise((resolve) => setTimeout(resolve, 100));
    await post(bench.app, `/api/jobs/${checkIn.jobId}/entries`, { entries: [note('heard?')] });
    await heard;
    await otherChanges.stop();
  });

  it('listens again after its connection is cut, and says there was a gap', async () => {
    const gap = until(await bench.app.request('/api/stream'), (event) => event === 'gap');
    await bench.pool.query(
      "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE query LIKE 'LISTEN job_changed%' AND datname = current_database()",
    );
    await gap;
  });

  it('ends when the day of whoever reads is over, and what was open in their hands before another took over', async () => {
    vi.useFakeTimers({ toFake: ['setInterval'] });
    try {
      const { cookie, account } = await signedIn(bench.pool, 'technician', 'Somebody of yesterday');
      const stream = await bench.out.request('/api/stream', { headers: { cookie } });
      const reader = stream.body!.getReader();
      await reader.read();
      await vi.advanceTimersByTimeAsync(60_000);
      expect((await reader.read()).done).toBe(false);
      await bench.pool.query(
        "UPDATE session_hand SET proved_at = now() - interval '13 hours' WHERE account_id = $1",
        [account],
      );
      await vi.advanceTimersByTimeAsync(60_000);
      while (!(await reader.read()).done);
    } finally {
      vi.useRealTimers();
    }
  });

  it('has places for everybody, whatever one person opens from however many addresses', async () => {
    const { cookie } = await signedIn(bench.pool, 'technician', 'Somebody with many');
    const behind = createApp({ pool: bench.pool, changes: bench.changes, proxies: ['none'] });
    const open = (n: number) =>
      behind.request('/api/stream', { headers: { cookie, 'x-forwarded-for': `203.0.113.${n}` } });
    const streams = await Promise.all(Array.from({ length: 61 }, (_, n) => open(n)));
    expect(streams.filter(({ status }) => status === 429)).toHaveLength(1);
    expect((await bench.app.request('/api/stream', { method: 'HEAD' })).status).toBe(200);
    const other = await bench.app.request('/api/stream');
    expect(other.status).toBe(200);
    await Promise.all([...streams, other].map(({ body }) => body?.cancel()));
    await expect.poll(() => streamsOpen()).toBe(0);
  });
});
