import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  CAUSE_IDS,
  COMPLAINT_IDS,
  FAILS_WHEN_IDS,
  PROOF_RUNS,
  proofRun,
  wouldShow,
  type RunId,
} from '../knowledge';
import { chancesIn, curedBy, leavesShown, proofOf, showingsWanted, SURE_ENOUGH, type ProofCase } from '.';
import { leastRuns } from './least';

const caseOf = (more: Partial<ProofCase>): ProofCase => ({
  complaints: [],
  work: [],
  tuned: false,
  clutch: true,
  ...more,
});
/** Bench minutes of a list, waiting apart. */
const minutesOf = (runs: readonly { run: RunId; times: number }[]): number =>
  runs.reduce((sum, { run, times }) => sum + times * proofRun(run).minutes, 0);
/** The chances a list gives a complaint. */
const chancesOf = (list: ReturnType<typeof proofOf>, c: ProofCase, n: number): number =>
  list.reduce((sum, r) => sum + r.times * chancesIn(proofRun(r.run), c.complaints[n]!, c.failsWhen), 0);

describe('the list of runs', () => {
  it('holds every pair of complaints, whenever they come and whatever was mended', () => {
    for (const failsWhen of FAILS_WHEN_IDS)
      COMPLAINT_IDS.forEach((one, i) =>
        COMPLAINT_IDS.slice(i).forEach((two, j) => {
          // Every cause comes up against every kind of pair; not all with all, which would say no more.
          const work = [CAUSE_IDS[(i * 7 + j * 3) % CAUSE_IDS.length]!];
          const c = caseOf({
            complaints: [{ complaint: one }, { complaint: two, often: { failed: 1, of: 2 } }],
            failsWhen,
            work,
          });
          const list = proofOf(c);
          c.complaints.forEach((said, n) =>
            expect(chancesOf(list, c, n), `${said.complaint} ${failsWhen}`).toBeGreaterThanOrEqual(
              showingsWanted(said.often),
            ),
          );
          expect(list.map((r) => r.run)).toEqual(expect.arrayContaining(['warm', 'tool-still']));
        }),
      );
  });

  it('holds all complaints at once, the rarest there are: a log may say anything', () => {
    for (const failsWhen of FAILS_WHEN_IDS) {
      const often = { failed: 1, of: 50 };
      const c = caseOf({ complaints: COMPLAINT_IDS.map((complaint) => ({ complaint, often })), failsWhen });
      const list = proofOf(c);
      c.complaints.forEach((said, n) =>
        expect(chancesOf(list, c, n), `${said.complaint} ${failsWhen}`).toBeGreaterThanOrEqual(
          showingsWanted(often),
        ),
      );
    }
  });

  it('asks of every cause for a start and what it touched, and no run twice in the list', () => {
    for (const cause of CAUSE_IDS) {
      const list = proofOf(caseOf({ work: [cause] }));
      expect(new Set(list.map((r) => r.run)).size).toBe(list.length);
      expect(list.every((r) => r.forWork && r.times === 1)).toBe(true);
      for (const { id } of PROOF_RUNS)
        if (list.some((r) => r.run === id) && id !== 'tool-still' && id !== 'warm')
          expect(leavesShown([cause], id), `${cause} asks for ${id}, so it does not stand`).toBe(false);
    }
  });

  it('takes far fewer minutes than all of it on all of them', () => {
    const all = minutesOf(PROOF_RUNS.map((r) => ({ run: r.id, times: 1 })));
    const each = COMPLAINT_IDS.map((complaint) =>
      minutesOf(proofOf(caseOf({ complaints: [{ complaint }], work: ['stale-fuel'] }))),
    );
    expect(Math.max(...each)).toBeLessThan(all / 2);
  });

  it('asks for nothing the machine has not got', () => {
    const list = proofOf(
      caseOf({
        complaints: [{ complaint: 'races-or-hangs' }],
        work: ['primer-faulty'],
        clutch: false,
        bulb: false,
      }),
    ).map((r) => r.run);
    for (const run of ['tool-still', 'off-the-latch', 'primer']) expect(list).not.toContain(run);
  });

  it('is surer the more is clean, and sure enough at what it asks for', () => {
    for (const often of [
      undefined,
      { said: 'every-time' },
      { said: 'now-and-then' },
      { failed: 1, of: 3 },
      { failed: 3, of: 10 },
    ] as const) {
      const n = showingsWanted(often);
      expect(curedBy(often, n)).toBeGreaterThanOrEqual(SURE_ENOUGH);
      if (n > 1) expect(curedBy(often, n - 1)).toBeLessThan(SURE_ENOUGH);
    }
    expect([showingsWanted({ said: 'every-time' }), showingsWanted(undefined)]).toEqual([1, 2]);
  });

  it('has a run for each complaint at each time', () => {
    for (const failsWhen of FAILS_WHEN_IDS)
      for (const complaint of COMPLAINT_IDS)
        expect(
          PROOF_RUNS.some((r) => wouldShow(r, complaint, failsWhen)),
          `${complaint} ${failsWhen}`,
        ).toBe(true);
  });
});

describe('the cheapest numbers', () => {
  it('are what going through all of them finds', () => {
    const few = fc.record({
      demands: fc.array(
        fc.record({
          times: fc.integer({ min: 1, max: 3 }),
          gives: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 3, maxLength: 3 }),
        }),
        { minLength: 1, maxLength: 3 },
      ),
      costs: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 }),
      given: fc.array(fc.integer({ min: 0, max: 1 }), { minLength: 3, maxLength: 3 }),
    });
    const RUNS = ['a', 'b', 'c'];
    fc.assert(
      fc.property(few, ({ demands, costs, given }) => {
        const asked = demands.map(({ times, gives }) => ({
          times,
          by: new Map(RUNS.map((r, i) => [r, gives[i]!] as const).filter(([, n]) => n > 0)),
        }));
        const made = new Map(RUNS.map((r, i) => [r, given[i]!] as const).filter(([, n]) => n > 0));
        const list = leastRuns(asked, new Map(RUNS.map((r, i) => [r, costs[i]!])), made);
        const shown = asked.filter((d) => d.by.size > 0);
        const holds = (n: readonly number[]): boolean =>
          shown.every((d) => RUNS.reduce((sum, r, i) => sum + n[i]! * (d.by.get(r) ?? 0), 0) >= d.times);
        const price = (n: readonly number[]): number => n.reduce((sum, k, i) => sum + k * costs[i]!, 0);
        const got = RUNS.map((r) => list.get(r) ?? 0);
        expect(holds(got)).toBe(true);
        let best = Infinity;
        for (let a = given[0]!; a <= 4; a++)
          for (let b = given[1]!; b <= 4; b++)
            for (let c = given[2]!; c <= 4; c++)
              if (holds([a, b, c])) best = Math.min(best, price([a, b, c]));
        expect(price(got)).toBe(best);
      }),
    );
  });
});
