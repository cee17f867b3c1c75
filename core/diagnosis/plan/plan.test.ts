import { describe, expect, it } from 'vitest';
import {
  CAUSE_INDEX,
  checkOf,
  CHECKS,
  COMPLAINT_IDS,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type PartId,
} from '../../knowledge';
import type { Case, Evidence } from '../case';
import { diagnose } from '../diagnose';
import { posterior } from '../posterior';
import { believing, keepLikely, layBoard } from './board';
import { lookAhead, lookedAhead } from './lookAhead';
import type { NextCheck } from './nextCheck';
import { whatNext } from './whatNext';
import { aheadFrom, planningFor } from './planning';
import { costOf, minutesOf, offAfter, standing, stateOf, toPutBack } from './possible';
import { rateAll } from './rate';
import { skippedBy } from './skipped';

const finding = (check: CheckId, result: string): Evidence => ({
  ref: check,
  kind: 'finding',
  check,
  result,
  sureness: 'sure',
});
const complains = (complaint: ComplaintId): Evidence => ({ ref: complaint, kind: 'complaint', complaint });
const caseWith = (evidence: Evidence[], off: PartId[] = []): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence,
  off,
});
const FADES = complains('fades-under-way');
const NO_FIRE = complains('no-fire');
const proposed = (c: Case): CheckId[] => diagnose(c).next.map((n) => n.check);
const needs = (id: CheckId) => checkOf(id).engine;

describe('what the machine can be asked', () => {
  const IN_PIECES: readonly PartId[][] = [
    ['air-box', 'carburettor'],
    ['air-box', 'carburettor', 'metering-cover'],
    ['muffler'],
    ['recoil', 'plug', 'flywheel'],
  ];

  it('nothing that starts or runs it is proposed while it is in pieces, whatever is complained of', () => {
    for (const off of IN_PIECES)
      for (const complaint of COMPLAINT_IDS)
        for (const id of proposed(caseWith([complains(complaint)], off))) {
          const check = checkOf(id);
          const behind = check.access.some((part) => off.includes(part));
          if (!behind) expect([undefined, 'turned'], `${complaint}: ${id}`).toContain(check.engine);
        }
  });

  it('nothing that needs it running is proposed where it does not run', () => {
    for (const complaint of [
      'no-fire',
      'pops-only',
      'flooded',
      'runs-on-prime-then-dies',
      'hard-to-pull',
    ] as const)
      for (const id of proposed(caseWith([complains(complaint)]))) expect(needs(id), id).not.toBe('running');
    for (const id of proposed(caseWith([complains('hard-to-start'), finding('start-trial', 'nothing')])))
      expect(needs(id), id).not.toBe('running');
  });

  it('a locked engine is not turned, and a cooked one not run', () => {
    for (const id of proposed(caseWith([complains('hard-to-pull'), finding('pull-feel', 'locked')])))
      expect(needs(id), id).toBeUndefined();
    for (const id of proposed(
      caseWith([complains('weak-under-load'), finding('piston-exhaust-side', 'scored')]),
    ))
      expect([undefined, 'turned'], id).toContain(needs(id));
  });

  it.each([
    ['a safety fault', complains('dies-at-idle'), finding('safety-walkround', 'fault')],
    ['a cord that snatches', complains('kicks-back'), null],
    ['a snatch felt', complains('hard-to-start'), finding('pull-feel', 'snatches')],
    ['a switch without effect', complains('wont-stop'), null],
  ] as const)('%s keeps it from being run, until it is knowingly passed', (_, complaint, found) => {
    const evidence = [complaint, ...(found ? [found] : [])];
    const c = caseWith(evidence);
    const d = diagnose(c);
    expect(d.hazard?.ref).toBe(found?.ref ?? complaint.ref);
    for (const n of d.next) expect([undefined, 'turned'], n.check).toContain(needs(n.check));
    expect(diagnose({ ...c, hazardPassed: true }).hazard).toBeNull();
    expect(stateOf({ ...c, hazardPassed: true }, posterior(c)).canStart).toBe(true);
  });

  it('a check pays for putting back what it needs on', () => {
    const off = new Set<PartId>(['recoil', 'plug']);
    expect(toPutBack(checkOf('compression-gauge'), off)).toEqual(['recoil']);
    expect(minutesOf(checkOf('compression-gauge'), off)).toBeCloseTo(3 + 0.8 * 4, 9);
    expect([...offAfter(checkOf('compression-gauge'), off)]).toEqual(['plug']);
    // A look needs nothing on.
    expect(toPutBack(checkOf('coil-gap'), off)).toEqual([]);
  });

  it('costs its handling, its opening and its closing up', () => {
    expect(costOf(checkOf('fuel-smell'), new Set())).toBeCloseTo(0.5 + 1, 9);
    expect(costOf(checkOf('coil-gap'), new Set())).toBeCloseTo(3 + 1.5 + 4 * 1.8, 9);
    expect(costOf(checkOf('coil-gap'), new Set<PartId>(['recoil']))).toBeCloseTo(4.5, 9);
  });
});

