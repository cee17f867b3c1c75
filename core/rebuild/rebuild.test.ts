import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  BULBS,
  CHECK_IDS,
  checkOf,
  CONDITIONS,
  conditionWords,
  familyOf,
  LAYER_IDS,
  layerOf,
  resultOf,
  tellsOf,
  THROATS,
  toOpen,
  type Carburettor,
  type CheckId,
  type Condition,
  type Line,
  type PartId,
  type StackId,
} from '../knowledge';
import {
  makeEntry,
  offToStart,
  partsOff,
  readJob,
  unnumbered,
  type Entry,
  type Noted,
  type Picture,
} from '../log';
import { samples } from '../testing';
import {
  adviseLayer,
  CAPS,
  guideOf,
  inFrontOf,
  isCover,
  leftOfKit,
  makeUpOf,
  mendedBy,
  placeOf,
  rebuildOf,
  renewalChoices,
  type RenewalPrices,
  renewsBy,
  screwsOf,
  staysIn,
  type GuideStep,
  type Rebuild,
} from './index';

/** A log that grows by what is noted. */
class Bench {
  readonly entries: Entry[] = [];
  note(...noted: Noted[]): this {
    for (const one of noted) {
      const n = this.entries.length;
      const notedAt = new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString();
      this.entries.push({ ...unnumbered(makeEntry(one, { id: `e${n}`, notedAt })), seq: n + 1 });
    }
    return this;
  }
  off(...layers: (StackId | [StackId, Condition])[]): this {
    for (const one of layers) {
      const [id, condition] = typeof one === 'string' ? [one] : one;
      this.note({
        kind: 'took-off',
        body: isCover(id) ? { part: id } : { layer: id, ...(condition && { condition }) },
      });
    }
    return this;
  }
  get picture(): Picture {
    return readJob(this.entries, { kind: 'trimmer' });
  }
  get rebuild(): Rebuild {
    return rebuildOf(this.picture);
  }
}

/** Good results of the checks a guide asks for. */
const GOOD: Partial<Record<CheckId, Noted['body']>> = {
  'carb-passages': { check: 'carb-passages', result: 'clear', sureness: 'sure' },
  'line-routing': { check: 'line-routing', result: 'right', sureness: 'sure' },
  'primer-action': { check: 'primer-action', result: 'fills-firm', sureness: 'sure' },
  'metering-lever': { check: 'metering-lever', result: 'in-band', sureness: 'sure' },
  'inlet-pressure': { check: 'inlet-pressure', result: 'holds', sureness: 'sure' },
  'pop-off': { check: 'pop-off', reading: { psi: [12, 7] }, sureness: 'sure' },
};

/** What a technician notes who does just what the guide asks for. */
function does({ asks }: GuideStep, c: Carburettor, picture: Picture): Noted[] {
  switch (asks.kind) {
    case 'family':
      return [{ kind: 'carburettor', body: c }];
    case 'off': {
      const { item } = asks;
      const part = item as PartId;
      if (LAYER_IDS.includes(item as never)) return [{ kind: 'took-off', body: { layer: item as never } }];
      return toOpen([part], new Set(partsOff(picture)))
        .filter((p) => p === part || (p !== 'carburettor' && part === 'carburettor'))
        .map((p) => ({ kind: 'took-off', body: { part: p } }));
    }
    case 'on': {
      const { item, renew } = asks;
      return LAYER_IDS.includes(item as never)
        ? [{ kind: 'put-back', body: { layer: item as never, ...(renew && { renewed: true as const }) } }]
        : [{ kind: 'put-back', body: { part: item as PartId } }];
    }
    case 'loose':
      return [{ kind: 'put-back', body: { thing: asks.name } }];
    case 'check':
      return asks.check === 'screw-turns'
        ? [
            {
              kind: 'finding',
              body: {
                check: 'screw-turns',
                reading: { turns: Object.fromEntries(screwsOf(c).map((s) => [s, 1.125])) },
                sureness: 'sure',
              },
            },
          ]
        : [{ kind: 'finding', body: GOOD[asks.check] } as Noted];
    case 'tick':
      return [{ kind: 'rebuild-step', body: { step: asks.tick } }];
    case 'lines':
      return [
        { kind: 'line', body: { tag: 'clear', ends: ['tank-filter', 'supply-stub'] } },
        { kind: 'rebuild-step', body: { step: 'lines-tagged' } },
      ];
    case 'lines-on':
      return picture.lines.map(({ tag, ends }) => ({ kind: 'line', body: { tag, ends, on: true } }));
    case 'renew':
      return [{ kind: 'rebuild-step', body: { step: 'renew', answer: 'kit' } }];
    case 'order':
      return [{ kind: 'rebuild-step', body: { step: 'order', answer: 'as-came-off' } }];
  }
}

