import { randomUUID } from 'node:crypto';
import type { ClosedPage, JobWithLog, NewEntry, RackTag } from '@rusty-wren/contract';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { aCheckIn, note, openBench, post, type TestBench } from '../testing/bench';
import { createApp } from '../app';
import { addEntries } from '../jobs/note';
import { CARD_VERSION, wordsIn } from './card';
import { catchUp } from './behind';
import { rebuildCards } from './project';

let bench: TestBench;
beforeAll(async () => {
  bench = await openBench();
});
afterAll(() => bench.close());

async function aJob(more: Partial<ReturnType<typeof aCheckIn>> = {}): Promise<string> {
  const checkIn = { ...aCheckIn(), ...more };
  expect((await post(bench.app, '/api/jobs', checkIn)).status).toBe(201);
  return checkIn.jobId;
}
const add = (jobId: string, ...entries: NewEntry[]) =>
  post(bench.app, `/api/jobs/${jobId}/entries`, { entries });
const get = async <T>(path: string): Promise<T> => (await (await bench.app.request(path)).json()) as T;
const finding = (check: string, more: object): NewEntry =>
  ({ ...note(''), kind: 'finding', body: { check, sureness: 'sure', ...more } }) as unknown as NewEntry;
const strike = (strikes: string): NewEntry => ({
  ...note(''),
  kind: 'strike',
  strikes,
  body: { reason: 'misread' },
});
/** Everything that is kept beside the logs, apart from what the engine thinks. */
const kept = async () => ({
  cards: (
    await bench.pool.query(
      'SELECT job_id, version, seq, facts, stage, since, shared_can, says, words FROM job_card ORDER BY job_id',
    )
  ).rows,
  squeezes: (await bench.pool.query('SELECT * FROM squeeze ORDER BY entry_id')).rows,
  carburettors: (await bench.pool.query('SELECT * FROM carburettor_seen ORDER BY job_id')).rows,
});

/** One thing that a technician notes, drawn. */
const noted = fc.oneof(
  fc.constant(() => finding('fuel-smell', { result: 'stale' })),
  fc.constant(() => finding('tank-vent', { result: 'blocked' })),
  fc.integer({ min: 60, max: 170 }).map(
    (psi) => () =>
      finding('compression-gauge', {
        reading: { psi: [psi / 2, psi * 0.8, psi * 0.95, psi], decompressor: 'none' },
      }),
  ),
  fc.constantFrom('hook', 'bench', 'parts').map((stage) => (): NewEntry => ({
    ...note(''),
    kind: 'stage',
    body: { stage } as { stage: 'hook' },
  })),
  fc.constant((): NewEntry => ({ ...note(''), kind: 'took-off', body: { part: 'plug' } })),
  fc.constant((): NewEntry => ({ ...note(''), kind: 'put-back', body: { part: 'plug' } })),
  fc.constant((): NewEntry => ({
    ...note(''),
    kind: 'carburettor',
    body: { throat: 'butterfly', bulb: 'none', screws: 'two' } as never,
  })),
);

