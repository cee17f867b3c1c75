import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { diagnose, HANDLING_MINUTES, type Case } from '../diagnosis';
import { causeOf, checkOf, remedyMinutes, remedyOf, type CheckId, type ComplaintId } from '../knowledge';
import type { TrailLine } from '../log';
import { learnMinutes, paceOf, pacesIn, timeKey, timesIn, type TimeCounts } from '.';

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
  it('opening counts as opening', () => {
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

  it('are the repair itself where what it lies behind was off already', () => {
    const { minutes } = causeOf('coil-gap-wide');
    const opened = [found(0, SMELL), line(10, 'took-off', { part: 'recoil' })];
    // Off and on it would be 7.2 of them; half of it is the repair itself at least.
    expect(timesIn([...opened, mended(10 + minutes / 2, coil)]).at(-1)).toEqual({
      task: 'coil-gap-wide',
      by: 'a',
      step: 0,
    });
    const shut = [...opened, line(14, 'put-back', { part: 'recoil' })];
    expect(timesIn([...shut, mended(14 + minutes, coil)]).at(-1)).toMatchObject({ step: 0 });
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
});

describe('the times of openings and rebuilds', () => {
  const off = (at: number, body: object): Timed => line(at, 'took-off', body);
  const on = (at: number, body: object): Timed => line(at, 'put-back', body);

  it('tell how long a part took to come off, and to go on again', () => {
    // By the trade seven off, and four fifths of that on.
    expect(timesIn([found(0, SMELL), off(14, { part: 'muffler' })])).toEqual([
      { task: 'muffler', by: 'a', step: 14 },
    ]);
    expect(timesIn([found(0, SMELL), on(5.6, { part: 'muffler' })])).toEqual([
      { task: 'muffler', by: 'a', step: 0 },
    ]);
  });
  it('tell the minutes of an opening that was most of what was noted with a check', () => {
    expect(timesIn([found(0, SMELL), off(9, { part: 'muffler' }), found(9.01, 'ring-free')])).toEqual([
      { task: 'muffler', by: 'a', step: 0 },
    ]);
    // Air box and both covers: none of them is most of it.
    const several = ['air-box', 'metering-cover', 'pump-cover'].map((part) => off(9, { part }));
    expect(timesIn([found(0, SMELL), ...several])).toEqual([]);
  });
  it('tell how long layers take, one by one or several in one go; one that was not there took none', () => {
    const layers = [off(0.8, { layer: 'inlet-screen' }), off(2.4, { layer: 'inlet-needle' })];
    expect(timesIn([found(0, SMELL), ...layers])).toEqual([
      { task: 'layer-off', by: 'a', step: 0 },
      { task: 'layer-off', by: 'a', step: 14 },
    ]);
    const both = [on(1.4, { layer: 'inlet-needle' }), on(1.41, { layer: 'inlet-screen' })];
    expect(timesIn([found(0, SMELL), ...both])).toEqual([{ task: 'layer-back', by: 'a', step: 0 }]);
    expect(timesIn([found(0, SMELL), on(1.2, { layer: 'inlet-screen', renewed: true })])).toEqual([
      { task: 'layer-new', by: 'a', step: 0 },
    ]);
    expect(timesIn([found(0, SMELL), off(2, { layer: 'inlet-screen', condition: 'missing' })])).toEqual([]);
    expect(timesIn([found(0, SMELL), off(2, { thing: 'bent washer' })])).toEqual([]);
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

/** A saw brought in for this, and nothing known of it. */
const sawThat = (complaint: ComplaintId): Case => ({
  machine: { kind: 'chainsaw', displacementCc: 45 },
  history: {},
  evidence: [{ ref: '1', kind: 'complaint', complaint }],
  off: [],
});

describe('the minutes that are learnt', () => {
  it('are the trade’s drawn towards the shop’s, from the fifth time on, and somebody’s own from the eighth', () => {
    const made = (n: number): TimeCounts => ({ [`${LOOK} a 20`]: n });
    expect(learnMinutes(made(4))).toEqual({ shop: {}, own: {} });
    expect(learnMinutes(made(5)).shop[LOOK]).toEqual({ factor: 1.8856, times: 5 });
    expect(learnMinutes(made(7)).own).toEqual({});
    expect(learnMinutes(made(8)).own['a']?.[LOOK]?.times).toBe(8);
    expect(learnMinutes(made(1000)).shop[LOOK]!.factor).toBeCloseTo(1.05 ** 20, 3);
  });
  it('are somebody’s own by what the shop’s are, as far as there are few', () => {
    const learnt = learnMinutes({ [`${LOOK} a 20`]: 1000, [`${LOOK} b -20`]: 8 });
    const steps = (factor: number): number => Math.log(factor) / Math.log(1.05);
    // Eight of their own at 20 the other way, three of the shop's word.
    expect(steps(learnt.own['b']![LOOK]!.factor)).toBeCloseTo((8 * -20 + 3 * 20) / 11, 0);
    const paces = pacesIn(learnt);
    expect(paceOf(paces, 'a')).toEqual(paces!.shop);
    expect(paceOf(paces, 'b')![LOOK]).toBe(learnt.own['b']![LOOK]!.factor);
    expect(paceOf(paces, null)).toEqual(paces!.shop);
    expect(paceOf(null, 'b')).toBeUndefined();
    // Who works as the trade says in a slow shop is reckoned with as such.
    const quick = pacesIn({
      shop: { [LOOK]: { factor: 2, times: 9 } },
      own: { b: { [LOOK]: { factor: 1, times: 9 } } },
    });
    expect(paceOf(quick, 'b')).toEqual({ [LOOK]: 1 });
    expect(pacesIn({ shop: { [LOOK]: { factor: 1, times: 9 } }, own: {} })).toBeNull();
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
    const c = sawThat('fades-under-way');
    const { next } = diagnose(c);
    const { check, minutes } = next[0]!;
    const slower = diagnose({ ...c, pace: { [check]: 2 } }).next;
    const then = slower.find((n) => n.check === check);
    expect(then?.minutes).toBeCloseTo(minutes + trade(check), 6);
  });
  it('of openings are too: what lies behind a slow cover is worth less', () => {
    const c = sawThat('wont-reach-speed');
    const muffler = (pace: object) =>
      diagnose({ ...c, pace }).next.find((n) => n.opens.includes('muffler-cover'))!;
    const [usual, slow] = [muffler({}), muffler({ 'muffler-cover': 2 })];
    expect(slow.check).toBe(usual.check);
    expect(slow.minutes).toBeCloseTo(usual.minutes + 4, 6);
    expect(slow.net).toBeLessThan(usual.net);
  });
});
