import { randomUUID } from 'node:crypto';
import type { JobWithLog, RackTag, SpecCard } from '@rusty-wren/contract';
import type { Reading } from '@rusty-wren/core/reading';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const put = (body: unknown): Promise<Response> =>
  Promise.resolve(
    bench.app.request('/api/specs', {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    }),
  );
const cards = async (): Promise<SpecCard[]> =>
  (await (await bench.app.request('/api/specs')).json()) as SpecCard[];
const CARD: SpecCard = {
  maker: 'Brakken',
  model: 'B45',
  figures: { idle: 2900, squeezePsi: [150, 180] },
  source: 'sheet 4',
};

/** Checks a machine of the model in and measures its squeeze; returns the job as it then is. */
async function measured(model: string, psi: number[], reading: Reading = {}): Promise<JobWithLog> {
  const base = aCheckIn();
  const jobId = randomUUID();
  const response = await post(bench.app, '/api/jobs', {
    ...base,
    jobId,
    machine: { kind: 'chainsaw', maker: 'Brakken', model, displacementCc: 45 },
    entries: [
      ...base.entries,
      {
        id: randomUUID(),
        notedAt: '2026-05-04T09:10:00.000Z',
        kind: 'finding',
        body: { check: 'compression-gauge', reading: { psi, ...reading }, sureness: 'sure' },
      },
    ],
  });
  expect(response.status).toBe(201);
  return (await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as JobWithLog;
}

describe('spec cards', () => {
  it('are kept by model, whatever the case of its letters; the newest counts; an empty one takes it away', async () => {
    expect(await cards()).toEqual([]);
    expect((await put({ cards: [CARD] })).status).toBe(200);
    expect(await cards()).toEqual([CARD]);
    await put({ cards: [{ maker: 'brakken', model: 'b45', figures: { idle: 2700 } }] });
    expect(await cards()).toEqual([{ maker: 'brakken', model: 'b45', figures: { idle: 2700 } }]);
    await put({ cards: [{ maker: 'Brakken', model: 'B45', figures: {} }] });
    expect(await cards()).toEqual([]);
  });

  it('come with the job of such a machine, and move its tag on the rack', async () => {
    const before = await measured('B46', [88, 118, 126, 129, 130]);
    const leadOf = async (): Promise<RackTag | undefined> =>
      ((await (await bench.app.request('/api/jobs?show=open')).json()) as RackTag[]).find(
        (t) => t.job.id === before.job.id,
      );
    expect(before.job.machine.spec).toBeUndefined();
    const was = await leadOf();
    await put({ cards: [{ ...CARD, model: 'B46', figures: { squeezePsi: [175, 200] } }] });
    expect((await leadOf())?.job.machine.spec).toEqual({ squeezePsi: [175, 200] });
    // 130 psi was good for the class, and is low for this maker.
    expect((await leadOf())?.lead).not.toEqual(was?.lead);
  });

  it('are refused whole, naming the field, when one figure cannot be', async () => {
    for (const [figures, names] of [
      [{ squeezePsi: [180, 150] }, 'cards[1].figures.squeezePsi must run from low to high'],
      [{ idle: 3000, clutch: 2900 }, 'idle must be below the clutch speed'],
      [{ gapMm: [0.2] }, 'cards[1].figures.gapMm'],
      [{ torque: 4 }, 'cards[1].figures.torque is not allowed'],
      [{ idle: '2800' }, 'cards[1].figures.idle must be a number'],
    ] as const) {
      const response = await put({
        cards: [
          { ...CARD, model: 'Z1' },
          { ...CARD, figures },
        ],
      });
      expect(response.status).toBe(400);
      expect(((await response.json()) as { error: string }).error).toContain(names);
    }
    expect((await cards()).some((c) => c.model === 'Z1')).toBe(false);
  });
});

describe('squeezes of a model', () => {
  it('are told with a job, and judge it once three sound others were measured', async () => {
    for (const top of [142, 145, 147]) await measured('Fell 50', [90, 125, 138, top - 1, top]);
    await measured('Fell 50', [40, 60, 66, 68, 69]);
    const job = await measured('fell 50', [80, 110, 119, 122, 123]);
    expect(job.squeezes).toHaveLength(5);
    expect(job.squeezes.filter((s) => s.sound)).toHaveLength(4);
    expect(job.job.machine.shopSqueezePsi).toHaveLength(3);
    expect(job.job.machine.shopSqueezePsi?.every((psi) => psi > 140 && psi < 152)).toBe(true);
  });

  it('do not count when struck, or with the valve open', async () => {
    const open = await measured('Fell 60', [60, 80, 84], { decompressor: 'open' });
    expect(open.squeezes).toEqual([]);
    const wrong = await measured('Fell 70', [90, 125, 138, 141, 142]);
    const finding = wrong.entries.find((e) => e.kind === 'finding');
    await post(bench.app, `/api/jobs/${wrong.job.id}/entries`, {
      entries: [
        {
          id: randomUUID(),
          notedAt: '2026-05-04T09:20:00.000Z',
          kind: 'strike',
          strikes: finding?.id,
          body: { reason: 'Wrong machine' },
        },
      ],
    });
    const after = (await (await bench.app.request(`/api/jobs/${wrong.job.id}`)).json()) as JobWithLog;
    expect(after.squeezes).toEqual([]);
  });

  it('of the last days are told against those before: each machine once, by its last', async () => {
    const at = (daysAgo: number): string => new Date(Date.now() - daysAgo * 86_400_000).toISOString();
    const lately = async (model: string, psi: number[], daysAgo: number): Promise<JobWithLog> => {
      const job = await measured(model, psi);
      const finding = {
        id: randomUUID(),
        notedAt: at(daysAgo),
        kind: 'finding',
        body: { check: 'compression-gauge', reading: { psi }, sureness: 'sure' },
      };
      await post(bench.app, `/api/jobs/${job.job.id}/entries`, { entries: [finding] });
      return (await (await bench.app.request(`/api/jobs/${job.job.id}`)).json()) as JobWithLog;
    };
    const before = (await measured('Lately 1', [90, 125, 138, 141, 142])).latelyLow;
    expect(before).toBeUndefined();
    for (let n = 0; n < 4; n++) await lately('Lately 2', [40, 60, 66, 68, 69], n + 1);
    const job = await lately('Lately 3', [90, 125, 138, 141, 142], 1);
    expect(job.latelyLow).toMatchObject({ low: 4, of: 5 });
    expect(job.latelyLow!.usualOf).toBeGreaterThan(5);
  });
});
