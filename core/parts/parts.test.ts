import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountOf } from '../account';
import { CAUSE_IDS, FAMILY_IDS, LAYER_IDS, type CauseId } from '../knowledge';
import { caseOf, makeEntry, readJob, unnumbered, type Entry, type Noted, type Picture } from '../log';
import { rebuildOf } from '../rebuild';
import { partsFor, type PriceLine } from '../worth';
import {
  bestSource,
  doneOf,
  bookWithDrawer,
  fitsOn,
  jobParts,
  leastFor,
  orderList,
  PART_USES,
  partTable,
  readPartTable,
  servesFor,
  useName,
  wantsOf,
  waysFor,
  workingDaysOn,
  type Need,
  type Part,
  type Stocked,
  type Want,
} from './index';

const logOf = (...noted: Noted[]): Entry[] =>
  noted.map((one, n) => ({
    ...unnumbered(
      makeEntry(one, { id: `e${n}`, notedAt: new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString() }),
    ),
    seq: n + 1,
  }));
const wantedOf = (picture: Picture, catalogue: readonly Part[]): Want[] =>
  wantsOf(picture, accountOf(picture, caseOf(picture)), rebuildOf(picture), catalogue);
const wants = (catalogue: readonly Part[], ...noted: Noted[]): string[] => {
  const picture = readJob(logOf(...noted), { kind: 'chainsaw' });
  return wantedOf(picture, catalogue).map((w) => w.use);
};
const settles = (cause: CauseId): Noted => ({ kind: 'verdict', body: { settles: cause } });
const complains: Noted = { kind: 'complaint', body: { complaint: 'no-fire' } };
const decides = (choice: 'mend' | 'top-end' | 'as-it-is'): Noted => ({
  kind: 'decision',
  body: { choice, by: 'Odile', how: 'phone' },
});
const part = (id: string, more: Partial<Stocked> = {}): Stocked => ({
  id,
  name: id,
  uses: [],
  fits: [],
  holds: [],
  least: 0,
  price: 10_00,
  sources: [],
  instead: [],
  onHand: 0,
  held: 0,
  ...more,
});