describe('the cards', () => {
  it('are what the logs come to, whatever is noted and struck by two at once; made anew they are the same', async () => {
    const jobs = await Promise.all([aJob(), aJob(), aJob()]);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(2), noted, fc.boolean()), { minLength: 2, maxLength: 8 }),
        async (steps) => {
          // Two writers, each with half of it.
          const write = async (own: typeof steps): Promise<void> => {
            for (const [n, make, struck] of own) {
              const entry = make();
              await add(jobs[n]!, entry);
              if (struck) await add(jobs[n]!, strike(entry.id));
            }
          };
          await Promise.all([
            write(steps.filter((_, n) => n % 2 === 0)),
            write(steps.filter((_, n) => n % 2)),
          ]);
        },
      ),
      { numRuns: 12 },
    );
    await catchUp(bench.pool);
    const before = await kept();
    expect(before.cards).toHaveLength(3);
    for (const jobId of jobs) {
      const { entries } = await get<JobWithLog>(`/api/jobs/${jobId}`);
      const card = before.cards.find((c: { job_id: string }) => c.job_id === jobId) as { seq: number };
      expect(card.seq).toBe(entries.at(-1)!.seq);
    }
    // Facts of a job move with what was measured on others of its model, and its card with its own next look.
    await bench.pool.query('UPDATE job_card SET version = $1', [CARD_VERSION - 1]);
    expect(await rebuildCards(bench.pool)).toBe(3);
    const anew = await kept();
    expect(anew.squeezes).toEqual(before.squeezes);
    expect(anew.carburettors).toEqual(before.carburettors);
    const plain = (cards: { says: { entryCount: number }; stage: string; words: string; seq: number }[]) =>
      cards.map(({ stage, words, seq, says }) => ({ stage, words, seq, n: says.entryCount }));
    expect(plain(anew.cards)).toEqual(plain(before.cards));
    expect(await rebuildCards(bench.pool)).toBe(0);
  });

  it('that are not there are made while the benches go on', async () => {
    const jobId = await aJob();
    await bench.pool.query('DELETE FROM job_card');
    const [made] = await Promise.all([
      rebuildCards(bench.pool),
      add(jobId, note('meanwhile')),
      add(jobId, note('and again')),
    ]);
    expect(made).toBeGreaterThan(0);
    await catchUp(bench.pool);
    const { rows } = await bench.pool.query<{ seq: number }>('SELECT seq FROM job_card WHERE job_id = $1', [
      jobId,
    ]);
    expect(rows[0]?.seq).toBe(3);
  });

  it('say what the engine makes of a job, and how long the rest takes', async () => {
    const jobId = await aJob();
    const mine = async () => (await get<RackTag[]>('/api/jobs?show=open')).find((t) => t.job.id === jobId)!;
    expect((await mine()).phase?.kind).toBe('check');
    await expect.poll(async () => (await mine()).toFind?.mean ?? 0, { timeout: 60_000 }).toBeGreaterThan(1);
    const { toFind } = await mine();
    expect(toFind!.p90).toBeGreaterThan(toFind!.mean / 2);
    // Settled, nothing is left to find.
    await add(jobId, { ...note(''), kind: 'verdict', body: { settles: 'tank-vent-blocked' } });
    expect(await mine()).toMatchObject({ phase: { kind: 'repair' }, toFind: null });
  });

  it('a squeeze is judged anew on open jobs once three sound others of the model were measured', async () => {
    const machine = { kind: 'chainsaw', maker: 'Brakken', model: 'Brow 44', displacementCc: 44 } as const;
    const jobId = await aJob({ machine });
    const facts = async () =>
      (await bench.pool.query<{ facts: string }>('SELECT facts FROM job_card WHERE job_id = $1', [jobId]))
        .rows[0]!.facts;
    const was = await facts();
    for (const psi of [131, 133, 135]) {
      const other = await aJob({ machine: { ...machine } });
      await add(
        other,
        finding('compression-gauge', { reading: { psi: [70, 110, 126, psi, psi], decompressor: 'none' } }),
      );
    }
    await expect.poll(facts, { timeout: 30_000 }).not.toBe(was);
  });
});

