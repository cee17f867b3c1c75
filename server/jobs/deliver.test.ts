import { randomUUID } from 'node:crypto';
import type { Delivery, NewEntry, Parcel } from '@rusty-wren/contract';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';

let bench: TestBench;
let one: string;
let two: string;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());
beforeEach(async () => {
  [one, two] = (await Promise.all(
    [aCheckIn(), aCheckIn()].map(async (checkIn) => {
      expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
      return checkIn.jobId;
    }),
  )) as [string, string];
});

const to = (jobId: string, entry: object): Parcel => ({ jobId, entry: entry as NewEntry });
async function deliver(...parcels: Parcel[]): Promise<Delivery> {
  const response = await post(bench.app, '/api/entries', { parcels });
  expect(response.status).toBe(200);
  return (await response.json()) as Delivery;
}
const logOf = async (jobId: string): Promise<{ seq: number; id: string }[]> =>
  (
    await bench.pool.query<{ seq: number; id: string }>(
      'SELECT seq, id FROM bench_entry WHERE job_id = $1 ORDER BY seq',
      [jobId],
    )
  ).rows;

describe('a delivery', () => {
  it('takes entries of several jobs in one go, each log in the order given, without a gap', async () => {
    const sent = [to(one, note('a')), to(two, note('b')), to(one, note('c'))];
    const { stored, refused } = await deliver(...sent);
    expect(refused).toEqual([]);
    expect(stored.map((s) => [s.jobId, s.entries.map((e) => e.seq)])).toEqual([
      [one, [2, 3]],
      [two, [2]],
    ]);
    expect((await logOf(one)).map((e) => e.id).slice(1)).toEqual([sent[0]!.entry.id, sent[2]!.entry.id]);
  });

  it('sent twice, or holding the same entry twice, notes it once and says where it stands', async () => {
    const again = to(one, note('a'));
    await deliver(again);
    const { stored } = await deliver(to(one, note('b')), again, again);
    expect(stored[0]?.entries.map((e) => e.seq)).toEqual([3, 2, 2]);
    expect((await logOf(one)).map((e) => e.seq)).toEqual([1, 2, 3]);
  });

  it('refuses each bad one with its reason, and takes all the others', async () => {
    const good = [note('a'), note('b'), note('c')];
    const first = note('first');
    await deliver(to(two, first));
    const { stored, refused } = await deliver(
      to(one, good[0]!),
      to(one, { ...note('x'), body: { text: 'x'.repeat(2001) } }),
      to(one, { ...note('x'), body: { text: 'half \ud83d' } }),
      to(one, { ...note('x'), notedAt: new Date(Date.now() + 2 * 86_400_000).toISOString() }),
      to(randomUUID(), note('x')),
      to(one, { ...note('x'), by: randomUUID() }),
      to(one, { ...note('x'), kind: 'strike', body: { reason: 'slip' }, strikes: randomUUID() }),
      to(one, { ...note('x'), id: first.id }),
      to(one, good[1]!),
      to(one, { ...note('x'), kind: 'stage', body: { stage: 'closed' } }),
      to(one, good[2]!),
    );
    expect(stored).toHaveLength(1);
    expect(stored[0]?.entries.map((e) => e.id)).toEqual(good.map((e) => e.id));
    expect(refused.map((r) => [r.at, r.error])).toEqual([
      [1, expect.stringContaining('body.text length must be less')],
      [2, 'body.text holds a character that no text has.'],
      [3, 'notedAt lies in the future.'],
      [4, 'No such job.'],
      [5, 'by names somebody who has not signed in on this device today.'],
      [6, 'strikes names no entry of this job.'],
      [7, 'id belongs to another job.'],
      [9, expect.stringContaining('the job is not finished')],
    ]);
    expect((await logOf(one)).map((e) => e.seq)).toEqual([1, 2, 3, 4]);
  });

  it('is noted by whoever of this device it says, else by whoever has it in hand, each entry by itself', async () => {
    const somebody = await bench.alsoHere('technician', 'Another noter');
    const by = [somebody, null, somebody, randomUUID(), null];
    const { stored, refused } = await deliver(
      ...by.map((id, i) => to(one, { ...note(String(i)), ...(id && { by: id }) })),
    );
    expect(stored[0]?.entries.map((e) => e.by ?? null)).toEqual([
      somebody,
      bench.lead.account,
      somebody,
      bench.lead.account,
    ]);
    expect(refused).toEqual([
      { at: 3, error: 'by names somebody who has not signed in on this device today.' },
    ]);
  });

  it('a strike at an entry of the same go that is refused is refused with it', async () => {
    const bad = { ...note('x'), by: randomUUID() };
    const strike = { ...note('x'), kind: 'strike', body: { reason: 'slip' }, strikes: bad.id };
    const { stored, refused } = await deliver(to(one, bad), to(one, strike), to(one, note('good')));
    expect(refused.map((r) => r.at)).toEqual([0, 1]);
    expect(stored[0]?.entries).toHaveLength(1);
  });

  it('strikes what came earlier in the same go', async () => {
    const slip = note('slip');
    const strike = { ...note('x'), kind: 'strike', body: { reason: 'slip' }, strikes: slip.id };
    const { refused } = await deliver(to(one, slip), to(one, strike));
    expect(refused).toEqual([]);
  });

  it('one new id raced to two jobs goes to one of them, and is refused by the other', async () => {
    for (let i = 0; i < 20; i++) {
      const entry = note(`race ${i}`);
      const answers = await Promise.all([deliver(to(one, entry)), deliver(to(two, entry))]);
      expect(answers.flatMap((a) => a.stored)).toHaveLength(1);
      expect(answers.flatMap((a) => a.refused).map((r) => r.error)).toEqual(['id belongs to another job.']);
    }
  });

  it('writers on the same jobs at once leave every order without a gap or a clash', async () => {
    await Promise.all(
      Array.from({ length: 12 }, (_, i) =>
        deliver(...Array.from({ length: 10 }, (_, k) => to(k % 2 === i % 2 ? one : two, note(`${i} ${k}`)))),
      ),
    );
    for (const job of [one, two]) {
      const log = await logOf(job);
      expect(log.map((e) => e.seq)).toEqual(log.map((_, i) => i + 1));
    }
    expect((await logOf(one)).length + (await logOf(two)).length).toBe(2 + 120);
  });

  it.each([
    [{ parcels: [] }, 'parcels must contain at least 1'],
    [{ parcels: [{ jobId: '{0b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d}', entry: {} }] }, 'parcels[0].jobId'],
    [{ parcels: [{ jobId: randomUUID() }] }, 'parcels[0].entry is required'],
  ])('%j is not looked at', async (body, says) => {
    const response = await post(bench.app, '/api/entries', body);
    expect(response.status).toBe(400);
    expect(((await response.json()) as { error: string }).error).toContain(says);
  });
});