describe('expected minutes', () => {
  const ahead = (evidence: Evidence[]): number => {
    const c = caseWith(evidence);
    const planning = planningFor(c, posterior(c));
    return aheadFrom(planning, planning.board.now, planning.off).minutes;
  };

  it('are none to speak of once what was seen accounts for it', () => {
    expect(ahead([FADES, finding('tank-vent', 'blocked')])).toBeLessThan(ahead([FADES]) / 3);
  });

  it('fall as the evidence closes in', () => {
    const spark = [NO_FIRE, finding('spark-tester', 'none')];
    expect(ahead(spark)).toBeLessThan(ahead([NO_FIRE]));
    expect(ahead([...spark, finding('spark-stop-wire-off', 'comes-back')])).toBeLessThan(ahead(spark));
  });

  it('no check is worth more than all there is to save', () => {
    for (const evidence of [[FADES], [NO_FIRE], [complains('dies-at-idle')]]) {
      const c = caseWith(evidence);
      const planning = planningFor(c, posterior(c));
      const now = aheadFrom(planning, planning.board.now, planning.off).minutes;
      for (const r of rateAll(planning)) {
        expect(
          r.prospects.reduce((sum, o) => sum + o.chance, 0),
          r.answers.check.id,
        ).toBeCloseTo(1, 2);
        expect(now - (r.through - r.cost), r.answers.check.id).toBeLessThanOrEqual(now + 25);
      }
    }
  });
});

describe('foresight', () => {
  it('foretells what the posterior then says, also beside a finding it hangs together with', () => {
    const expectForetold = (before: Evidence[], check: CheckId, result: string, cause: CauseId): void => {
      const at = CAUSE_INDEX.get(cause)!;
      const p = posterior(caseWith(before));
      const board = layBoard(p, keepLikely(p), (c) => c.id === check);
      const answers = board.answers.get(check);
      if (!answers) throw new Error(`${check} says nothing here`);
      const then = believing(board, board.now, answers, answers.results.indexOf(result));
      const after = posterior(caseWith([...before, finding(check, result)]));
      // The board holds the likeliest sets only, so it is right to a per cent or two.
      expect(Math.abs(then.causes[at]! - after.causes[at]!)).toBeLessThan(0.03);
    };
    expectForetold([FADES], 'tank-vent', 'blocked', 'tank-vent-blocked');
    expectForetold(
      [NO_FIRE, finding('spark-tester', 'none')],
      'spark-stop-wire-off',
      'unchanged',
      'coil-failed',
    );
    expectForetold([NO_FIRE], 'spark-tester', 'strong', 'stale-fuel');
  });
});

describe('the order of the plan', () => {
  it('dismantles nothing while something cheap could still prove the leader wrong', () => {
    for (const complaint of COMPLAINT_IDS) {
      const { next } = diagnose(caseWith([complains(complaint)]));
      const [first] = next;
      if (!first || complaint === 'rattle-or-scrape' || complaint === 'kicks-back') continue;
      expect(minutesOf(checkOf(first.check), new Set()), `${complaint}: ${first.check}`).toBeLessThan(8);
    }
  });

  it('names none that costs more than half as much again as it saves, but what has to be looked at', () => {
    for (const complaint of COMPLAINT_IDS) {
      const c = caseWith([complains(complaint)]);
      const { owed, foremost } = planningFor(c, posterior(c));
      for (const n of diagnose(c).next)
        if (!owed.has(n.check) && !foremost.has(n.check)) expect(n.value, n.check).toBeGreaterThan(0.4);
    }
  });

  it('proves a dear suspect before it is bought', () => {
    const sparkless = [
      NO_FIRE,
      finding('spark-tester', 'none'),
      finding('new-plug-trial', 'no-change'),
      finding('plug-lead-look', 'tight'),
      finding('spark-stop-wire-off', 'unchanged'),
      finding('coil-gap', 'in-band'),
    ];
    expect(proposed(caseWith(sparkless, ['plug', 'recoil']))[0]).toBe('known-good-coil-trial');
  });

  it('leaves out what tells the same as a check above it', () => {
    const both = CHECKS.filter((c) => c.insteadOf).map((c) => [c.id, c.insteadOf] as const);
    expect(both.length).toBeGreaterThan(0);
    for (const complaint of COMPLAINT_IDS) {
      const ids: string[] = proposed(caseWith([complains(complaint)]));
      for (const [id, other] of both) expect(ids.includes(id) && ids.includes(other!), complaint).toBe(false);
    }
  });
});

