import { describe, expect, it } from 'vitest';
import type { Case, Evidence } from '../case';
import { CAUSES, causeOf, type CauseId, type CheckId, type PartId } from '../../knowledge';
import { diagnose } from '../diagnose';
import { posterior, type Posterior } from '../posterior';
import { CAUSE_INDEX } from '../prior';
import { standing } from './available';
import { foresee, keepLikely, layBoard, type Prospect } from './board';
import { lookAhead, lookedAhead } from './lookAhead';
import { nextChecks, type NextCheck } from './nextCheck';
import { skippedBy } from './skipped';
import { expectedWaste, needlessMinutes } from './waste';

const finding = (check: CheckId, result: string): Evidence => ({
  ref: check,
  kind: 'finding',
  check,
  result,
  sureness: 'sure',
});
const caseWith = (evidence: Evidence[], off: PartId[] = []): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence,
  off,
});
const FADES: Evidence = { ref: 'c', kind: 'complaint', complaint: 'fades-under-way' };

describe('expected waste', () => {
  const with_ = (...p: [Parameters<typeof CAUSE_INDEX.get>[0], number][]): Float64Array => {
    const all = new Float64Array(CAUSES.length);
    for (const [id, x] of p) all[CAUSE_INDEX.get(id) ?? -1] = x;
    return all;
  };

  it('is nothing when one cause is certain, or none is', () => {
    expect(expectedWaste(with_(['plug-fouled', 1]))).toBe(0);
    expect(expectedWaste(new Float64Array(CAUSES.length))).toBe(0);
  });

  it('is the first repair times the chance that it was in vain', () => {
    // Even odds: the plug first, being quicker, in vain half the time.
    expect(expectedWaste(with_(['plug-fouled', 0.5], ['tank-vent-blocked', 0.5]))).toBeCloseTo(
      needlessMinutes(causeOf('plug-fouled')) / 2,
      9,
    );
  });

  it('falls as one cause stands out', () => {
    expect(expectedWaste(with_(['plug-fouled', 0.9], ['tank-vent-blocked', 0.1]))).toBeCloseTo(
      needlessMinutes(causeOf('plug-fouled')) / 10,
      9,
    );
  });
});

/** What one check would tell, on the board of a posterior. */
function foretell(p: Posterior, id: CheckId): { bits: number; prospects: Prospect[]; causes: Float64Array } {
  const board = layBoard(p, keepLikely(p), (check) => check.id === id);
  const answers = board.answers.get(id);
  if (!answers) throw new Error(`${id} says nothing here`);
  return { ...foresee(board, board.now, answers), causes: board.now.causes };
}

describe('foresight', () => {
  it('adds up: chances to one, and the prospects back to the present', () => {
    const p = posterior(caseWith([FADES, finding('primer-action', 'slow')]));
    for (const check of ['tank-vent', 'inlet-screen', 'start-trial', 'fresh-fuel-trial'] as CheckId[]) {
      const { bits, prospects, causes } = foretell(p, check);
      expect(prospects.reduce((sum, o) => sum + o.chance, 0)).toBeCloseTo(1, 9);
      expect(bits).toBeGreaterThan(0);
      for (const i of [CAUSE_INDEX.get('tank-vent-blocked') ?? -1, CAUSE_INDEX.get('stale-fuel') ?? -1]) {
        expect(prospects.reduce((sum, o) => sum + o.chance * (o.causes[i] ?? 0), 0)).toBeCloseTo(
          causes[i] ?? 0,
          9,
        );
      }
    }
  });

  it('foretells what the posterior then says, also beside a finding it is bonded to', () => {
    const expectForetold = (before: Evidence[], check: CheckId, result: string, cause: CauseId): void => {
      const at = CAUSE_INDEX.get(cause) ?? -1;
      const foretold = foretell(posterior(caseWith(before)), check).prospects.find(
        (o) => o.result === result,
      );
      const after = posterior(caseWith([...before, finding(check, result)]));
      // The board holds the likeliest sets only, so it is right to a per cent or so.
      expect(Math.abs((foretold?.causes[at] ?? NaN) - (after.causes[at] ?? 0))).toBeLessThan(0.015);
    };
    expectForetold([FADES], 'tank-vent', 'blocked', 'tank-vent-blocked');
    const NO_FIRE: Evidence = { ref: 'c', kind: 'complaint', complaint: 'no-fire' };
    expectForetold(
      [NO_FIRE, finding('spark-tester', 'none')],
      'spark-stop-wire-off',
      'unchanged',
      'coil-failed',
    );
  });
});

