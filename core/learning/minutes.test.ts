import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagnose, HANDLING_MINUTES } from '../diagnosis';
import {
  CAUSE_IDS,
  causeOf,
  CHECK_IDS,
  checkOf,
  REMEDY_IDS,
  remedyMinutes,
  remedyOf,
  type CheckId,
} from '../knowledge';
import type { TrailLine } from '../log';
import { learnMinutes, paceIn, repairPaceIn, timeKey, timesIn, type TimeCounts } from '.';

type Timed = Pick<TrailLine, 'entry' | 'state'>;
const START = Date.parse('2026-03-02T09:00:00.000Z');
const line = (
  atMinutes: number,
  kind: string,
  body: object,
  more: { by?: string; state?: string } = {},
): Timed =>
  ({
    state: more.state ?? 'live',
    entry: {
      id: `${kind}${atMinutes}`,
      seq: null,
      by: more.by ?? 'a',
      notedAt: new Date(START + atMinutes * 60_000).toISOString(),
      kind,
      body,
    },
  }) as unknown as Timed;
const found = (at: number, check: CheckId, more = {}): Timed =>
  line(at, 'finding', { check, result: 'x', sureness: 'sure' }, more);
const trade = (check: CheckId): number => checkOf(check).minutes + HANDLING_MINUTES[checkOf(check).is];
const [LOOK, SMELL] = ['plug-look', 'fuel-smell'] as const;

describe('the times on a log', () => {
  it('tell how long a check took since the last thing that was noted by the same hands', () => {
    expect(timesIn([found(0, SMELL), found(2 * trade(LOOK), LOOK)])).toEqual([
      { task: LOOK, by: 'a', step: 14 },
    ]);
    expect(timesIn([found(0, SMELL, { by: 'b' }), found(2, LOOK)])).toEqual([]);
  });
  it('opening counts as opening: a check tells nothing where it was the lesser part', () => {
    // The muffler alone takes seven.
    const opened = [found(0, SMELL), line(12, 'took-off', { part: 'muffler' }), found(12.01, 'ring-free')];
    expect(timesIn(opened)).toEqual([]);
    const plug = [found(0, SMELL), line(3, 'took-off', { part: 'plug' }), found(3.01, LOOK)];
    expect(timesIn(plug)).toEqual([{ task: LOOK, by: 'a', step: 0 }]);
  });
  it('a pause, what was noted together, what was struck, and what has no figure tell nothing', () => {
    expect(timesIn([found(0, SMELL), found(45, LOOK)])).toEqual([]);
    expect(timesIn([found(0, SMELL), found(0.2, LOOK)])).toEqual([]);
    expect(timesIn([found(0, SMELL), found(4, LOOK), found(4.02, 'fuel-look')])).toEqual([]);
    expect(timesIn([found(0, SMELL), found(2, LOOK, { state: 'struck' })])).toEqual([]);
    expect(timesIn([found(0, SMELL), line(2, 'note', { text: 'x' }), found(2.01, LOOK)])).toEqual([]);
  });
});

