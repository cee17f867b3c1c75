import fc from 'fast-check';
import jstat from 'jstat';
import { describe, expect, it } from 'vitest';
import { chanceFrom } from '../chance';
import type { Evidence } from '../diagnosis';
import { likelyIn, type Case } from '../diagnosis';
import {
  CAUSE_IDS,
  CHOICE_IDS,
  type CauseId,
  type CheckId,
  type ChoiceId,
  type ComplaintId,
  type History,
} from '../knowledge';
import type { MachineFacts } from '../machine';
import { samples } from '../testing';
import {
  isCharged,
  jobsFor,
  moneyWords,
  oneMoreCheck,
  partsFor,
  type PriceLine,
  PRICED_IDS,
  quote,
  USUAL_RULES,
  withTax,
  worthOf,
  type Reckoning,
  type Worth,
  type WorthAsked,
} from './index';

const SAW: MachineFacts = { kind: 'chainsaw', displacementCc: 45 };
const by = (more: Partial<Reckoning> = {}): Reckoning => ({
  rules: USUAL_RULES,
  book: [],
  machine: SAW,
  ...more,
});
type Said = { complaint: ComplaintId } | { check: CheckId; result: string };
const caseOf = (machine: MachineFacts, history: History, ...said: Said[]): Case => ({
  machine,
  history,
  off: [],
  evidence: said.map((one, n): Evidence =>
    'complaint' in one
      ? { ref: `${n}`, kind: 'complaint', ...one }
      : { ref: `${n}`, kind: 'finding', sureness: 'sure', ...one },
  ),
});
const asked = (c: Case, more: Partial<WorthAsked> = {}): WorthAsked => ({
  ...by({ machine: c.machine }),
  likely: likelyIn(c),
  hardUse: false,
  ageYears: null,
  squeezePsi: null,
  behindOpen: [],
  ...more,
});
const offered = (w: Worth, id: ChoiceId) => w.choices.find((c) => c.id === id);
const refused = (w: Worth, id: ChoiceId) => w.notOffered.find((c) => c.id === id)?.rule;

const scored = caseOf(
  SAW,
  { dailyUse: true },
  { complaint: 'no-fire' },
  { check: 'compression-gauge', result: 'low' },
  { check: 'piston-exhaust-side', result: 'scored' },
);
const stiff = caseOf(
  { kind: 'trimmer', displacementCc: 25 },
  {},
  { complaint: 'runs-on-prime-then-dies' },
  { check: 'metering-diaphragm', result: 'stiff' },
);
const onlyFelt = caseOf(
  SAW,
  { dailyUse: true },
  { complaint: 'weak-under-load' },
  { check: 'pull-feel', result: 'weak' },
);