describe('looking two checks ahead', () => {
  const CASES: readonly Evidence[][] = [
    [FADES],
    [FADES, finding('primer-action', 'slow'), finding('tank-vent', 'breathes')],
    [NO_FIRE, finding('spark-tester', 'none')],
  ];

  it('never thinks less of a check than it deserves by itself', () => {
    for (const evidence of CASES) {
      const c = caseWith(evidence);
      const p = posterior(c);
      const alone = new Map(whatNext(c, p).next.map((n) => [n.check, n]));
      for (const n of lookedAhead(c, p)) {
        const by = alone.get(n.check);
        if (by) expect(n.saves).toBeGreaterThanOrEqual(by.saves - 1e-9);
        if (by) expect(n.minutes).toBe(by.minutes);
      }
    }
  });

  it('thinks more of a check that opens the way to another', () => {
    const savesOf = (plan: readonly NextCheck[], id: CheckId): number =>
      plan.find((n) => n.check === id)?.saves ?? 0;
    const gains = CASES.flatMap((evidence) => {
      const c = caseWith(evidence);
      const p = posterior(c);
      const alone = whatNext(c, p).next;
      return lookedAhead(c, p).map((n) => n.saves - savesOf(alone, n.check));
    });
    expect(Math.max(...gains)).toBeGreaterThan(0.05);
  });

  it('tells its progress step by step, and can be left at any of them', () => {
    const c = caseWith([FADES]);
    const steps = lookAhead(c, posterior(c));
    expect(steps.next()).toMatchObject({ done: false, value: { done: 1 } });
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
  const asked = (evidence: Evidence[]): boolean =>
    diagnose(caseWith(evidence)).repeat.some((r) => r.ref === 'spark-tester');

  it('is asked for when everything else speaks against it', () => {
    const spark = finding('spark-tester', 'none');
    expect(asked([NO_FIRE, spark])).toBe(false);
    expect(asked([NO_FIRE, spark, finding('prime-in-cylinder', 'fires')])).toBe(true);
  });

  it('is believed to come out the same, unless it was a slip', () => {
    const c = caseWith([NO_FIRE, { ...finding('spark-tester', 'none'), sureness: 'fair' } as Evidence]);
    const p = posterior(c);
    const board = layBoard(p, keepLikely(p), (x) => x.id === 'spark-tester');
    const answers = board.answers.get('spark-tester')!;
    const rated = rateAll({ ...planningFor(c, p), board })[0]!;
    const none = rated.prospects.find((o) => o.result === 'none')?.chance ?? 0;
    expect(answers.results).toContain('none');
    expect(none).toBeGreaterThan(0.6);
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
  const STARVES = complains('runs-on-prime-then-dies');
  const dismantling = (c: Case): NextCheck => {
    const found = diagnose(c).next.find((n) => n.opens.includes('carburettor'));
    if (!found) throw new Error('no dismantling');
    return found;
  };

  it('names the cheap checks that could settle it without', () => {
    const c = caseWith([STARVES]);
    const { next, suspects } = diagnose(c);
    const deep = dismantling(c);
    for (const s of skippedBy(deep, next, suspects, c))
      expect(s.minutes).toBeLessThanOrEqual(deep.minutes / 2);
  });

  it('is silent when nothing is being opened, or it is open already', () => {
    const c = caseWith([STARVES], ['air-box', 'carburettor', 'pump-cover', 'metering-cover']);
    const { next, suspects } = diagnose(c);
    for (const n of next.filter((x) => ['inlet-screen', 'metering-diaphragm'].includes(x.check)))
      expect(skippedBy(n, next, suspects, c)).toEqual([]);
  });
});
