import { randomUUID } from 'node:crypto';
import type { CheckIn, JobWithLog, NewEntry } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

const oneCan = (shared = true): NewEntry => ({
  id: randomUUID(),
  notedAt: '2026-05-04T09:01:00.000Z',
  kind: 'history',
  body: { answers: { sharedCan: shared } },
});
async function hang(checkIn: CheckIn): Promise<JobWithLog> {
  const response = await post(bench.app, '/api/jobs', checkIn);
  expect(response.status).toBe(201);
  return (await response.json()) as JobWithLog;
}
const read = async (id: string): Promise<JobWithLog> =>
  (await (await bench.app.request(`/api/jobs/${id}`)).json()) as JobWithLog;
const matesOf = async (id: string): Promise<string[]> => (await read(id)).sameCan.map((m) => m.job.id);
const again = (owner: string, ...entries: NewEntry[]): CheckIn => {
  const base = aCheckIn();
  return { ...base, customer: { id: owner }, entries: [...base.entries, ...entries] };
};

describe('jobs on one can', () => {
  it('come with each other: the same owner, both said to share, both open', async () => {
    const base = aCheckIn();
    const first = await hang({ ...base, entries: [...base.entries, oneCan()] });
    const owner = first.job.customer.id;
    const second = await hang(again(owner, oneCan()));
    const apart = await hang(again(owner, oneCan(false)));
    const stranger = aCheckIn();
    await hang({ ...stranger, entries: [...stranger.entries, oneCan()] });
    expect(await matesOf(first.job.id)).toEqual([second.job.id]);
    expect(await matesOf(second.job.id)).toEqual([first.job.id]);
    expect(await matesOf(apart.job.id)).toEqual([]);

    await post(bench.app, `/api/jobs/${second.job.id}/entries`, {
      entries: [
        {
          id: randomUUID(),
          notedAt: '2026-05-04T09:30:00.000Z',
          kind: 'stage',
          body: { stage: 'closed', reason: 'Sold' },
        },
      ],
    });
    expect(await matesOf(first.job.id)).toEqual([]);
  });

  it('can be parted by an entry, which names the other job and whether it shares', async () => {
    const { job } = await hang(aCheckIn());
    const send = (body: object): Promise<Response> =>
      post(bench.app, `/api/jobs/${job.id}/entries`, {
        entries: [{ id: randomUUID(), notedAt: '2026-05-04T09:30:00.000Z', kind: 'can', body }],
      });
    expect((await send({ job: randomUUID(), shared: false })).status).toBe(201);
    const refused = await send({ job: 'next door', shared: false });
    expect(refused.status).toBe(400);
    expect(((await refused.json()) as { error: string }).error).toContain('job');
  });
});
