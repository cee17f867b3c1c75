import { caseOf, readJob } from '@rusty-wren/core/log';
import { diagnose } from '@rusty-wren/core/diagnosis';
import { MACHINE_KINDS } from '@rusty-wren/core/machine';
import type { ClosedPage, CustomerWithMachines, RackTag } from '@rusty-wren/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { openBench, type TestBench } from '../testing/bench';
import { loadDemo } from './load';

const NOW = new Date('2026-05-04T16:00:00');
let bench: TestBench;
beforeAll(async () => {
  bench = await openBench({ demo: NOW });
});
afterAll(() => bench.close());

const rack = async (show: string): Promise<RackTag[]> =>
  (await bench.app.request(`/api/jobs?show=${show}`))
    .json()
    .then((answer: RackTag[] | ClosedPage) => ('tags' in answer ? answer.tags : answer));

describe('the demo world', () => {
  it('has at least twelve jobs across the stages and machines of every kind', async () => {
    const open = await rack('open');
    const all = [...open, ...(await rack('closed'))];
    expect(all.length).toBeGreaterThanOrEqual(12);
    expect(new Set(all.map((t) => t.stage))).toEqual(
      new Set(['hook', 'bench', 'parts', 'answer', 'proof', 'closed']),
    );
    expect(new Set(all.map((t) => t.job.machine.kind))).toEqual(new Set(MACHINE_KINDS));
  });

  it('is never loaded over anything', async () => {
    expect(await loadDemo(bench.pool, NOW)).toBe(false);
  });

  it('holds corrected findings, two faults at once, and a first guess that was wrong', async () => {
    const { rows } = await bench.pool.query<{ kind: string; n: string }>(
      'SELECT kind, count(*) AS n FROM bench_entry GROUP BY kind',
    );
    expect(Number(rows.find((r) => r.kind === 'strike')?.n)).toBeGreaterThanOrEqual(2);
    const outcomes = await bench.pool.query<{ o: string }>(
      "SELECT DISTINCT body->>'outcome' AS o FROM bench_entry WHERE kind = 'repair'",
    );
    expect(outcomes.rows.map((r) => r.o)).toEqual(expect.arrayContaining(['better', 'no-change', 'cured']));
  });

  it('lies in the past, and every open job has something to do next', async () => {
    const { rows } = await bench.pool.query<{ latest: Date }>(
      'SELECT max(noted_at) AS latest FROM bench_entry',
    );
    expect(rows[0]?.latest.getTime()).toBeLessThanOrEqual(NOW.getTime());
    // A check, something to put right, or the proof: never nothing.
    for (const tag of await rack('open'))
      expect(['settle', 'closed'], String(tag.job.tag)).not.toContain(tag.phase?.kind);
  });

  it('the wrong guess: the engine, too, would have looked at the gap', async () => {
    const closed = (await rack('closed')).find((t) => t.job.machine.model === 'Fell 62');
    const { entries } = (await (await bench.app.request(`/api/jobs/${closed?.job.id}`)).json()) as {
      entries: Parameters<typeof readJob>[0];
    };
    const until = entries.findIndex((e) => e.kind === 'verdict');
    const { suspects } = diagnose(
      caseOf(readJob(entries.slice(0, until), { kind: 'chainsaw', displacementCc: 61.5 })),
    );
    expect(suspects[0]?.cause).toBe('coil-gap-wide');
  });

  it('serves owners with their machines, and the technicians', async () => {
    const owners = (await (await bench.app.request('/api/customers')).json()) as CustomerWithMachines[];
    expect(owners.find((o) => o.name === 'Odile Farrant')?.machines).toHaveLength(3);
    expect(await (await bench.app.request('/api/accounts')).json()).toHaveLength(3);
  });
});