const CARBURETTORS: Carburettor[] = THROATS.flatMap((throat) =>
  BULBS.flatMap((bulb) =>
    (['both', 'one', 'fixed'] as const).flatMap((screws) =>
      [true, false].map((piston) => ({ throat, bulb, screws, piston })),
    ),
  ),
);
const PLAIN: Carburettor = { throat: 'butterfly', bulb: 'none' };
const nameOf = ({ throat, bulb, screws, piston }: Carburettor): string =>
  [familyOf({ throat, bulb }).name, screws, piston && 'piston'].filter(Boolean).join(', ');

describe('the families', () => {
  it.each(
    THROATS.flatMap((throat) =>
      BULBS.map((bulb) => [familyOf({ throat, bulb }).name, throat, bulb] as const),
    ),
  )('%s: every layer once, its kit made of layers it has', (_, throat, bulb) => {
    const { stacks, outside, family } = makeUpOf({ throat, bulb });
    const all: StackId[] = [...stacks.pump, ...stacks.metering, ...outside];
    expect(new Set(all).size).toBe(all.length);
    for (const cover of ['pump-cover', 'metering-cover'] as const) expect(all).toContain(cover);
    for (const layer of family.kit) expect(all, layer).toContain(layer);
    expect(all.includes('purge-bulb')).toBe(bulb === 'on-body');
  });

  it('build outwards as the trade says: metering gasket, diaphragm, cover; pump diaphragm, gasket, cover', () => {
    const { stacks } = makeUpOf(PLAIN);
    const outer = (side: readonly StackId[], n: number): StackId[] => side.slice(-n);
    expect(outer(stacks.metering, 3)).toEqual(['metering-gasket', 'metering-diaphragm', 'metering-cover']);
    expect(outer(stacks.pump, 3)).toEqual(['pump-diaphragm', 'pump-gasket', 'pump-cover']);
  });

  it('know what is in front of what', () => {
    const plain = makeUpOf(PLAIN);
    expect(inFrontOf(plain, 'inlet-needle', new Set())).toEqual([
      'metering-cover',
      'metering-diaphragm',
      'metering-gasket',
      'lever-screw',
      'lever-pin',
      'metering-lever',
    ]);
    expect(inFrontOf(plain, 'inlet-needle', new Set(['metering-cover', 'metering-diaphragm']))[0]).toBe(
      'metering-gasket',
    );
    expect(inFrontOf(plain, 'low-screw', new Set())).toEqual(['limiter-caps']);
    expect(inFrontOf(plain, 'pump-cover', new Set())).toEqual([]);
    // On a barrel type the pump lies behind the metering side.
    const barrel = makeUpOf({ throat: 'barrel', bulb: 'remote' });
    expect(inFrontOf(barrel, 'pump-diaphragm', new Set())[0]).toBe('metering-cover');
  });
});