describe('what a job wants', () => {
  it('is the part of what was settled, until it is tried', () => {
    expect(wants([], complains)).toEqual([]);
    expect(wants([], complains, settles('coil-failed'))).toEqual(['coil-failed']);
    const tried: Noted = { kind: 'repair', body: { cause: 'coil-failed', outcome: 'cured' } };
    expect(wants([], complains, settles('coil-failed'), tried)).toEqual([]);
  });

  it('is nothing for work that takes no part, and nothing that is poured', () => {
    for (const cause of ['coil-gap-wide', 'stale-fuel', 'idle-stop-wrong', 'metering-lever-high'] as const)
      expect(wants([], complains, settles(cause)), cause).toEqual([]);
    // Unless the shop keeps one for it.
    expect(wants([part('mix', { uses: ['stale-fuel'] })], complains, settles('stale-fuel'))).toEqual([
      'stale-fuel',
    ]);
  });

  it('is what was agreed of all that was found, as one job where one job mends it', () => {
    const found: Noted[] = [
      { kind: 'finding', body: { check: 'piston-exhaust-side', result: 'scored', sureness: 'sure' } },
      { kind: 'finding', body: { check: 'intake-boot', result: 'cracked', sureness: 'sure' } },
    ];
    expect(wants([], complains, ...found)).toEqual([]);
    expect(wants([], complains, ...found, decides('as-it-is'))).toEqual([]);
    expect(wants([], complains, ...found, decides('mend'))).toEqual(['intake-leak']);
    expect(wants([], complains, ...found, decides('top-end')).toSorted()).toEqual(['intake-leak', 'top-end']);
  });

  it('is what a school of renewing marks, instead of the faults it puts right; a kit stands for its layers', () => {
    const open: Noted[] = [
      complains,
      { kind: 'carburettor', body: { throat: 'butterfly', bulb: 'none' } },
      settles('metering-diaphragm-stiff'),
      { kind: 'took-off', body: { part: 'metering-cover' } },
      { kind: 'took-off', body: { layer: 'metering-diaphragm', condition: 'hard' } },
      { kind: 'took-off', body: { layer: 'metering-gasket', condition: 'sound' } },
    ];
    const renew = (answer: 'kit' | 'failed' | 'whole'): Noted => ({
      kind: 'rebuild-step',
      body: { step: 'renew', answer },
    });
    expect(wants([], ...open, renew('failed'))).toEqual(['metering-diaphragm']);
    expect(wants([], ...open, renew('kit'))).toEqual(['carburettor-rebuild']);
    expect(wants([], ...open, renew('whole'))).toEqual(['carburettor-whole']);
    const fitted: Noted = { kind: 'put-back', body: { layer: 'metering-diaphragm', renewed: true } };
    expect(wants([], ...open, renew('failed'), fitted)).toEqual([]);
    expect(wants([], ...open, renew('kit'), fitted)).toEqual([]);
  });

  it('a whole job that was settled on is one thing to fetch, once', () => {
    const kit: Noted = {
      kind: 'verdict',
      body: { settles: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild' },
    };
    expect(wants([], complains, kit)).toEqual(['carburettor-rebuild']);
    const fitted: Noted = {
      kind: 'repair',
      body: { cause: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome: 'untried' },
    };
    expect(wants([], complains, kit, fitted)).toEqual([]);
  });

  it('a broken safety part once the owner has agreed to mending, and not after they refused it', () => {
    const broken: Noted = {
      kind: 'finding',
      body: { check: 'safety-walkround', result: 'fault', sureness: 'sure', note: 'chain catcher broken' },
    };
    expect(wants([], complains, broken)).toEqual([]);
    expect(wants([], complains, broken, decides('mend'))).toEqual(['safety-part']);
    expect(wants([], complains, broken, decides('as-it-is'))).toEqual([]);
    const right: Noted = { kind: 'answered', body: { safety: 'put-right' } };
    expect(wants([], complains, broken, decides('mend'), right)).toEqual([]);
  });

  it('names what it comes from, and a closed job wants nothing', () => {
    const picture = readJob(logOf(complains, settles('coil-failed')), { kind: 'chainsaw' });
    expect(wantedOf(picture, [])[0]?.from).toEqual(['e1']);
    const closed: Noted = { kind: 'stage', body: { stage: 'closed', reason: 'sold' } };
    expect(wants([], complains, settles('coil-failed'), closed)).toEqual([]);
  });

  it('has a name for everything that a part may be for', () => {
    const names = PART_USES.map(useName);
    for (const name of names) expect(name.length).toBeGreaterThan(2);
    // Two that read alike could not be told apart where they are picked.
    expect(names.filter((n, at) => names.indexOf(n) !== at)).toEqual([]);
  });
});

describe('what was seen to', () => {
  const need = (more: Partial<Need>): Need => ({
    id: 'n',
    jobId: 'j',
    use: 'coil-failed',
    name: 'Coil',
    part: 'p',
    count: 1,
    state: 'reserved',
    source: null,
    expected: null,
    ...more,
  });
  const coil = { use: 'coil-failed', name: 'New coil', from: [] } as const;

  it('stands beside what is wanted; what is wanted no longer can go back, what was fitted or put down by hand stays', () => {
    expect(jobParts([coil], [])).toEqual([
      { use: 'coil-failed', name: 'New coil', need: null, now: 'wanted' },
    ]);
    expect(jobParts([coil], [need({})])[0]?.need?.id).toBe('n');
    expect(jobParts([], [need({})])[0]?.now).toBe('unwanted');
    expect(jobParts([], [need({ state: 'fitted' })])[0]?.now).toBe('wanted');
    expect(jobParts([], [need({ use: null })])[0]?.now).toBe('wanted');
    expect(jobParts([coil], [need({ state: 'dropped' })])[0]?.need).toBeNull();
  });
});

describe('work that is done', () => {
  const done = (...noted: Noted[]): string[] => {
    const picture = readJob(logOf(...noted), { kind: 'chainsaw' });
    return [...doneOf(accountOf(picture, caseOf(picture)), rebuildOf(picture))];
  };
  it('is a repair that was made, whatever came of it, and the job it belongs to; a part set aside for it may be in', () => {
    const repair: Noted = { kind: 'repair', body: { cause: 'coil-failed', outcome: 'no-change' } };
    expect(done(complains, settles('coil-failed'))).toEqual([]);
    expect(done(complains, settles('coil-failed'), repair)).toEqual(['coil-failed']);
    const scored: Noted = { kind: 'repair', body: { cause: 'piston-heat-scored', outcome: 'cured' } };
    expect(done(complains, scored)).toEqual(['piston-heat-scored', 'top-end']);
    const need: Need = {
      id: 'n',
      jobId: 'j',
      use: 'coil-failed',
      name: 'Coil',
      part: 'p',
      count: 1,
      state: 'reserved',
      source: null,
      expected: null,
    };
    expect(jobParts([], [need], new Set(['coil-failed']))[0]?.now).toBe('done');
  });

  it('is a layer that went back new, and with the kit the kit', () => {
    const layers: Noted[] = [
      complains,
      { kind: 'carburettor', body: { throat: 'butterfly', bulb: 'none' } },
      { kind: 'took-off', body: { layer: 'metering-diaphragm', condition: 'hard' } },
      { kind: 'rebuild-step', body: { step: 'renew', answer: 'kit' } },
    ];
    expect(done(...layers)).toEqual([]);
    const back: Noted = { kind: 'put-back', body: { layer: 'metering-diaphragm', renewed: true } };
    expect(done(...layers, back)).toEqual(['metering-diaphragm', 'carburettor-rebuild']);
  });
});

describe('where a part goes', () => {
  const saw = { kind: 'chainsaw', maker: 'Brakken', model: 'B45' } as const;
  it('is told by model, family or kind; one without any goes on anything', () => {
    expect(fitsOn(part('a'), saw)).toBe(true);
    expect(fitsOn(part('a', { fits: [{ maker: ' brakken', model: 'b45 ' }] }), saw)).toBe(true);
    expect(fitsOn(part('a', { fits: [{ maker: 'Brakken', model: 'B46' }] }), saw)).toBe(false);
    expect(fitsOn(part('a', { fits: [{ kind: 'trimmer' }, { kind: 'chainsaw' }] }), saw)).toBe(true);
    expect(fitsOn(part('a', { fits: [{ family: 'barrel/none' }] }), saw)).toBe(false);
    expect(fitsOn(part('a', { fits: [{ family: 'barrel/none' }] }), { ...saw, family: 'barrel/none' })).toBe(
      true,
    );
  });

  it('a kit serves for each layer it holds', () => {
    const kit = part('kit', { uses: ['carburettor-rebuild'], holds: ['inlet-needle'] });
    expect(servesFor(kit, 'inlet-needle')).toBe(true);
    expect(servesFor(kit, 'inlet-screen')).toBe(false);
    expect(servesFor(kit, 'carburettor-rebuild')).toBe(true);
  });
});

describe('ways to a part', () => {
  const at = (parts: readonly Stocked[], promisedFor: string | null = null) => ({
    machine: { kind: 'chainsaw', maker: 'Brakken', model: 'B45' } as const,
    parts,
    book: [],
    // A Thursday.
    today: '2026-11-26',
    promisedFor,
  });
  const kinds = (...args: Parameters<typeof waysFor>): string[] => waysFor(...args).map((w) => w.kind);
  const quick = { name: 'Quick', waitDays: 1 };
  const slow = { name: 'Slow', waitDays: 15 };

  it('counts working days over the weekend', () => {
    expect(workingDaysOn('2026-11-26', 0)).toBe('2026-11-26');
    expect(workingDaysOn('2026-11-26', 1)).toBe('2026-11-27');
    expect(workingDaysOn('2026-11-26', 2)).toBe('2026-11-30');
  });

  it('the drawer comes first, but nothing that is set aside for another', () => {
    const coil = part('coil', { uses: ['coil-failed'], sources: [quick], onHand: 1 });
    expect(kinds('coil-failed', at([coil]))).toEqual(['drawer', 'order']);
    expect(kinds('coil-failed', at([{ ...coil, held: 1 }]))).toEqual(['order']);
  });

  it('a substitute in the drawer beats the right part in three weeks only where the promise would break', () => {
    const other = part('other', { onHand: 2 });
    const coil = part('coil', {
      uses: ['coil-failed'],
      sources: [slow],
      instead: [{ part: 'other', condition: 'Longer leg: punch the lower hole' }],
    });
    expect(kinds('coil-failed', at([coil, other]))).toEqual(['order', 'instead']);
    const soon = waysFor('coil-failed', at([coil, other], '2026-12-01'));
    expect(soon.map((w) => [w.kind, w.inTime])).toEqual([
      ['instead', true],
      ['order', false],
    ]);
    expect(soon[0]?.condition).toBe('Longer leg: punch the lower hole');
  });

  it('a donor’s part is named with its condition; where all is late, the soonest comes first', () => {
    const coil = part('coil', { uses: ['coil-failed'], sources: [slow, { ...quick, cost: 9_00 }] });
    const used = part('used', {
      uses: ['coil-failed'],
      onHand: 1,
      donor: { tag: 88, condition: 'strong spark when taken out' },
    });
    const ways = waysFor('coil-failed', at([coil, used], '2026-11-25'));
    expect(ways.map((w) => w.kind)).toEqual(['donor', 'order', 'order']);
    expect(ways[0]?.condition).toBe('strong spark when taken out');
    expect(ways.every((w) => w.inTime === false)).toBe(true);
    expect(ways[1]?.cost).toBe(9_00);
  });

  it('what nobody has on the books is looked for, at the price book’s wait', () => {
    const [only] = waysFor('coil-failed', at([]));
    expect(only).toMatchObject({ kind: 'order', part: null, days: 4, price: 38_00 });
    expect(waysFor('lever-pin', at([]))[0]).toMatchObject({ part: null, days: 3, price: 0 });
  });

  it('never proposes a part that does not fit, or of which none is free', () => {
    const stocked = fc
      .record({
        onHand: fc.nat(3),
        held: fc.nat(3),
        use: fc.constantFrom('coil-failed' as const, 'plug-failed' as const),
        kind: fc.constantFrom('chainsaw' as const, 'trimmer' as const),
      })
      .map(({ onHand, held, use, kind }) =>
        part(`${onHand}${held}${use}${kind}`, {
          onHand,
          held: Math.min(held, onHand),
          uses: [use],
          fits: [{ kind }],
          sources: [quick],
        }),
      );
    fc.assert(
      fc.property(fc.array(stocked, { maxLength: 8 }), (parts) => {
        for (const w of waysFor('coil-failed', at(parts))) {
          if (!w.part) continue;
          expect(w.part.fits).toEqual([{ kind: 'chainsaw' }]);
          expect(w.part.uses).toEqual(['coil-failed']);
          if (w.kind === 'drawer') expect(w.part.onHand).toBeGreaterThan(w.part.held);
        }
      }),
    );
  });
});

describe('the catalogue in the price book', () => {
  const saw = { kind: 'chainsaw', maker: 'Brakken', model: 'B45' } as const;
  const coil = (more: Partial<Stocked>): Stocked =>
    part('coil', {
      uses: ['coil-failed'],
      fits: [{ kind: 'chainsaw' }],
      sources: [{ name: 'Slow', waitDays: 9 }],
      ...more,
    });

  it('says what a part costs and when it is here: at once from the drawer, else from where it comes', () => {
    const price = (...parts: Stocked[]) => partsFor(bookWithDrawer([], parts), 'coil-failed', saw);
    expect(price(coil({ onHand: 1 }))).toMatchObject({ price: 10_00, waitDays: 0, from: 'kind' });
    expect(price(coil({ onHand: 1, held: 1 }))).toMatchObject({ price: 10_00, waitDays: 9 });
    // What lies there comes before a cheaper one that does not.
    expect(price(coil({ price: 5_00 }), coil({ onHand: 1 }))).toMatchObject({ price: 10_00, waitDays: 0 });
    // Of a donor there is no price for the next one, and what does not fit says nothing.
    expect(price(coil({ donor: { tag: 8, condition: 'good' }, onHand: 1 })).from).toBe('usual');
    expect(price(coil({ fits: [{ kind: 'trimmer' }] })).from).toBe('usual');
    // A price that somebody wrote down stands; the drawer says when it is here.
    const line: PriceLine = { what: 'coil-failed', kind: 'chainsaw', price: 44_00, waitDays: 5 };
    expect(partsFor(bookWithDrawer([line], [coil({ onHand: 1 })]), 'coil-failed', saw)).toMatchObject({
      price: 44_00,
      waitDays: 0,
    });
    expect(partsFor(bookWithDrawer([line], []), 'coil-failed', saw).waitDays).toBe(5);
  });
});

describe('the order list', () => {
  const plug = part('plug', { cost: 3_00, least: 5, onHand: 2, sources: [{ name: 'Ferrel', waitDays: 2 }] });
  const coil = part('coil', { cost: 25_00, sources: [{ name: 'Ferrel', waitDays: 4, cost: 24_00 }] });

  it('holds what jobs want and what fills the drawer up, by source with totals', () => {
    const [order, ...more] = orderList([plug, coil], [{ part: 'coil', count: 1, source: null }], new Map());
    expect(more).toEqual([]);
    expect(order).toMatchObject({ source: 'Ferrel', waitDays: 4, total: 3 * 3_00 + 24_00 });
    expect(order?.lines.map((l) => [l.part.id, l.forJobs, l.forDrawer])).toEqual([
      ['plug', 0, 3],
      ['coil', 1, 0],
    ]);
  });

  it('does not order twice what is on its way, and counts what is set aside as gone', () => {
    expect(orderList([plug], [], new Map([['plug', 3]]))).toEqual([]);
    expect(orderList([{ ...plug, held: 2 }], [], new Map())[0]?.lines[0]?.forDrawer).toBe(5);
    expect(orderList([{ ...plug, least: 2 }], [], new Map())).toEqual([]);
  });

  it('goes where the technician would have it from, else where it comes from soonest; without a source it stands apart', () => {
    const two = part('two', {
      sources: [
        { name: 'Slow', waitDays: 9, cost: 1_00 },
        { name: 'Fast', waitDays: 1 },
      ],
    });
    expect(bestSource(two)?.name).toBe('Fast');
    expect(
      orderList([two], [{ part: 'two', count: 1, source: 'Slow' }], new Map()).map((o) => [
        o.source,
        o.total,
      ]),
    ).toEqual([['Slow', 1_00]]);
    expect(orderList([part('none')], [{ part: 'none', count: 2, source: null }], new Map())).toMatchObject([
      { source: '', total: 20_00 },
    ]);
  });
});

describe('how many should lie there', () => {
  it('is by what was used while new ones come: none to go by below two', () => {
    expect(leastFor({ used: 1, days: 365, waitDays: 4 })).toBe(0);
    expect(leastFor({ used: 2, days: 0, waitDays: 4 })).toBe(0);
    // 52 a year, a week's wait: one expected meanwhile; with two in the drawer it lasts nine times in ten (0.92).
    expect(leastFor({ used: 52, days: 364, waitDays: 4 })).toBe(2);
    // Two a year, next day: hardly ever two at once.
    expect(leastFor({ used: 2, days: 365, waitDays: 1 })).toBe(1);
    expect(leastFor({ used: 5000, days: 365, waitDays: 20 })).toBe(20);
  });

  it('more used or a longer wait never asks for fewer', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 300 }), fc.integer({ min: 0, max: 40 }), (used, waitDays) => {
        const n = leastFor({ used, days: 365, waitDays });
        expect(leastFor({ used: used + 1, days: 365, waitDays })).toBeGreaterThanOrEqual(n);
        expect(leastFor({ used, days: 365, waitDays: waitDays + 1 })).toBeGreaterThanOrEqual(n);
      }),
    );
  });
});

