import type { JobChanged } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, it } from 'vitest';
import { createApp } from '../app';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { Changes } from './changes';

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
});