describe('conditions', () => {
  it('tell the diagnosis what its checks know, and nothing that a layer is not found in', () => {
    for (const layer of LAYER_IDS)
      for (const condition of CONDITIONS) {
        const tells = tellsOf(layer, condition);
        if (!tells) continue;
        expect(CHECK_IDS).toContain(tells.check);
        expect(resultOf(tells.check, tells.result), `${layer} ${condition}`).toBeDefined();
        if (condition !== 'missing' && condition !== 'wrong')
          expect(layerOf(layer).found, `${layer} ${condition}`).toHaveProperty(condition);
      }
  });

  it.each([
    ['metering-diaphragm', 'hard', 'metering-diaphragm-stiff'],
    ['metering-diaphragm', 'torn', 'metering-diaphragm-torn'],
    ['metering-diaphragm', 'worn', 'metering-diaphragm-proud'],
    ['pump-diaphragm', 'worn', 'pump-diaphragm-stiff'],
    ['inlet-screen', 'gummed', 'inlet-screen-clogged'],
    ['inlet-screen', 'missing', 'carb-tampered'],
    ['inlet-needle', 'worn', 'needle-not-sealing'],
    ['inlet-needle', 'gummed', 'needle-stuck-shut'],
    ['pump-gasket', 'missing', 'carb-tampered'],
    ['purge-bulb', 'torn', 'primer-faulty'],
  ] as const)('%s %s is found as %s', (layer, condition, cause) => {
    const { picture } = new Bench().off([layer, condition]);
    expect(picture.found.map((f) => f.cause)).toContain(cause);
    expect(conditionWords(layer, condition)).not.toBe('');
  });

  it('say what is renewed, what cleans up, and what goes back', () => {
    const advice = (id: StackId, condition: Condition | null): string => {
      const { renew, why } = adviseLayer({ id, condition, where: 'tray' });
      return `${renew ? 'renew' : 'keep'}: ${why}`;
    };
    expect(advice('metering-diaphragm', 'hard')).toBe('renew: gone hard');
    expect(advice('metering-diaphragm', 'gummed')).toMatch(/^renew: .*solvent/);
    expect(advice('inlet-needle', 'gummed')).toBe('keep: cleans up');
    expect(advice('inlet-needle', 'worn')).toBe('renew: worn');
    expect(advice('lever-pin', 'wrong')).toMatch(/^renew/);
    expect(advice('pump-gasket', 'sound')).toBe('keep: sound');
    expect(advice('pump-gasket', null)).toBe('keep: not looked at');
  });
});

/** What has to be on before a step is done: nothing is pressed, primed or counted on an open carburettor. */
function needsFirst({ stage, asks }: GuideStep, { off }: Picture): string[] {
  const away = off.map((o) => o.part ?? o.layer ?? o.name);
  if (asks.kind !== 'check') return [];
  const forbids: Partial<Record<string, readonly string[]>> = {
    'inlet-pressure': ['carburettor', 'pump-cover', 'metering-cover'],
    'pop-off': [
      'pump-cover',
      'pump-gasket',
      'pump-diaphragm',
      'inlet-needle',
      'metering-lever',
      'lever-screw',
    ],
    'primer-action': ['tank-drained', 'carburettor', 'pump-cover', 'metering-cover', 'metering-diaphragm'],
    'line-routing': ['carburettor'],
    'metering-lever': stage === 'build' ? ['lever-screw', 'lever-pin', 'inlet-needle'] : [],
  };
  const counted = asks.check === 'screw-turns' ? ['low-screw', 'high-screw'] : [];
  return [...(forbids[asks.check] ?? []), ...counted].filter((id) => away.includes(id));
}