describe('the times of repairs', () => {
  const mended = (at: number, body: object, more = {}): Timed => line(at, 'repair', body, more);
  const coil = { cause: 'coil-gap-wide', outcome: 'cured' };

  it('tell how long a repair took, of one cause or of a whole job', () => {
    const { minutes } = causeOf('coil-gap-wide');
    expect(timesIn([found(0, SMELL), mended(2 * minutes, coil)])).toEqual([
      { task: 'coil-gap-wide', by: 'a', step: 14 },
    ]);
    const whole = { cause: 'plug-fouled', remedy: 'new-plug', outcome: 'cured' };
    expect(timesIn([found(0, SMELL), mended(remedyMinutes(remedyOf('new-plug')), whole)])).toEqual([
      { task: 'new-plug', by: 'a', step: 0 },
    ]);
  });

  it('tell nothing where it only says how it turned out, was done step by step, or is on no list', () => {
    const later = [
      found(0, SMELL),
      mended(9, { ...coil, outcome: 'untried' }),
      found(20, LOOK),
      mended(24, coil),
    ];
    expect(timesIn(later).filter(({ task }) => task === 'coil-gap-wide')).toHaveLength(1);
    const inside = { cause: 'metering-diaphragm-stiff', outcome: 'cured' };
    expect(timesIn([found(0, SMELL), mended(15, inside)])).toEqual([]);
    expect(timesIn([found(0, SMELL), mended(15, { other: 'a bent bracket', outcome: 'cured' })])).toEqual([]);
  });

  it('are kept apart from those of checks', () => {
    const learnt = learnMinutes({ [`${LOOK} a 20`]: 50, 'coil-gap-wide a 20': 50, 'new-plug b -20': 50 });
    expect(Object.keys(paceIn(learnt) ?? {})).toEqual([LOOK]);
    expect(repairPaceIn(learnt)).toEqual({
      'coil-gap-wide': learnt.shop['coil-gap-wide']!.factor,
      'new-plug': learnt.shop['new-plug']!.factor,
    });
    expect(repairPaceIn(learnMinutes({ [`${LOOK} a 20`]: 50 }))).toBeNull();
  });

  it('have no id that two things share', () => {
    const ids = [...CHECK_IDS, ...CAUSE_IDS, ...REMEDY_IDS];
    expect(new Set(ids).size).toBe(ids.length);
  });
});

const COUNTS = fc
  .array(
    fc.tuple(fc.constantFrom(LOOK, SMELL), fc.constantFrom('a', 'b'), fc.integer({ min: -30, max: 30 })),
    {
      maxLength: 80,
    },
  )
  .map((all): TimeCounts => {
    const counts: Record<string, number> = {};
    for (const [task, by, step] of all) {
      const key = timeKey({ task, by, step });
      counts[key] = (counts[key] ?? 0) + 1;
    }
    return counts;
  });

describe('the minutes that are learnt', () => {
  it('are the trade’s drawn towards the shop’s, from the fifth time on, and somebody’s own from the eighth', () => {
    const made = (n: number): TimeCounts => ({ [`${LOOK} a 20`]: n });
    expect(learnMinutes(made(4))).toEqual({ shop: {}, own: {} });
    expect(learnMinutes(made(5)).shop[LOOK]).toEqual({ factor: 1.5513, times: 5 });
    expect(learnMinutes(made(7)).own).toEqual({});
    expect(learnMinutes(made(8)).own['a']?.[LOOK]?.times).toBe(8);
    expect(learnMinutes(made(1000)).shop[LOOK]!.factor).toBeCloseTo(1.05 ** 20, 3);
  });
  it('never more than three times longer or shorter, in whatever order they are added up', () => {
    fc.assert(
      fc.property(COUNTS, (counts) => {
        const learnt = learnMinutes(counts);
        for (const { factor } of Object.values(learnt.shop)) {
          expect(factor).toBeLessThan(3.1);
          expect(factor).toBeGreaterThan(1 / 3.1);
        }
        const turned = Object.fromEntries(Object.entries(counts).reverse());
        expect(JSON.stringify(learnMinutes(turned))).toBe(JSON.stringify(learnt));
      }),
    );
  });
  it('are what the plan reckons with', () => {
    const c = {
      machine: { kind: 'chainsaw', displacementCc: 45 } as const,
      history: {},
      evidence: [{ ref: '1', kind: 'complaint', complaint: 'fades-under-way' } as const],
      off: [],
    };
    const { next } = diagnose(c);
    const { check, minutes } = next[0]!;
    const pace = paceIn({ shop: { [check]: { factor: 2, times: 9 } } })!;
    const slower = diagnose({ ...c, pace }).next;
    const then = slower.find((n) => n.check === check);
    expect(then?.minutes).toBeCloseTo(minutes + trade(check), 6);
    expect(paceIn({ shop: { [check]: { factor: 1, times: 9 } } })).toBeNull();
  });
});
