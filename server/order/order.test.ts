import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openBench, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const put = (body: unknown): Promise<Response> =>
  Promise.resolve(
    bench.app.request('/api/own-order', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  );
const read = async (): Promise<unknown> => (await bench.app.request('/api/own-order')).json();

describe('the shop’s own order', () => {
  it('is empty until somebody makes one, and then the newest counts', async () => {
    expect(await read()).toEqual({ checks: [] });
    expect((await put({ checks: ['fuel-smell', 'plug-look'] })).status).toBe(200);
    expect((await put({ checks: ['plug-look', 'fuel-smell', 'pull-feel'] })).status).toBe(200);
    expect(await read()).toEqual({ checks: ['plug-look', 'fuel-smell', 'pull-feel'] });
  });

  it('refuses unknown checks, one twice, and anything else, and changes nothing', async () => {
    const before = await read();
    for (const [body, names] of [
      [{ checks: ['plug-licking'] }, 'checks[0]'],
      [{ checks: ['plug-look', 'plug-look'] }, 'checks[1]'],
      [{}, 'checks'],
      [{ checks: ['plug-look'], by: 'me' }, 'by'],
    ] as const) {
      const response = await put(body);
      expect(response.status).toBe(400);
      expect(((await response.json()) as { error: string }).error).toContain(names);
    }
    expect(await read()).toEqual(before);
  });

  it('takes JSON only', async () => {
    const response = await bench.app.request('/api/own-order', { method: 'PUT', body: '{"checks":[]}' });
    expect(response.status).toBe(400);
  });
});