describe('the guide', () => {
  it('shows a step again with what was found and what to do, until it is right', () => {
    const bench = new Bench()
      .note({ kind: 'carburettor', body: PLAIN }, { kind: 'took-off', body: { part: 'carburettor' } })
      .off('metering-cover', 'metering-diaphragm', 'metering-gasket');
    bench.note({ kind: 'rebuild-step', body: { step: 'off-enough' } });
    const passages = () =>
      guideOf(bench.picture, bench.rebuild).steps.find((s) => s.id === 'clean carb-passages')!;
    const look = (result: string): Noted => ({
      kind: 'finding',
      body: { check: 'carb-passages', result, sureness: 'sure' },
    });
    expect(passages().noted).toBeUndefined();
    bench.note(look('low-blocked'));
    expect(passages()).toMatchObject({
      done: false,
      noted: { then: expect.stringContaining('low passage') as string },
    });
    bench.note(look('clear'));
    expect(passages()).toMatchObject({ done: true });
    expect(passages().noted).toBeUndefined();
  });

  it.each(CARBURETTORS.map((c) => [nameOf(c), c] as const))(
    '%s: whatever a check shows, it goes on or says what to do',
    (_, c) => {
      const bench = new Bench().note({ kind: 'complaint', body: { complaint: 'flooded' } });
      let looked = 0;
      for (let n = 0; n < 120; n++) {
        const { picture } = bench;
        const { now } = guideOf(picture, rebuildOf(picture));
        if (!now) break;
        if (now.asks.kind === 'check')
          for (const { id } of checkOf(now.asks.check).results) {
            const other = new Bench();
            other.entries.push(...bench.entries);
            other.note({ kind: 'finding', body: { check: now.asks.check, result: id, sureness: 'sure' } });
            const then = guideOf(other.picture, other.rebuild).now;
            looked++;
            expect(then?.id !== now.id || then.noted !== undefined, `${now.id}: ${id}`).toBe(true);
          }
        bench.note(...does(now, c, picture));
      }
      expect(looked).toBeGreaterThan(8);
    },
  );

  it.each(CARBURETTORS.map((c) => [nameOf(c), c] as const))(
    '%s: can be finished by doing what it asks',
    (_, c) => {
      const bench = new Bench().note(
        { kind: 'complaint', body: { complaint: 'flooded' } },
        { kind: 'took-off', body: { thing: 'bent washer', place: 'behind the choke lever' } },
      );
      const asked: string[] = [];
      for (let n = 0; ; n++) {
        expect(n, asked.join(', ')).toBeLessThan(120);
        const { picture } = bench;
        const { now } = guideOf(picture, rebuildOf(picture));
        if (!now) break;
        // No step asks twice: what was done is done.
        expect(asked, now.title).not.toContain(now.id);
        asked.push(now.id);
        expect(needsFirst(now, picture), `${now.title} with that off`).toEqual([]);
        bench.note(...does(now, c, picture));
      }
      const { picture, rebuild } = bench;
      expect(offToStart(picture)).toEqual([]);
      // What covers the screws waits until they are set; nothing else is left, the fuel included.
      expect(picture.off.filter((o) => !CAPS.includes(o.layer as never))).toEqual([]);
      expect(rebuild.layers.every((l) => l.where === 'in' || CAPS.includes(l.id))).toBe(true);
      // What goes in front comes off first, and goes on last.
      const off = asked.filter((id) => id.startsWith('off ')).map((id) => id.slice(4));
      const on = asked.filter((id) => id.startsWith('on ')).map((id) => id.slice(3));
      const made = makeUpOf(c);
      for (const id of off.filter((o) => LAYER_IDS.includes(o as never))) {
        const front = inFrontOf(made, id as StackId, new Set());
        for (const f of front) {
          expect(off.indexOf(f), `${f} before ${id}`).toBeLessThan(off.indexOf(id));
          if (!CAPS.includes(f)) expect(on.indexOf(f), `${f} after ${id}`).toBeGreaterThan(on.indexOf(id));
        }
      }
      // Each side goes together exactly backwards, the pump side first.
      const came = off.filter((o) => on.includes(o) && LAYER_IDS.includes(o as never));
      for (const place of ['pump', 'metering', 'outside'] as const) {
        const here = came.filter((o) => placeOf(made, o as StackId) === place);
        expect(on.filter((o) => here.includes(o))).toEqual(here.toReversed());
      }
      const places = on
        .filter((o) => came.includes(o))
        .map((o) => ['pump', 'metering', 'outside'].indexOf(placeOf(made, o as StackId)));
      expect(places).toEqual(places.toSorted());
    },
  );

  it('asks for no screw before its count is known, and holds the count for the way back', () => {
    const bench = new Bench().note(
      { kind: 'carburettor', body: PLAIN },
      {
        kind: 'finding',
        body: { check: 'screw-turns', reading: { turns: { L: 1.125, H: 1 } }, sureness: 'sure' },
      },
      { kind: 'took-off', body: { part: 'carburettor' } },
    );
    bench.off('low-screw').note({ kind: 'rebuild-step', body: { step: 'off-enough' } });
    expect(bench.rebuild.uncounted).toEqual([]);
    const { steps } = guideOf(bench.picture, bench.rebuild);
    expect(steps.find((s) => s.id === 'on low-screw')?.how).toContain('then out 1 1/8');
  });

  it('keeps the warning of a screw whose count is lost, and sets it to a baseline', () => {
    const bench = new Bench().note({ kind: 'carburettor', body: PLAIN }).off('low-screw');
    expect(bench.rebuild.uncounted).toEqual(['L']);
    bench.note({ kind: 'put-back', body: { layer: 'low-screw', turns: 1 } });
    expect(bench.picture.ledger.now.L).toBe(8);
    expect(bench.picture.ledger.counted.has('L')).toBe(true);
    expect(bench.rebuild.uncounted).toEqual(['L']);
  });

  it('says once where it came off in another order, and builds by the answer', () => {
    const bench = new Bench()
      .note({ kind: 'carburettor', body: PLAIN }, { kind: 'took-off', body: { part: 'carburettor' } })
      .off('metering-cover', 'metering-gasket', 'metering-diaphragm')
      .note(
        { kind: 'rebuild-step', body: { step: 'off-enough' } },
        { kind: 'rebuild-step', body: { step: 'renew', answer: 'failed' } },
      );
    expect(bench.rebuild.unusual).toEqual({ first: 'metering-gasket', then: 'metering-diaphragm' });
    const order = () => guideOf(bench.picture, bench.rebuild).steps.filter((s) => s.id === 'order');
    expect(order()).toMatchObject([{ done: false }]);
    bench.note({ kind: 'rebuild-step', body: { step: 'order', answer: 'as-came-off' } });
    expect(order()).toMatchObject([{ done: true }]);
    expect(bench.rebuild.build).toEqual(['metering-diaphragm', 'metering-gasket', 'metering-cover']);
    bench.note({ kind: 'rebuild-step', body: { step: 'order', answer: 'as-usual' } });
    expect(bench.rebuild.build).toEqual(['metering-gasket', 'metering-diaphragm', 'metering-cover']);
  });

  it('says nothing of an order where the family is not known, or made at the bench', () => {
    const layers = ['metering-gasket', 'metering-diaphragm'] as const;
    expect(new Bench().off(...layers).rebuild.unusual).toBeNull();
    const own = { ...PLAIN, own: { pump: [], metering: ['metering-diaphragm', 'metering-gasket'] } } as const;
    const bench = new Bench().note({ kind: 'carburettor', body: own }).off(...layers);
    expect(bench.rebuild.unusual).toBeNull();
    expect(bench.rebuild.layers.map((l) => l.id)).toEqual(expect.arrayContaining([...layers]));
  });

  it('begins anew when a carburettor that was whole comes apart again', () => {
    const bench = new Bench()
      .note({ kind: 'carburettor', body: PLAIN })
      .off('metering-cover', ['metering-diaphragm', 'hard']);
    bench.note(
      { kind: 'rebuild-step', body: { step: 'off-enough' } },
      { kind: 'put-back', body: { layer: 'metering-diaphragm', renewed: true } },
      { kind: 'put-back', body: { part: 'metering-cover' } },
    );
    expect(bench.rebuild.came).toEqual(['metering-cover', 'metering-diaphragm']);
    expect(bench.rebuild.layers.find((l) => l.id === 'metering-diaphragm')?.renewed).toBe(true);
    bench.off('pump-cover');
    expect(bench.rebuild.came).toEqual(['pump-cover']);
    expect(bench.rebuild.ticks.has('off-enough')).toBe(false);
    expect(bench.rebuild.layers.find((l) => l.id === 'metering-diaphragm')?.renewed).toBe(false);
  });

  it('names what has to come out before a bath', () => {
    const bench = new Bench().note({ kind: 'carburettor', body: PLAIN }).off('metering-cover');
    const waits = () => guideOf(bench.picture, bench.rebuild).bathWaitsFor;
    expect(waits()).toEqual(expect.arrayContaining(['Inlet needle', 'Metering diaphragm', 'Pump diaphragm']));
    const soft = makeUpOf(PLAIN).stacks;
    bench.off(...[...soft.pump, ...soft.metering].filter((id) => id !== 'metering-cover' && !staysIn(id)));
    expect(waits()).toEqual([]);
  });
});

