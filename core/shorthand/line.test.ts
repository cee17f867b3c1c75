import { describe, expect, it } from 'vitest';
import { CHECKS } from '../knowledge';
import { READING_FIELD } from '../reading';
import { readShorthand } from './index';

const entry = (line: string) => {
  const understood = readShorthand(line);
  if (!understood.ok) throw new Error(understood.says);
  expect(understood.entries).toHaveLength(1);
  return understood.entries[0];
};
const says = (line: string): string => readShorthand(line).says;

describe('findings', () => {
  it.each([
    ['spark weak?', { check: 'spark-tester', result: 'weak', sureness: 'doubtful' }],
    ['spark weak~', { check: 'spark-tester', result: 'weak', sureness: 'fair' }],
    ['SMELL  Fresh', { check: 'fuel-smell', result: 'fresh', sureness: 'sure' }],
    ['plug wet', { check: 'plug-look', result: 'wet-fuel', sureness: 'sure' }],
    ['plug wet after 20 pulls?', { check: 'plug-look', result: 'wet-fuel', sureness: 'doubtful', pulls: 20 }],
    ['plug tan after 3', { check: 'plug-look', result: 'tan-dry', sureness: 'sure', pulls: 3 }],
    ['fuel-filter-look clogged', { check: 'fuel-filter-look', result: 'clogged', sureness: 'sure' }],
    ['fuel filter look off', { check: 'fuel-filter-look', result: 'off-the-line', sureness: 'sure' }],
    ['primer none', { check: 'primer-action', result: 'none-fitted', sureness: 'sure' }],
    ['comp low', { check: 'compression-gauge', result: 'low', sureness: 'sure' }],
    ['vac holds', { check: 'crankcase-vacuum', result: 'holds', sureness: 'sure' }],
  ])('%s', (line, body) => {
    expect(entry(line)).toEqual({ kind: 'finding', body });
  });

  it('takes every result of every check by its own name', () => {
    for (const check of CHECKS) {
      for (const r of check.results)
        expect(entry(`${check.id} ${r.id}`), `${check.id} ${r.id}`).toMatchObject({
          body: { check: check.id, result: r.id },
        });
    }
  });
});

describe('readings', () => {
  it.each([
    ['comp 62 98 117', { psi: [62, 98, 117] }],
    ['comp 62 98 117 open', { psi: [62, 98, 117], decompressor: 'open' }],
    ['gap top .30 bottom .45', { mm: [0.3, 0.45] }],
    ['gap 12 18 thou', { mm: [0.305, 0.457] }],
    ['idle 2750', { rpm: [2750] }],
    ['lever -0.2', { mm: [-0.2] }],
    ['L 1 1/8', { turns: { L: 1.125 } }],
    ['l 1 1/4 h 1', { turns: { L: 1.25, H: 1 } }],
    ['H 2', { turns: { H: 2 } }],
  ])('%s', (line, reading) => {
    expect(entry(line)).toMatchObject({ kind: 'finding', body: { reading } });
  });

  it('says the figure and why when one cannot be right', () => {
    expect(says('comp 62 980')).toContain('980 psi is outside 0 to 400');
    expect(says('gap 12')).toContain('for thousandths add "thou"');
    expect(says('idle fast')).toContain('such as "idle 2750"');
    expect(says('idle 99000')).toContain('outside');
    expect(says('L 99')).toContain('not a screw position');
    for (const check of Object.keys(READING_FIELD)) expect(readShorthand(check).ok).toBe(false);
  });
});

describe('tray and notes', () => {
  it.each([
    ['off recoil', { kind: 'took-off', body: { part: 'recoil' } }],
    ['off carb', { kind: 'took-off', body: { part: 'carburettor' } }],
    ['on air box', { kind: 'put-back', body: { part: 'air-box' } }],
    [
      'off washer behind the choke lever',
      { kind: 'took-off', body: { thing: 'washer behind the choke lever' } },
    ],
    ['note ring him first', { kind: 'note', body: { text: 'ring him first' } }],
  ])('%s', (line, wanted) => {
    expect(entry(line)).toEqual(wanted);
  });
});