describe('a catalogue as a table', () => {
  const word = fc.stringMatching(/^[A-Za-z][A-Za-z0-9 .,"-]{0,20}[A-Za-z0-9]$/);
  const cents = fc.integer({ min: 0, max: 10_000_00 });
  const fit = fc.oneof(
    fc.record({ maker: word, model: word }),
    fc.record({ family: fc.constantFrom(...FAMILY_IDS) }),
    fc.record({ kind: fc.constantFrom('trimmer' as const, 'edger' as const) }),
  );
  const anyPart = fc
    .record({
      name: word,
      uses: fc.uniqueArray(fc.constantFrom(...CAUSE_IDS), { maxLength: 3 }),
      fits: fc.array(fit, { maxLength: 3 }),
      holds: fc.uniqueArray(fc.constantFrom(...LAYER_IDS), { maxLength: 3 }),
      least: fc.nat(9),
      price: cents,
      sources: fc.uniqueArray(fc.record({ name: word, waitDays: fc.nat(365) }), {
        maxLength: 2,
        selector: (s) => s.name,
      }),
      onHand: fc.nat(50),
    })
    .map((p) => part('', { ...p }));

  it('comes back as it was written, new or in place of what it was', () => {
    fc.assert(
      fc.property(fc.array(anyPart, { minLength: 1, maxLength: 8 }), (parts) => {
        const coded = parts.map((p, n) => ({ ...p, id: `${n}`, code: `C${n}` }));
        const read = readPartTable(partTable(coded), []);
        expect('rows' in read && read.rows.map((r) => [r.is, r.count])).toEqual(
          coded.map((p) => ['new', p.onHand]),
        );
        const again = readPartTable(partTable(coded), coded);
        expect('rows' in again && again.rows.map(({ part: { instead: _, ...p } }) => p)).toEqual(
          coded.map(({ onHand: _1, held: _2, instead: _3, ...p }) => p),
        );
      }),
      { numRuns: 200 },
    );
  });

  it('names every row that is wrong before anything changes', () => {
    const text = [
      'name,code,uses,fits,holds,shelf,least,price,cost,sources,instead,count',
      'Plug,P1,plug-failed,kind:trimmer,,B3,2,5.00,3,Ferrel|2|2.90,,7',
      ',P2,,,,,,5,,,,',
      'Coil,P3,spark,,,,,5,,,,',
      'Coil,P4,,trimmer,,,,5,,,,',
      'Coil,P5,,model:Brakken,,,,5,,,,',
      'Coil,P6,,,,,-1,5,,,,',
      'Coil,P7,,,,,,,,,,',
      'Coil,P8,,,,,,5,,Ferrel,,',
      'Coil,P9,,,,,,5,,,P1,',
      'Coil,P10,,,,,,5,,,P99|see,',
      'Coil,P1,,,,,,5,,,,',
      'Coil,P11,,,bulb,,,5,,,,',
      'Coil,P12,,,,,,5,,,,many',
    ].join('\n');
    expect(readPartTable(text, [])).toEqual({
      problems: [
        'Line 3: there is no name.',
        'Line 4: uses "spark" is not one.',
        'Line 5: fits "trimmer" is none of model:MAKER|MODEL, family:NAME, kind:NAME.',
        'Line 6: fits "model:Brakken" is none of model:MAKER|MODEL, family:NAME, kind:NAME.',
        'Line 7: least: -1 is outside 0 to 100000.',
        'Line 8: there is no price.',
        'Line 9: sources: days: "" is not a number.',
        'Line 10: instead "P1" is not CODE|WHAT TO SEE TO.',
        'Line 12: it is the same part as line 2.',
        'Line 13: holds "bulb" is not one.',
        'Line 14: count: "many" is not a number.',
        'Line 11: instead names "P99", and there is no such part.',
      ],
    });
  });

  it.each([
    ['', 'The table is empty.'],
    ['name,price', 'The table has a heading and nothing under it.'],
    ['name,wait', 'The heading has a column "wait" that no part has.'],
    ['name,code\nx,', 'The heading has no column "price".'],
  ])('says what is wrong with %j', (text, says) => {
    expect(readPartTable(text, [])).toEqual({ problems: [says] });
  });
});