describe('the lines', () => {
  const tag = (ends: Line['ends'], more: { returns?: true; on?: true; tag?: string } = {}): Noted => ({
    kind: 'line',
    body: { tag: 'clear', ends, ...more },
  });

  it.each([
    [['tank-filter', 'supply-stub'], {}, false],
    [['tank', 'return-stub'], { returns: true }, false],
    [['tank-filter', 'return-stub'], {}, true],
    [['return-stub', 'tank-filter'], {}, true],
    [['tank', 'supply-stub'], {}, true],
    [['tank-filter', 'supply-stub'], { returns: true }, true],
    [['case', 'impulse-stub'], {}, false],
  ] as const)('%s %o: crossed %s, and then a finding', (ends, more, crossed) => {
    const { picture } = new Bench().note(tag(ends, more));
    expect(picture.findings.some((f) => f.check === 'line-routing' && f.result === 'crossed')).toBe(crossed);
    expect(picture.found.some((f) => f.cause === 'fuel-lines-swapped')).toBe(crossed);
  });

  it('go back where they were; somewhere else is noticed until it is put right, and is no finding', () => {
    const bench = new Bench().note(
      { kind: 'carburettor', body: PLAIN },
      { kind: 'took-off', body: { part: 'carburettor' } },
      tag(['tank-filter', 'supply-stub']),
      tag(['tank', 'return-stub'], { tag: 'blue', returns: true }),
    );
    const step = () => guideOf(bench.picture, bench.rebuild).steps.find((s) => s.id === 'lines on');
    bench.note(
      tag(['return-stub', 'tank-filter'], { on: true }),
      tag(['return-stub', 'tank'], { tag: 'Blue', on: true }),
    );
    expect(bench.picture.lines.map((l) => l.astray)).toEqual([true, false]);
    expect(step()?.done).toBe(false);
    expect(bench.picture.findings).toEqual([]);
    bench.note(tag(['supply-stub', 'tank-filter'], { on: true }));
    expect(step()?.done).toBe(true);
  });
});