describe('screws and starts', () => {
  it.each([
    ['L out 1/8', { screw: 'L', eighths: 1 }],
    ['h in 1/4', { screw: 'H', eighths: -2 }],
    ['stop in 3/8', { screw: 'stop', eighths: 3 }],
    ['stop out 1/16', { screw: 'stop', eighths: -0.5 }],
    ['H out 1 1/8', { screw: 'H', eighths: 9 }],
  ])('%s', (line, body) => {
    expect(entry(line)).toEqual({ kind: 'screw', body });
  });

  it.each([
    ['start cold 4', { state: 'cold', pulls: 4, outcome: 'runs' }],
    ['start warm 12 pops', { state: 'warm', pulls: 12, outcome: 'pops' }],
  ])('%s', (line, body) => {
    expect(entry(line)).toEqual({ kind: 'start', body });
  });

  it('says what is wrong with a turn or a count that cannot be', () => {
    expect(says('L out 9')).toContain('not a turn of a screw');
    expect(says('L out')).toContain('not');
    expect(says('start cold 400')).toContain('more than 200');
    expect(entry('start runs-well')).toMatchObject({ kind: 'finding' });
  });
});

describe('what is unclear', () => {
  it('is never guessed: the choices come back', () => {
    expect(says('spark')).toBe('Look at the spark: which? strong, flickers, weak, none');
    expect(says('smell purple')).toContain('which? fresh, stale');
    expect(says('wibble')).toContain('"wibble" is not a check I know');
    expect(says('off')).toContain('Took off what?');
    expect(says('note')).toContain('write something');
    expect(says('   ')).toBe('Nothing written.');
    expect(says('com')).not.toContain('undefined');
  });

  it('survives anything', () => {
    for (const line of ['?', '~', 'L', 'H /', 'comp ,,,', '💥 x', 'gap top bottom', 'x'.repeat(5000)])
      expect(readShorthand(line).ok).toBe(false);
  });
});

describe('what is refused', () => {
  const off = [{ part: 'muffler', name: 'Muffler' }, { name: 'bent washer' }] as const;
  it('names what is still off, and what is not off', () => {
    expect(readShorthand('start cold 3', { off })).toEqual({
      ok: false,
      says: 'Start: still off: muffler, bent washer. Write "put all back" first.',
    });
    expect(readShorthand('on plug', { off }).says).toBe('Plug is not off.');
    expect(readShorthand('on bent washer', { off })).toMatchObject({
      entries: [{ kind: 'put-back', body: { thing: 'bent washer' } }],
    });
  });

  it('is refused whole: of several things on a line nothing is logged when one is not understood', () => {
    const read = readShorthand('smell stale; wibble');
    expect(read.ok).toBe(false);
    expect(read.says).toContain('"wibble" is not a check I know');
    expect('entries' in read).toBe(false);
  });

  it('is a flooded engine’s plug alone allowed to be off', () => {
    const plug = [{ part: 'plug', name: 'Plug' }] as const;
    expect(readShorthand('start flooded 8 nothing', { off: plug }).ok).toBe(true);
    expect(readShorthand('start cold 8 nothing', { off: plug }).ok).toBe(false);
  });
});

describe('what is logged', () => {
  it('reads back as what was typed, for every check, result and sureness, however it is spelt out', () => {
    for (const check of CHECKS)
      for (const result of check.results)
        for (const [mark, sureness] of [
          ['', 'sure'],
          ['~', 'fair'],
          ['?', 'doubtful'],
        ] as const) {
          const line = `${check.id.replaceAll('-', ' ')} ${result.id.replaceAll('-', ' ')}${mark}`;
          expect(entry(line), line).toMatchObject({
            kind: 'finding',
            body: { check: check.id, result: result.id, sureness },
          });
        }
  });
});

