import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { RunId } from '../knowledge';
import { makeEntry, proofLeft, readJob, unnumbered, type Noted, type ProofStep } from '.';

const SAW = { kind: 'chainsaw', displacementCc: 45 } as const;
const BEGUN = Date.parse('2026-05-04T09:00:00.000Z');

/** A job from what was noted, a minute apart; a number lets so many hours go by, `{ strikes }` strikes the entry of that number. */
function proofIn(...noted: readonly (Noted | number | { strikes: number })[]): Map<RunId, ProofStep> {
  let at = BEGUN;
  const entries = noted.flatMap((n) => {
    at += typeof n === 'number' ? n * 3_600_000 : 60_000;
    if (typeof n === 'number') return [];
    const when = { id: `e${at}`, notedAt: new Date(at).toISOString() };
    if (!('strikes' in n)) return [unnumbered(makeEntry(n, when))];
    const strike: Noted = { kind: 'strike', body: { reason: 'slip' } };
    return [unnumbered(makeEntry(strike, { ...when, strikes: `e${BEGUN + 60_000 * n.strikes}` }))];
  });
  return new Map(readJob(entries, SAW).proof.map((s) => [s.id, s]));
}

const oneInThree: Noted = {
  kind: 'complaint',
  body: { complaint: 'hard-to-start', often: { failed: 1, of: 3 } },
};
const lead: Noted = { kind: 'repair', body: { cause: 'plug-lead-loose', outcome: 'cured' } };
const warm: Noted = { kind: 'start', body: { state: 'warm', pulls: 2, outcome: 'runs' } };
const cold: Noted = { kind: 'start', body: { state: 'cold', pulls: 2, outcome: 'runs' } };
const tankful: Noted = { kind: 'proved', body: { step: 'tankful' } };

describe('what comes and goes', () => {
  it('is proved by as many showings as its rate wants, and says after each how sure that is', () => {
    const sure = [0, 1, 2, 4].map((n) =>
      proofIn(oneInThree, lead, ...Array<Noted>(n).fill(warm)).get('warm')!,
    );
    expect(sure.map((s) => [s.clean, s.times, s.done])).toEqual([
      [0, 6, false],
      [1, 6, false],
      [2, 6, false],
      [4, 6, false],
    ]);
    // 0.75 / (0.75 + 0.25 · E[(1 − θ)ⁿ]), θ ~ Beta(1½, 2½).
    expect(sure.map((s) => Number(s.sure!.toFixed(3)))).toEqual([0.75, 0.828, 0.873, 0.921]);
    const all = proofIn(oneInThree, lead, ...Array<Noted>(6).fill(warm), 4, cold);
    expect([all.get('warm')!.done, all.get('cold')!.done]).toEqual([true, true]);
    expect(all.get('cold')!.sure).toBeGreaterThan(0.95);
  });

  it('goes on at its owner’s: every use in which it ran right is a showing, until it did it again or was worked on', () => {
    const home = (uses: 1 | 5 | 20, again = false): Noted => ({ kind: 'at-owners', body: { uses, again } });
    const after = (...noted: Noted[]) => proofIn(oneInThree, lead, warm, ...noted);
    const [here, five, twenty] = [after(), after(home(1), home(5)), after(home(20))];
    // Five uses and one start, not seven: uses are counted from the first. Six showings are just short of sure.
    expect(five.get('warm')!.sure).toBeCloseTo(0.945, 3);
    expect([here, five, twenty].map((p) => p.get('warm')!.done)).toEqual([false, false, true]);
    expect(after(warm, home(5)).get('warm')!.done).toBe(true);
    expect(twenty.get('tool-still')!.done).toBe(false);
    expect(after(home(20), home(20, true)).get('warm')!.done).toBe(false);
    expect(after(home(20), { kind: 'screw', body: { screw: 'L', eighths: 1 } }).get('warm')!.done).toBe(
      false,
    );
  });

  it('is as sure whatever order the showings came in', () => {
    const showings = fc.shuffledSubarray([warm, warm, tankful, warm], { minLength: 4 });
    fc.assert(
      fc.property(showings, (order) => {
        const step = proofIn(oneInThree, lead, ...order).get('warm')!;
        // (2½ · 3½ · 4½) / (4 · 5 · 6) is what a fault still there would have hidden.
        expect(step.clean).toBe(3);
        expect(step.sure).toBeCloseTo(0.75 / (0.75 + 0.25 * 0.328125), 10);
      }),
      { numRuns: 20 },
    );
  });

  it('never counts a showing that was struck, or one from before the work', () => {
    const struck = proofIn(oneInThree, lead, warm, warm, { strikes: 4 });
    expect(struck.get('warm')!.clean).toBe(1);
    expect(proofIn(oneInThree, warm, lead).get('warm')!.clean).toBe(0);
    // Work on what makes the spark asks for all of it again; a sharpened chain for no start.
    const again: Noted = { kind: 'repair', body: { cause: 'plug-fouled', outcome: 'untried' } };
    const chain: Noted = { kind: 'repair', body: { cause: 'chain-dull', outcome: 'untried' } };
    expect(proofIn(oneInThree, lead, warm, again).get('warm')!.clean).toBe(0);
    expect(proofIn(oneInThree, lead, warm, chain).get('warm')!.clean).toBe(1);
  });

  it('may be taken for proved with fewer, until work touches it again', () => {
    const enough: Noted = { kind: 'proved', body: { enough: 'warm', sure: 0.87 } };
    expect(proofIn(oneInThree, lead, warm, warm, enough).get('warm')).toMatchObject({
      clean: 2,
      done: true,
      enough: true,
    });
    expect(proofIn(oneInThree, lead, warm, enough, lead).get('warm')!.done).toBe(false);
  });

  it('takes how often as it was said last', () => {
    const corrected: Noted = {
      kind: 'complaint',
      body: { complaint: 'hard-to-start', often: { said: 'every-time' } },
    };
    expect(proofIn(oneInThree, corrected, lead).get('warm')!.times).toBe(1);
    const silent: Noted = { kind: 'complaint', body: { complaint: 'hard-to-start', words: 'still' } };
    expect(proofIn(oneInThree, silent, lead).get('warm')!.times).toBe(6);
  });
});

