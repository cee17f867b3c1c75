import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { FeedLine } from '@rusty-wren/contract';
import type { CauseId } from '@rusty-wren/core/knowledge';
import { createApp } from '../app';
import { Changes } from '../stream/changes';
import { openBench, post, type TestBench } from '../testing/bench';
import { readingsOf } from './standIn';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const send = (body: string, type = 'application/x-ndjson'): Promise<Response> =>
  Promise.resolve(
    bench.app.request('/api/feed', { method: 'POST', headers: { 'content-type': type }, body }),
  );
const line = (change: object = {}): string =>
  JSON.stringify({ t: 1, channel: 'pump-1', value: 6.9, unit: 'psi', ...change });

/** Hears lines of the feed from a stream until there are `count` of a channel. */
async function hear(
  app: TestBench['app'],
  wanted: (l: FeedLine) => boolean,
  count: number,
  then: () => Promise<unknown>,
) {
  const response = await app.request('/api/feed');
  const reader = response.body?.pipeThrough(new TextDecoderStream()).getReader();
  const heard: FeedLine[] = [];
  let text = '';
  let sent: Promise<unknown> | null = null;
  while (heard.length < count) {
    const { value, done } = (await reader?.read()) ?? { value: '', done: true };
    if (done) throw new Error('the stream ended');
    text += value;
    sent ??= then();
    const blocks = text.split('\n\n');
    text = blocks.pop() ?? '';
    for (const block of blocks) {
      const data = /^event: readings\ndata: (.*)$/m.exec(block)?.[1];
      if (data) heard.push(...(JSON.parse(data) as FeedLine[]).filter(wanted));
    }
  }
  await reader?.cancel();
  await sent;
  return heard;
}

describe('the instrument feed', () => {
  it('passes readings on, in order, to every process on the database', async () => {
    const changes = new Changes(bench.url);
    await changes.start();
    const other = bench.asLead(createApp({ pool: bench.pool, changes }));
    const lines = Array.from({ length: 100 }, (_, n) =>
      line({ t: n, channel: 'pump-7', value: 7 - n / 100 }),
    );
    const heard = await hear(
      other,
      (l) => l.channel === 'pump-7',
      100,
      () => send(lines.join('\n')),
    );
    expect(heard.map((l) => l.t)).toEqual(lines.map((_, n) => n));
    expect(heard[0]).toEqual({ t: 0, channel: 'pump-7', value: 7, unit: 'psi' });
    await changes.stop();
  });

  it.each([
    ['', 'The feed is empty: send one JSON object a line.'],
    [`${line()}\nnot`, 'Line 2 is not JSON.'],
    [line({ unit: 'furlong' }), 'Line 1: unit must be one of [psi, bar, kPa, inHg, rpm].'],
    [line({ value: 'high' }), 'Line 1: value must be a number.'],
    [line({ t: -1 }), 'Line 1: t must be greater than or equal to 0.'],
    [line({ channel: 'Pump 1' }), 'Line 1: channel must be small letters, digits and dashes, at most 40.'],
    [`${line()}\n${line({ colour: 'red' })}`, 'Line 2: colour is not allowed.'],
    [
      Array.from({ length: 2001 }, () => line()).join('\n'),
      'The feed has 2001 lines; send at most 2000 at once.',
    ],
  ])('refuses %j', async (body, says) => {
    const response = await send(body);
    expect(response.status).toBe(400);
    expect(await response.json()).toEqual({ error: says });
  });

  it('takes its own kind of body only, which no page elsewhere can send unasked', async () => {
    expect((await send(line(), 'text/plain')).status).toBe(400);
    expect((await send(line())).status).toBe(200);
  });
});

describe('a stand-in', () => {
  it('speaks on a channel of its own, says that it is simulated, and is the same for the same seed', async () => {
    const standIn = {
      instrument: 'pump',
      check: 'line-pressure',
      leakTimes: 3,
      seed: 5,
      faster: 50,
    } as const;
    const said = (l: FeedLine): boolean => l.channel.startsWith('stand-in-pump-');
    const heard = await hear(bench.app, said, 20, async () => {
      const response = await post(bench.app, '/api/feed/stand-in', standIn);
      expect(response.status).toBe(201);
    });
    expect(heard.every((l) => l.simulated && l.unit === 'psi')).toBe(true);
    const wanted = readingsOf(standIn, heard[0]?.channel ?? '').slice(0, 20);
    expect(heard.slice(0, 20)).toEqual(wanted);
  });

  it('of a compression gauge rises to its plateau; a tachometer stays about its speed', () => {
    const pulls = readingsOf({ instrument: 'compression', plateauPsi: 140, seed: 1 }, 'c').map(
      (l) => l.value,
    );
    expect(pulls.at(-1)).toBeGreaterThan(0.97 * 140);
    expect(pulls[0]).toBeLessThan(0.6 * 140);
    const rpm = readingsOf({ instrument: 'tachometer', rpm: 2800, seed: 1 }, 't').map((l) => l.value);
    expect(Math.max(...rpm) - Math.min(...rpm)).toBeLessThan(120);
  });

  it('of a tachometer stands at a simulated engine: a fault acts on the speed as it does on the engine', () => {
    const mean = (rpm: number, fault?: CauseId): number => {
      const lines = readingsOf({ instrument: 'tachometer', rpm, seed: 2, ...(fault && { fault }) }, 't');
      return lines.reduce((sum, l) => sum + l.value, 0) / lines.length;
    };
    expect(mean(2800)).toBeGreaterThan(2750);
    expect(mean(2800)).toBeLessThan(2850);
    expect(mean(2800, 'intake-leak')).toBeGreaterThan(2950);
    expect(mean(12_400)).toBeGreaterThan(12_200);
    expect(mean(12_400, 'spark-screen-clogged')).toBeLessThan(11_000);
  });

  it('is refused what its instrument does not have', async () => {
    for (const [body, names] of [
      [{ instrument: 'pump', seed: 1 }, 'check is required'],
      [{ instrument: 'tachometer', rpm: 2800, leakTimes: 2, seed: 1 }, 'leakTimes is not allowed'],
      [{ instrument: 'compression', plateauPsi: 120, fault: 'ring-stuck', seed: 1 }, 'fault is not allowed'],
      [{ instrument: 'tachometer', rpm: 2800, fault: 'gremlins', seed: 1 }, 'fault must be one of'],
      [{ instrument: 'scope', seed: 1 }, 'instrument must be one of'],
      [{ instrument: 'compression', plateauPsi: 9000, seed: 1 }, 'plateauPsi must be less'],
    ] as const) {
      const response = await post(bench.app, '/api/feed/stand-in', body);
      expect(response.status).toBe(400);
      expect(((await response.json()) as { error: string }).error).toContain(names);
    }
  });
});
