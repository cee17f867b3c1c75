import { describe, expect, it } from 'vitest';
import { CAUSE_IDS, PRIOR_WORK, SAID_BY, SAID_EFFECTS, type CauseId, type SaidDone } from '../knowledge';
import { takeIn, type Case, type Evidence } from './case';
import { diagnose } from './diagnose';
import { saidFactors } from './hearsay';
import { posterior } from './posterior';

const caseWith = (...evidence: Evidence[]): Case => ({
  machine: { kind: 'trimmer', displacementCc: 25 },
  history: {},
  evidence: evidence.reduce<Evidence[]>((all, e) => takeIn(all, e), []),
  off: [],
});
const complains: Evidence = { ref: 'c', kind: 'complaint', complaint: 'hard-to-start' };
const told = (said: SaidDone, ref = 's'): Evidence => ({ ref, kind: 'said-done', ...said });
const probability = (c: Case, cause: CauseId): number =>
  diagnose(c).suspects.find((s) => s.cause === cause)?.probability ?? 0;

describe('what is said to have been done', () => {
  it('lowers what it puts right and raises what is done wrong in it, never to nothing', () => {
    for (const { id: work, rights, spoils } of PRIOR_WORK)
      for (const by of SAID_BY)
        for (const effect of [undefined, ...SAID_EFFECTS]) {
          const factors = saidFactors({ work, by, ...(effect && { effect }) });
          for (const [cause, factor] of factors) {
            expect(factor, `${work} ${cause}`).toBeGreaterThan(0.1);
            expect(factor, `${work} ${cause}`).toBeLessThanOrEqual(spoils[cause] ?? 1);
            if (!rights.includes(cause)) expect(factor, `${work} ${cause}`).toBeGreaterThanOrEqual(1);
            if (!(cause in spoils)) expect(factor, `${work} ${cause}`).toBeLessThanOrEqual(1);
          }
        }
  });

  it('is no news after years, and less the longer ago', () => {
    const after = (monthsAgo: number) => saidFactors({ work: 'coil', monthsAgo, effect: 'trouble-since' });
    for (const cause of ['coil-failed', 'coil-gap-wide'] as const) {
      const far = [0, 6, 24, 240].map((m) => Math.abs(Math.log(after(m).get(cause)!)));
      expect(far).toEqual(far.toSorted((x, y) => y - x));
      expect(far.at(-1)).toBeLessThan(1e-4);
    }
  });

  it('counts most against the part where it was in vain, and for the hand where the trouble began with it', () => {
    const of = (effect: SaidDone['effect'], cause: CauseId) =>
      saidFactors({ work: 'fuel-lines', ...(effect && { effect }) }).get(cause)!;
    expect(of('no-change', 'fuel-line-blocked')).toBeLessThan(of('trouble-since', 'fuel-line-blocked'));
    expect(of('trouble-since', 'fuel-lines-swapped')).toBeGreaterThan(of(undefined, 'fuel-lines-swapped'));
    expect(of(undefined, 'fuel-lines-swapped')).toBeGreaterThan(of('no-change', 'fuel-lines-swapped'));
  });

  it('does not count twice with the answer that somebody has been into it', () => {
    const said: SaidDone = { work: 'carburettor-kit', effect: 'trouble-since' };
    const known = saidFactors(said, { openedBefore: 'yes' }, { kind: 'trimmer' });
    const unknown = saidFactors(said, {}, { kind: 'trimmer' });
    expect(known.get('carb-tampered')).toBeLessThan(unknown.get('carb-tampered')!);
    expect(known.get('carb-tampered')).toBeGreaterThanOrEqual(1);
  });

  it('is one of the reasons, with the entry it came from', () => {
    const c = caseWith(complains, told({ work: 'plug', effect: 'no-change' }, 'said'));
    expect(probability(c, 'plug-fouled')).toBeLessThan(probability(caseWith(complains), 'plug-fouled'));
    const stale = diagnose(c).suspects.find((s) => s.cause === 'plug-fouled')!;
    expect(stale.moved.find((m) => m.ref === 'said')!.logOdds).toBeLessThan(0);
  });

  it('is outweighed by one sure look', () => {
    const seen: Evidence = {
      ref: 'f',
      kind: 'finding',
      check: 'metering-diaphragm',
      result: 'torn',
      sureness: 'sure',
    };
    const c = caseWith(complains, told({ work: 'carburettor-kit', by: 'shop', effect: 'no-change' }), seen);
    expect(probability(c, 'metering-diaphragm-torn')).toBeGreaterThan(0.9);
  });

  it('told twice of the same work counts as it was told last, wherever it stands', () => {
    const last = told({ work: 'coil', effect: 'trouble-since' }, 's2');
    const twice = caseWith(told({ work: 'coil', effect: 'no-change' }), complains, last);
    const once = caseWith(last, complains);
    const [asTwice, asOnce] = [twice, once].map(posterior);
    asTwice!.causes.forEach((p, i) => expect(p, CAUSE_IDS[i]).toBeCloseTo(asOnce!.causes[i]!, 9));
  });
});