describe('the carburettor in layers', () => {
  const open = [{ part: 'metering-cover', name: 'Metering cover' }] as const;
  const first = (line: string, at: Parameters<typeof readShorthand>[1] = {}) => {
    const read = readShorthand(line, at);
    return read.ok ? read.entries[0] : read.says;
  };
  it.each([
    ['off pump gasket', { layer: 'pump-gasket' }],
    ['off metering diaphragm stiff', { layer: 'metering-diaphragm', condition: 'hard' }],
    ['off metering diaphragm hard', { layer: 'metering-diaphragm', condition: 'hard' }],
    ['off needle ring in the tip', { layer: 'inlet-needle', condition: 'worn' }],
    ['off inlet screen missing', { layer: 'inlet-screen', condition: 'missing' }],
    ['off pump cover', { part: 'pump-cover' }],
    ['off metering', { part: 'metering-cover' }],
    ['off screen', { part: 'muffler-cover' }],
    ['off spring', { thing: 'spring' }],
    ['off L screw', { layer: 'low-screw' }],
    ['off 2 long screws, top', { thing: 'long screws', place: 'top', count: 2 }],
    ['off bent washer, behind the choke lever', { thing: 'bent washer', place: 'behind the choke lever' }],
  ])('%s', (line, body) => {
    expect(first(line)).toEqual({ kind: 'took-off', body });
  });

  it('a plain word names a layer once the carburettor lies open', () => {
    expect(first('off spring', { off: open })).toEqual({ kind: 'took-off', body: { layer: 'lever-spring' } });
    expect(first('off screen', { off: [{ part: 'pump-cover', name: 'Pump cover' }] })).toEqual({
      kind: 'took-off',
      body: { layer: 'inlet-screen' },
    });
  });

  it('no mixture screw comes out before it is counted, unless its count is lost', () => {
    const at = { off: open, uncounted: ['L'] } as const;
    expect(first('off L screw', at)).toMatch(/^L screw: count it to its seat first/);
    expect(first('off H screw', at)).toEqual({ kind: 'took-off', body: { layer: 'high-screw' } });
    expect(first('off L screw count lost', at)).toEqual({
      kind: 'took-off',
      body: { layer: 'low-screw', uncounted: true },
    });
  });

  it('goes back old or new, into the bin, or stays off with a word why', () => {
    const off = [{ layer: 'inlet-needle', name: 'Inlet needle', condition: 'worn' }] as const;
    expect(first('on needle', { off })).toEqual({ kind: 'put-back', body: { layer: 'inlet-needle' } });
    expect(first('on needle new', { off })).toEqual({
      kind: 'put-back',
      body: { layer: 'inlet-needle', renewed: true },
    });
    expect(first('on needle', { off: [{ ...off[0], gone: 'binned' }] })).toEqual({
      kind: 'put-back',
      body: { layer: 'inlet-needle', renewed: true },
    });
    expect(first('bin needle', { off })).toEqual({ kind: 'thrown-away', body: { layer: 'inlet-needle' } });
    expect(first('left off needle: fixed jet here', { off })).toEqual({
      kind: 'left-off',
      body: { layer: 'inlet-needle', words: 'fixed jet here' },
    });
    expect(first('left off needle', { off })).toMatch(/^Left off: say why/);
    expect(first('bin bulb', { off })).toBe('Bulb is not off.');
    expect(first('on recoil new', { off: [{ part: 'recoil', name: 'Recoil starter' }] })).toMatch(
      /only a layer of the carburettor/,
    );
  });

  it('each clause of a line is read as the ones before it leave the bench', () => {
    const read = readShorthand('off pump gasket torn; bin pump gasket; on pump gasket new', { off: [] });
    expect(read.ok && read.entries.map((e) => e.kind)).toEqual(['took-off', 'thrown-away', 'put-back']);
    expect(readShorthand('off recoil; start cold 3', { off: [] }).says).toMatch(/still off: recoil/);
    expect(readShorthand('off recoil; on recoil; start cold 3', { off: [] }).ok).toBe(true);
  });
});