describe('closed jobs', () => {
  it('come in pages, the latest first, none twice and none left out', async () => {
    const closed = await Promise.all(Array.from({ length: 103 }, () => aJob()));
    await Promise.all(
      closed.map((id) =>
        add(id, { ...note(''), kind: 'stage', body: { stage: 'closed', reason: 'scrapped' } }),
      ),
    );
    const seen: RackTag[] = [];
    let page = await get<ClosedPage>('/api/jobs?show=closed');
    expect(page.tags).toHaveLength(100);
    for (;;) {
      seen.push(...page.tags);
      if (!page.next) break;
      page = await get<ClosedPage>(
        `/api/jobs?show=closed&since=${encodeURIComponent(page.next.since)}&after=${page.next.id}`,
      );
    }
    expect(new Set(seen.map((t) => t.job.id)).size).toBe(seen.length);
    expect(closed.every((id) => seen.some((t) => t.job.id === id))).toBe(true);
    const since = seen.map((t) => t.stageSince!);
    expect(since).toEqual(since.toSorted().reverse());
  });

  it('are found by words, page after page; what is like nothing finds none', async () => {
    const machine = { kind: 'edger', maker: 'Hobwick', model: 'Kerbline 22', displacementCc: 22 } as const;
    const ids = await Promise.all([aJob({ machine: { ...machine } }), aJob({ machine: { ...machine } })]);
    for (const id of ids)
      await add(id, { ...note(''), kind: 'stage', body: { stage: 'closed', reason: 'scrapped' } });
    const found = async (words: string) =>
      (await get<ClosedPage>(`/api/jobs?show=closed&${new URLSearchParams({ words })}`)).tags.map(
        (t) => t.job.id,
      );
    expect((await found('kerbl odile')).toSorted()).toEqual(ids.toSorted());
    expect((await found('kerblnie')).toSorted()).toEqual(ids.toSorted());
    expect(await found('qqzzqqzz')).toEqual([]);
    expect(await found('?!')).toEqual([]);
    expect((await found(' ')).length).toBe(100);
  });

  it.each([
    ['since=2026-01-01', 'since and after go together.'],
    [`since=never&after=${randomUUID()}`, 'since must be a moment.'],
    ['since=2026-01-01&after=x', 'after must be an id.'],
  ])('%s is refused', async (query, says) => {
    const response = await bench.app.request(`/api/jobs?show=closed&${query}`);
    expect([response.status, ((await response.json()) as { error: string }).error]).toEqual([400, says]);
  });
});

describe('the words of a job', () => {
  it('are small, plain and single; what is joined by marks counts apart and as one', () => {
    expect(wordsIn(['Hélène  HB-2231/7', "O'Dea", 'hb-2231'])).toEqual([
      'helene',
      'hb',
      '2231',
      '7',
      'hb22317',
      'o',
      'dea',
      'odea',
      'hb2231',
    ]);
    expect(wordsIn(['', '  --  ', 'x'.repeat(50)])).toEqual([]);
  });
});

describe('a card behind its log', () => {
  const behind = async (): Promise<number> =>
    (await bench.pool.query('SELECT 1 FROM card_behind')).rowCount ?? 0;

  it('holds nobody up who notes, and is made anew before any list is told, whichever process is asked', async () => {
    const jobId = await aJob();
    const other = bench.asLead(createApp({ pool: bench.atWork, changes: bench.changes }));
    for (let n = 0; n < 3; n++) {
      const entry: NewEntry = { ...note(''), kind: 'stage', body: { stage: n % 2 ? 'bench' : 'hook' } };
      await addEntries(bench.atWork, jobId, [entry]);
      expect(await behind()).toBe(1);
      const rack = (await (await other.request('/api/jobs?show=open')).json()) as RackTag[];
      expect(rack.find(({ job }) => job.id === jobId)!.stage).toBe(n % 2 ? 'bench' : 'hook');
      expect(await behind()).toBe(0);
    }
  });

  it('is made anew though whoever left it so has ended, and by several at once', async () => {
    const jobId = await aJob();
    await bench.pool.query('UPDATE job_card SET seq = 0 WHERE job_id = $1', [jobId]);
    await bench.pool.query('INSERT INTO card_behind VALUES ($1)', [jobId]);
    await Promise.all([1, 2, 3, 4].map(() => catchUp(bench.atWork)));
    const { rows } = await bench.pool.query('SELECT seq FROM job_card WHERE job_id = $1', [jobId]);
    expect(await behind()).toBe(0);
    expect((rows[0] as { seq: number }).seq).toBeGreaterThan(0);
  });
});