describe('told how often, once it was mended', () => {
  const job = (...more: Noted[]) =>
    readJob(
      [complains(), lead, ...more].map((n, i) =>
        unnumbered(makeEntry(n, { id: `e${i}`, notedAt: new Date(BEGUN + i * 60_000).toISOString() })),
      ),
      SAW,
    );
  const complains = (often?: { failed: number; of: number }): Noted => ({
    kind: 'complaint',
    body: { complaint: 'hard-to-start', ...(often && { often }) },
  });
  it('is no new complaint; said without, it does it again', () => {
    expect(job().cured).toBe(true);
    const told = job(complains({ failed: 1, of: 3 }));
    expect([told.cured, told.complaints]).toEqual([
      true,
      [{ entryId: 'e0', complaint: 'hard-to-start', said: ['e0', 'e2'], often: { failed: 1, of: 3 } }],
    ]);
    expect(job(complains()).cured).toBe(false);
  });
});

describe('what is left of a proof', () => {
  it('is bench minutes, and how often it has to stand', () => {
    const left = (...noted: Noted[]) => proofLeft([...proofIn(...noted).values()]);
    // Full speed, throttle, tool: 1½ minutes; six starts of 1½; one cold.
    expect(left(oneInThree, lead)).toEqual({ minutes: 1.5 + 6 * 1.5, cold: 1, nights: 0 });
    expect(left(oneInThree, lead, warm, warm)).toEqual({ minutes: 1.5 + 4 * 1.5, cold: 1, nights: 0 });
    const leaks: Noted = { kind: 'complaint', body: { complaint: 'leaks-fuel' } };
    expect(left(leaks)).toMatchObject({ nights: 1 });
  });
});

describe('a night on its hook', () => {
  const leaks: Noted = { kind: 'complaint', body: { complaint: 'leaks-fuel' } };
  const line: Noted = { kind: 'repair', body: { cause: 'fuel-line-leak', outcome: 'cured' } };
  const hung: Noted = { kind: 'proved', body: { step: 'stood' } };
  it('is a night: eight hours after it last ran, at either edge', () => {
    expect(proofIn(leaks, line, warm, 8, hung).get('stood')!.clean).toBe(1);
    expect(proofIn(leaks, line, warm, 7.9, hung).get('stood')!.clean).toBe(0);
    const { notBefore } = proofIn(leaks, line, warm).get('stood')!;
    expect(Date.parse(notBefore!) - BEGUN).toBe(3 * 60_000 + 8 * 3_600_000);
  });
});