describe('the record', () => {
  const layer = fc.constantFrom<StackId>(...makeUpOf(PLAIN).stacks.metering, ...makeUpOf(PLAIN).stacks.pump);
  const move = fc.record({
    kind: fc.constantFrom('off', 'on', 'new', 'bin', 'strike'),
    layer,
    at: fc.nat(40),
  });

  it('goes back exactly as it came off, and loses and doubles no layer, over any sequence', () => {
    fc.assert(
      fc.property(fc.array(move, { maxLength: 40 }), (moves) => {
        const bench = new Bench().note({ kind: 'carburettor', body: PLAIN });
        for (const { kind, layer: id, at } of moves) {
          const thing = isCover(id) ? { part: id } : { layer: id };
          if (kind === 'off') bench.off(id);
          else if (kind === 'bin') bench.note({ kind: 'thrown-away', body: thing });
          else if (kind === 'strike') {
            bench.note({ kind: 'strike', body: { reason: 'slip' } });
            bench.entries[bench.entries.length - 1]!.strikes = `e${at % bench.entries.length}`;
          } else
            bench.note({
              kind: 'put-back',
              body: isCover(id) ? { part: id } : { layer: id, ...(kind === 'new' && { renewed: true }) },
            });
        }
        const { rebuild, picture } = bench;
        if (!picture.carburettor) return;
        const made = makeUpOf(PLAIN);
        for (const place of ['pump', 'metering', 'outside'] as const) {
          const here = (ids: readonly StackId[]) =>
            ids.filter((id) => placeOf(made, id) === place && !CAPS.includes(id));
          expect(here(rebuild.build)).toEqual(here(rebuild.came).toReversed());
        }
        expect(new Set(rebuild.came).size).toBe(rebuild.came.length);
        // Every layer of the family is somewhere, once; what is on the tray came off.
        const all = [...made.stacks.pump, ...made.stacks.metering, ...made.outside];
        expect(rebuild.layers.map((l) => l.id).toSorted()).toEqual(all.toSorted());
        for (const l of rebuild.layers.filter((o) => o.where !== 'in')) expect(rebuild.came).toContain(l.id);
        const tray = picture.off.filter((o) => o.layer ?? (o.part && isCover(o.part)));
        expect(rebuild.layers.filter((l) => l.where !== 'in')).toHaveLength(tray.length);
        // From the kit goes in what was renewed; the rest of it lies over.
        const kit = leftOfKit(rebuild);
        for (const l of rebuild.layers.filter((o) => o.renewed)) expect(kit.layers).not.toContain(l.id);
      }),
      { numRuns: samples(700, 3000) },
    );
  });
});

describe('the chance of a comeback', () => {
  const prices: RenewalPrices = { kit: 16_00, whole: 42_00, layer: () => 9_00, minute: 80 };
  it.each(CARBURETTORS.map((c) => [nameOf(c), c] as const))(
    '%s, taken apart and one diaphragm failed: as the trade knows it, three to eight in a hundred',
    (_, c) => {
      const made = makeUpOf(c);
      const all = [...made.stacks.pump.toReversed(), ...made.stacks.metering.toReversed()].filter(
        (id) => !staysIn(id),
      );
      const bench = new Bench().note({ kind: 'carburettor', body: c });
      for (const id of all)
        bench.off(isCover(id) ? id : [id, id === 'metering-diaphragm' ? 'hard' : 'sound']);
      const suspects = [{ cause: 'metering-diaphragm-stiff', probability: 0.97 } as const];
      const chance = (id: string) =>
        renewalChoices(bench.rebuild, bench.picture, suspects, prices).find((x) => x.id === id)!.comeback;
      for (const id of ['kit', 'failed']) {
        expect(chance(id), id).toBeGreaterThan(0.025);
        expect(chance(id), id).toBeLessThan(0.08);
      }
      expect(chance('kit')).toBeLessThan(chance('failed'));
    },
  );
});