describe('looking two checks ahead', () => {
  const CASES: readonly Evidence[][] = [
    [FADES],
    [FADES, finding('primer-action', 'slow'), finding('tank-vent', 'breathes')],
    [{ ref: 'c', kind: 'complaint', complaint: 'no-fire' }, finding('spark-tester', 'none')],
  ];

  it('never thinks less of a check than it deserves by itself, and names the same checks', () => {
    for (const evidence of CASES) {
      const c = caseWith(evidence);
      const p = posterior(c);
      const alone = new Map(nextChecks(c, p).map((n) => [n.check, n]));
      const ahead = lookedAhead(c, p);
      expect(ahead.map((n) => n.check).toSorted()).toEqual([...alone.keys()].toSorted());
      for (const n of ahead) {
        expect(n.value).toBeGreaterThanOrEqual((alone.get(n.check)?.value ?? Infinity) - 1e-12);
        expect(n.minutes).toBe(alone.get(n.check)?.minutes);
      }
    }
  });

  it('thinks more of a check that opens the way to another', () => {
    const c = caseWith([
      { ref: 'c', kind: 'complaint', complaint: 'no-fire' },
      finding('spark-tester', 'none'),
    ]);
    const p = posterior(c);
    const valueOf = (plan: readonly NextCheck[], id: CheckId): number =>
      plan.find((n) => n.check === id)?.value ?? 0;
    const gains = lookedAhead(c, p).map((n) => n.value - valueOf(nextChecks(c, p), n.check));
    expect(Math.max(...gains)).toBeGreaterThan(0.05);
  });

  it('tells its progress step by step, and can be left at any of them', () => {
    const c = caseWith([FADES]);
    const steps = lookAhead(c, posterior(c));
    const first = steps.next();
    expect(first.done).toBe(false);
    expect(first.value).toMatchObject({ done: 1 });
    let told = 1;
    for (;;) {
      const step = steps.next();
      if (step.done) break;
      told++;
      expect(step.value.done).toBe(told);
      expect(step.value.of).toBeGreaterThanOrEqual(told);
    }
    expect(told).toBeGreaterThan(3);
  });
});

describe('reading a doubted result again', () => {
  const doubted = [
    FADES,
    finding('line-pressure', 'holds'),
    finding('primer-action', 'bubbles'),
    finding('line-look', 'hard-or-cracked'),
    finding('start-trial', 'starts-and-dies'),
  ];
  const offered = (evidence: Evidence[]): boolean => {
    const c = caseWith(evidence);
    return nextChecks(c, posterior(c)).some((n) => n.check === 'line-pressure');
  };

  it('is offered when everything else speaks against it', () => {
    expect(offered([FADES, finding('line-pressure', 'holds')])).toBe(false);
    expect(offered(doubted)).toBe(true);
  });

  it('is not offered once it has come out the same again', () => {
    expect(
      offered(doubted.map((e) => (e.ref === 'line-pressure' ? { ...e, again: 'same' } : e) as Evidence)),
    ).toBe(false);
  });
});

describe('what still stands', () => {
  it('a repair that changed something makes stale what it had a bearing on, and nothing else', () => {
    const made = [FADES, finding('line-pressure', 'leaks'), finding('compression-gauge', 'good')];
    const after = (outcome: 'better' | 'no-change') =>
      standing(caseWith([...made, { ref: 'r', kind: 'repair', cause: 'fuel-line-leak', outcome }]));
    expect([...after('better').keys()]).toEqual(['compression-gauge']);
    expect([...after('no-change').keys()]).toEqual(['line-pressure', 'compression-gauge']);
  });
});

describe('before dismantling', () => {
  it('names the cheap checks that could settle it without', () => {
    const c = caseWith([FADES]);
    const { next, suspects } = diagnose(c);
    const deep = next.find((n) => n.check === 'inlet-screen');
    const skipped = deep ? skippedBy(deep, next, suspects, c) : [];
    expect(deep?.opens).toContain('carburettor');
    expect(skipped.length).toBeGreaterThan(0);
    for (const s of skipped) expect(s.minutes).toBeLessThanOrEqual((deep?.minutes ?? 0) / 2);
  });

  it('names none that would only say again what is known', () => {
    const c = caseWith([FADES, finding('tank-vent', 'blocked')]);
    const { next, suspects } = diagnose(c);
    const deep = next.find((n) => n.opens.includes('carburettor'));
    expect(suspects[0]?.cause).toBe('tank-vent-blocked');
    expect(deep && skippedBy(deep, next, suspects, c).map((s) => s.settles)).not.toContain(
      'tank-vent-blocked',
    );
  });

  it('is silent when nothing is being opened, or it is open already', () => {
    const c = caseWith([FADES], ['air-box', 'carburettor', 'pump-cover']);
    const { next, suspects } = diagnose(c);
    for (const n of next.filter((x) => ['inlet-screen', 'fuel-smell'].includes(x.check)))
      expect(skippedBy(n, next, suspects, c)).toEqual([]);
  });
});