describe('a quote, against one worked by hand', () => {
  it('a plug: 3 and 15 minutes at 48.00 and 5.00 for it come to less than the fee for looking, which is paid then', () => {
    // 18 min = 14.40; + 5.00 = 19.40; the fee is 25.00; a fifth of tax.
    expect(quote(['plug-failed'], by())).toMatchObject({
      minutes: 18,
      labour: 14_40,
      parts: 5_00,
      price: 30_00,
      days: 1,
    });
  });

  it('nothing under the smallest charge; the fee comes on top where it is not credited', () => {
    const rules = { ...USUAL_RULES, smallestCharge: 30_00 };
    expect(quote(['idle-stop-wrong'], by({ rules })).price).toBe(36_00);
    expect(quote(['idle-stop-wrong'], by({ rules: { ...rules, feeCredited: false } })).price).toBe(66_00);
    expect(quote([], by()).price).toBe(30_00);
  });

  it('takes the minutes that repairs take here, of one cause and of a whole job', () => {
    const minutes = (pace?: Parameters<typeof jobsFor>[1]) =>
      jobsFor(['coil-gap-wide', 'ring-stuck'], pace).map((x) => x.minutes);
    const [top, gap] = minutes();
    expect(minutes({ 'coil-gap-wide': 2, 'top-end': 0.5 })).toEqual([top! * 0.5, gap! * 2]);
    expect(minutes({ 'plug-failed': 3 })).toEqual([top, gap]);
    const usual = quote(['coil-gap-wide'], by());
    const slower = quote(['coil-gap-wide'], { ...by(), pace: { 'coil-gap-wide': 2 } });
    expect(slower.minutes - usual.minutes).toBeCloseTo(gap!, 9);
    expect(slower.labour).toBeGreaterThan(usual.labour);
  });

  it('two faults of one carburettor are one job with one kit; a tampered one is replaced whole', () => {
    expect(jobsFor(['metering-diaphragm-stiff', 'inlet-screen-clogged']).map((j) => j.id)).toEqual([
      'carburettor-rebuild',
    ]);
    expect(jobsFor(['carb-tampered', 'metering-lever-low', 'plug-failed']).map((j) => j.id)).toEqual([
      'carburettor-whole',
      'plug-failed',
    ]);
    expect(jobsFor(['bottom-end-worn', 'piston-heat-scored']).map((j) => j.id)).toEqual(['bottom-end']);
  });

  it('tax is to the cent, halves up', () => {
    expect([withTax(12_345, 200), withTax(5, 100), withTax(4, 100), withTax(1, 0)]).toEqual([
      14_814, 6, 4, 1,
    ]);
  });

  it('money is written to the cent, to the whole, or as it is', () => {
    const { exact, about, said } = moneyWords('EUR');
    expect([exact(5_00), about(5_49), about(5_50), said(5_00), said(5_05)]).toEqual([
      '€5.00',
      '€5',
      '€6',
      '€5',
      '€5.05',
    ]);
  });

  it('prices are the model’s before the kind’s before the shop’s before the usual', () => {
    const machine = { ...SAW, maker: 'Brakken', model: 'B45' };
    const line = (price: number, more: object = {}) => ({
      what: 'plug-failed' as const,
      price,
      waitDays: 2,
      ...more,
    });
    const book = [
      line(7_00),
      line(8_00, { kind: 'chainsaw' }),
      line(9_00, { maker: 'brakken ', model: 'b45' }),
    ];
    expect(partsFor(book, 'plug-failed', machine)).toMatchObject({ price: 9_00, from: 'model' });
    const barrel = { kind: 'trimmer', family: 'barrel/none' } as const;
    const kits: PriceLine[] = [
      { what: 'carburettor-rebuild', price: 16_00, waitDays: 0 },
      { what: 'carburettor-rebuild', kind: 'trimmer', price: 15_00, waitDays: 0 },
      { what: 'carburettor-rebuild', family: 'barrel/none', price: 21_00, waitDays: 2 },
    ];
    expect(partsFor(kits, 'carburettor-rebuild', barrel)).toMatchObject({ price: 21_00, from: 'family' });
    expect(partsFor(kits, 'carburettor-rebuild', { kind: 'trimmer' })).toMatchObject({ from: 'kind' });
    expect(partsFor(kits, 'carburettor-rebuild', SAW)).toMatchObject({ price: 16_00, from: 'shop' });
    expect(partsFor(book, 'plug-failed', SAW)).toMatchObject({ price: 8_00, from: 'kind' });
    expect(partsFor(book, 'plug-failed', { kind: 'blower' })).toMatchObject({ price: 7_00, from: 'shop' });
    expect(partsFor([], 'plug-failed', machine)).toMatchObject({ price: 5_00, from: 'usual' });
  });

  const set = fc.subarray([...CAUSE_IDS], { maxLength: 5 });
  it('each cause is in one job, every job has a price, and more damage is never cheaper', () => {
    fc.assert(
      fc.property(set, fc.constantFrom(...CAUSE_IDS), (causes, more) => {
        const jobs = jobsFor(causes);
        expect(jobs.flatMap((j) => j.mends).toSorted()).toEqual(causes.toSorted());
        for (const job of jobs) expect(PRICED_IDS).toContain(job.id);
        const worse = quote([...new Set([...causes, more])], by()).price;
        if (causes.length > 0) expect(worse).toBeGreaterThanOrEqual(quote(causes, by()).price);
        expect(Number.isInteger(worse)).toBe(true);
      }),
      { numRuns: samples(1000, 3000) },
    );
  });
});