describe('what is renewed', () => {
  const opened = () =>
    new Bench()
      .note({ kind: 'carburettor', body: PLAIN })
      .off('pump-cover', ['pump-gasket', 'sound'], ['pump-diaphragm', 'sound'], 'metering-cover', [
        'metering-diaphragm',
        'hard',
      ]);
  const PRICES: RenewalPrices = {
    kit: 14_00,
    whole: 42_00,
    layer: (repair) => (repair === 'metering-diaphragm-stiff' ? 6_00 : 2_00),
    minute: 80,
  };
  const choices = (bench: Bench, suspects: Parameters<typeof renewalChoices>[2] = [], prices = PRICES) =>
    Object.fromEntries(renewalChoices(bench.rebuild, bench.picture, suspects, prices).map((c) => [c.id, c]));

  it('by the kit all that is open of it, by evidence what failed', () => {
    const { rebuild } = opened();
    expect(renewsBy('failed', rebuild)).toEqual(['metering-diaphragm']);
    expect(renewsBy('kit', rebuild).toSorted()).toEqual([
      'metering-diaphragm',
      'pump-diaphragm',
      'pump-gasket',
    ]);
  });

  it('costs each school: what is renewed comes back less, and costs more', () => {
    const { kit, failed, whole } = choices(opened());
    expect(kit!.parts).toBeGreaterThan(failed!.parts);
    expect(whole!.parts).toBeGreaterThan(kit!.parts);
    expect(kit!.comeback).toBeLessThan(failed!.comeback);
    for (const c of [kit!, failed!, whole!]) {
      expect(c.comeback).toBeGreaterThan(0);
      expect(c.comeback).toBeLessThan(1);
    }
  });

  it('takes what evidence says for one bad diaphragm, and the new carburettor where somebody has been inside', () => {
    expect(renewalChoices(opened().rebuild, opened().picture, [], PRICES)[0]?.id).toBe('failed');
    const meddled = opened().off(['inlet-screen', 'missing']);
    const [first] = renewalChoices(meddled.rebuild, meddled.picture, [], PRICES);
    expect(first).toMatchObject({ id: 'whole', why: expect.stringContaining('somebody has been inside') });
  });

  it('costs by the prices it is given: one diaphragm by its repair, the kit taken where single parts are dear', () => {
    const { failed, kit, whole } = choices(opened());
    expect([failed!.parts, kit!.parts, whole!.parts]).toEqual([6_00, 14_00, 42_00]);
    const dear = { ...PRICES, layer: () => 30_00 };
    expect(choices(opened(), [], dear).failed!.parts).toBe(30_00);
    expect(renewalChoices(opened().rebuild, opened().picture, [], dear)[0]?.id).toBe('kit');
  });

  it('reckons in what nobody has seen: a blocked circuit stays blocked under a new diaphragm', () => {
    const without = choices(opened()).failed!.comeback;
    const unseen = choices(opened(), [{ cause: 'idle-circuit-blocked', probability: 0.4 }]);
    expect(unseen.failed!.comeback).toBeGreaterThan(without + 0.3);
    expect(unseen.whole!.comeback).toBeLessThan(0.05);
  });

  it('notes what it put right: what was found on the layers, or the whole job by the kit', () => {
    const bench = opened();
    const causes = () =>
      mendedBy(bench.rebuild, bench.picture, []).map((n) =>
        n.kind === 'repair' && 'cause' in n.body ? n.body : null,
      );
    expect(causes()).toEqual([{ cause: 'metering-diaphragm-stiff', outcome: 'untried' }]);
    bench.note({ kind: 'rebuild-step', body: { step: 'renew', answer: 'kit' } });
    expect(causes()).toEqual([
      { cause: 'metering-diaphragm-stiff', remedy: 'carburettor-rebuild', outcome: 'untried' },
    ]);
    bench.note({ kind: 'rebuild-step', body: { step: 'renew', answer: 'whole' } });
    expect(causes().map((c) => c?.cause)).toEqual(['metering-diaphragm-stiff', 'carb-tampered']);
  });
});
