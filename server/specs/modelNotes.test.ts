import { randomUUID } from 'node:crypto';
import type { JobWithLog } from '@rusty-wren/contract';
import type { ModelNote } from '@rusty-wren/core/model';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const ask = (path: string, init?: RequestInit): Promise<Response> =>
  Promise.resolve(bench.app.request(`/api/model-notes${path}`, init));
const put = (notes: unknown): Promise<Response> =>
  ask('', {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ notes }),
  });
const known = async (): Promise<ModelNote[]> => (await (await ask('')).json()) as ModelNote[];
const note = (says: string, more: Partial<ModelNote> = {}): ModelNote => ({
  id: randomUUID(),
  maker: 'Brakken',
  model: 'Ousel 38',
  at: 'part/top-cover',
  says,
  ...more,
});

it('keeps a line once, whatever the case of its letters, and takes it out again', async () => {
  const clip = note('Clip at the rear');
  expect((await put([clip])).status).toBe(200);
  expect((await put([note('clip at the REAR', { maker: 'brakken' })])).status).toBe(200);
  expect(await known()).toEqual([clip]);
  expect((await ask(`/${clip.id}`, { method: 'DELETE' })).status).toBe(200);
  expect(await known()).toEqual([]);
  expect((await ask(`/${clip.id}`, { method: 'DELETE' })).status).toBe(404);
});

it('comes with every job of the model and with no other', async () => {
  await put([note('Choke half first'), note('Not this one', { model: 'Withy 60' })]);
  const base = aCheckIn();
  const jobId = randomUUID();
  await post(bench.app, '/api/jobs', {
    ...base,
    jobId,
    machine: { kind: 'chainsaw', maker: 'BRAKKEN', model: 'ousel 38', displacementCc: 38 },
  });
  const job = (await (await bench.app.request(`/api/jobs/${jobId}`)).json()) as JobWithLog;
  expect(job.modelNotes).toEqual([
    { id: expect.any(String), at: 'part/top-cover', says: 'Choke half first' },
  ]);
});

it('refuses a table whole, naming the field', async () => {
  const before = await known();
  for (const [wrong, names] of [
    [{ at: 'part/wheel' }, 'notes[1].at'],
    [{ says: 'x'.repeat(161) }, 'notes[1].says'],
    [{ maker: '' }, 'notes[1].maker'],
    [{ torque: 4 }, 'notes[1].torque is not allowed'],
  ] as const) {
    const response = await put([note('Good'), { ...note('Bad'), ...wrong }]);
    expect(response.status).toBe(400);
    expect(((await response.json()) as { error: string }).error).toContain(names);
  }
  expect(await known()).toEqual(before);
});