describe('the choices', () => {
  it('one fault that is seen: mend it, and its price is all but closed', () => {
    const w = worthOf(asked(stiff));
    expect(w.best).toBe('mend');
    const mend = offered(w, 'mend')!;
    expect(mend.price.high - mend.price.low).toBeLessThan(25_00);
    expect(mend.right).toBeGreaterThan(0.9);
    expect(mend.jobs[0]!.job.id).toBe('metering-diaphragm-stiff');
    expect(refused(w, 'replace')).toBe('far-from-new');
    expect(refused(w, 'top-end')).toBe('no-damage');
  });

  it('a certain cause closes the range', () => {
    const likely = {
      found: ['coil-failed'] as CauseId[],
      sets: [{ causes: [], probability: 1 }],
      complaints: ['no-fire'] as ComplaintId[],
    };
    const { price, days } = offered(worthOf(asked(stiff, { likely })), 'mend')!;
    expect([price.low, price.high]).toEqual([price.mean, price.mean]);
    expect(days.low).toBe(days.high);
  });

  it('no top end before what caused it is found, nor over a loose rod', () => {
    expect(refused(worthOf(asked(scored, { behindOpen: ['intake-leak'] })), 'top-end')).toBe('cause-unfound');
    expect(offered(worthOf(asked(scored)), 'top-end')).toBeDefined();
    const loose = caseOf(
      SAW,
      {},
      { complaint: 'rattle-or-scrape' },
      { check: 'rod-play', result: 'vertical' },
    );
    const w = worthOf(asked(loose));
    expect(refused(w, 'bare')).toBe('rod-loose');
    expect(offered(w, 'short-block')!.against?.rule).toBe('price-share');
    expect(w.best).toBe('replace');
  });

  it('over the shop’s share of a like one it is advised against, sooner when it is used hard', () => {
    const dear = { ...USUAL_RULES, mostShare: 100, mostShareHard: 35 };
    expect(offered(worthOf(asked(scored, { rules: dear })), 'top-end')!.against).toBeNull();
    expect(offered(worthOf(asked(scored, { rules: dear, hardUse: true })), 'top-end')!.against?.rule).toBe(
      'price-share-hard',
    );
  });

  it('under the shop’s floor of squeeze the owner is asked first: at the floor not yet', () => {
    expect(worthOf(asked(scored, { squeezePsi: 89.9 })).askFirst?.rule).toBe('squeeze-floor');
    expect(worthOf(asked(scored, { squeezePsi: 90 })).askFirst).toBeNull();
  });

  it('bare leaves the damage in, says so, and gives a short life', () => {
    const both = caseOf(
      SAW,
      {},
      { complaint: 'runs-on-prime-then-dies' },
      { check: 'metering-diaphragm', result: 'stiff' },
      { check: 'ring-free', result: 'stuck' },
    );
    const bare = offered(worthOf(asked(both)), 'bare')!;
    expect(bare.leaves[0]).toEqual({ cause: 'ring-stuck', chance: expect.closeTo(1, 5) as number });
    expect(bare.seasons).toBeLessThan(1.2);
    expect(bare.back).toBeGreaterThan(0.6);
    expect(bare.price.mean).toBeLessThan(offered(worthOf(asked(both)), 'top-end')!.price.low);
  });

  it('left as it is costs the fee, runs no better, and has no price a season', () => {
    expect(offered(worthOf(asked(stiff)), 'as-it-is')).toMatchObject({
      right: 0,
      perSeason: null,
      price: { mean: 30_00 },
    });
  });

  it('what the technician changes stands, is marked as theirs, and counts in the verdict', () => {
    const set = new Map<ChoiceId, object>([
      ['mend', { price: 400_00, days: 9 }],
      ['replace', { price: 190_00 }],
      ['as-it-is', { offered: false, words: 'He wants it gone.' }],
    ]);
    const w = worthOf(asked(stiff, { set }));
    expect(offered(w, 'mend')).toMatchObject({
      byHand: true,
      price: { low: 400_00, high: 400_00 },
      days: { mean: 9 },
      against: { rule: 'price-share' },
    });
    expect(w.best).toBe('replace');
    expect(w.notOffered.find((n) => n.id === 'as-it-is')).toMatchObject({
      rule: 'by-hand',
      says: 'He wants it gone.',
    });
  });

  it('every choice is offered or says why not', () => {
    for (const c of [scored, stiff, onlyFelt]) {
      const w = worthOf(asked(c));
      expect([...w.choices.map((o) => o.id), ...w.notOffered.map((o) => o.id)].toSorted()).toEqual(
        [...CHOICE_IDS].toSorted(),
      );
      for (const n of w.notOffered) expect(n.says).toMatch(/\.$/);
    }
  });

  it('what it is expected to cost is what it costs over 10,000 machines drawn from what is believed', () => {
    for (const c of [scored, stiff, onlyFelt]) {
      for (const choice of worthOf(asked(c)).choices) {
        const chance = chanceFrom(choice.id.length * 7919);
        const costs: number[] = [];
        const [runs, draws] = [{ n: 0 }, 10_000];
        for (let n = 0; n < draws; n++) {
          let at = chance();
          const course = choice.courses.find((o) => (at -= o.probability) <= 0) ?? choice.courses.at(-1)!;
          const right = chance() < course.right;
          if (right) runs.n++;
          const back = right ? course.risks.filter((r) => chance() < r.chance) : [];
          costs.push(course.price + back.reduce((sum, r) => sum + r.owner, 0));
        }
        const expected = choice.price.mean + choice.returnCost;
        // Four times what so many draws are off by.
        const most = (4 * jstat.stdev(costs, true)) / Math.sqrt(draws) + 1;
        expect(Math.abs(jstat.mean(costs) - expected), choice.id).toBeLessThanOrEqual(most);
        expect(Math.abs(runs.n / draws - choice.right)).toBeLessThan(0.02);
      }
    }
  });
});

describe('one more check before a price is named', () => {
  it('the squeeze is looked at before a saw that only feels weak is given up', () => {
    const { likely: _likely, ...rest } = asked(onlyFelt, { hardUse: true });
    const more = oneMoreCheck(onlyFelt, rest, [
      'compression-gauge',
      'cylinder-peep',
      'fuel-smell',
      'pull-feel',
    ]);
    expect(more.map((m) => m.check)).toContain('cylinder-peep');
    expect(more.map((m) => m.check)).not.toContain('pull-feel');
    const [first] = more;
    expect(first!.saves).toBeGreaterThan(5_00);
    expect(first!.changes.some((o) => o.best === 'mend')).toBe(true);
  });

  it('nothing is asked where nothing could change', () => {
    const { likely: _likely, ...rest } = asked(stiff);
    expect(oneMoreCheck(stiff, rest, ['compression-gauge', 'tank-vent', 'fuel-smell'])).toEqual([]);
  });
});

describe('what is charged of work that may not have been the cure', () => {
  const act = (of: object): Parameters<typeof isCharged>[0] =>
    ({ credit: [], sure: false, tried: true, share: 0.01, rivalled: true, ...of }) as never;
  it('is what somebody found and named, and not a repair that hardly was it', () => {
    expect(isCharged(act({ repair: { other: 'bolt in the fan', outcome: 'cured' }, sure: true }))).toBe(true);
    expect(isCharged(act({ repair: { cause: 'coil-failed', outcome: 'cured' } }))).toBe(false);
    expect(isCharged(act({ repair: { cause: 'coil-failed', outcome: 'cured' }, share: 0.12 }))).toBe(true);
    expect(isCharged(act({ repair: { other: 'bolt in the fan', outcome: 'no-change' } }))).toBe(false);
  });
});
