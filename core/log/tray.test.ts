import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { samples } from '../testing';
import type { Noted } from './index';
import { itemBack, makeEntry, offToStart, readJob, unnumbered, type Entry, type Picture } from './index';

const written = (noted: readonly (Noted & { strikes?: string })[]): Entry[] =>
  noted.map(({ strikes, ...one }, n) => ({
    ...unnumbered(
      makeEntry(one as Noted, {
        id: `e${n}`,
        notedAt: new Date(Date.UTC(2026, 4, 4, 9, 0, n)).toISOString(),
        ...(strikes && { strikes }),
      }),
    ),
    seq: n + 1,
  }));
const read = (...noted: (Noted & { strikes?: string })[]): Picture =>
  readJob(written(noted), { kind: 'trimmer' });
const off = (
  layer: 'inlet-needle' | 'inlet-screen' | 'metering-diaphragm',
  condition?: 'worn' | 'missing' | 'hard' | 'sound',
): Noted => ({
  kind: 'took-off',
  body: { layer, ...(condition && { condition }) },
});

describe('the tray', () => {
  it('knows a layer’s condition, a loose thing’s place and count', () => {
    const { off: items } = read(off('inlet-needle', 'worn'), {
      kind: 'took-off',
      body: { thing: 'long screws', place: 'top', count: 2 },
    });
    expect(items).toMatchObject([
      { layer: 'inlet-needle', name: 'Inlet needle', condition: 'worn' },
      { name: 'long screws', place: 'top', count: 2 },
    ]);
  });

  it('waits for a new one where the old one was missing or is thrown away', () => {
    const bin: Noted = { kind: 'thrown-away', body: { layer: 'inlet-needle' } };
    const { off: items } = read(off('inlet-needle', 'worn'), bin, off('inlet-screen', 'missing'));
    expect(items.map((o) => o.gone)).toEqual(['binned', 'missing']);
    expect(items.map(itemBack)).toEqual([
      { layer: 'inlet-needle', renewed: true },
      { layer: 'inlet-screen', renewed: true },
    ]);
  });

  it('lets go of what is left off on purpose, with the word why', () => {
    const picture = read(
      { kind: 'took-off', body: { thing: 'Sleeve' } },
      { kind: 'left-off', body: { thing: 'sleeve', words: 'not of this one' } },
    );
    expect(picture.off).toEqual([]);
    expect(picture.leftOff).toMatchObject([{ name: 'Sleeve', words: 'not of this one' }]);
  });

  it('a layer looked for and not there waits as if it had come out', () => {
    const picture = read({ kind: 'condition', body: { layer: 'inlet-screen', condition: 'missing' } });
    expect(picture.off).toMatchObject([{ layer: 'inlet-screen', gone: 'missing' }]);
    expect(picture.findings).toMatchObject([{ check: 'inlet-screen', result: 'missing' }]);
  });

  type What = 'a' | 'b' | 'inlet-needle' | 'recoil';
  const things: readonly What[] = ['a', 'b', 'inlet-needle', 'recoil'];
  const thing = (w: What) =>
    w === 'recoil' ? { part: 'recoil' as const } : w === 'inlet-needle' ? { layer: w } : { thing: w };
  const step = fc.record({
    kind: fc.constantFrom('took-off', 'put-back', 'thrown-away', 'left-off', 'strike'),
    what: fc.constantFrom(...things),
    at: fc.nat(30),
  });

  it('loses and doubles nothing: each thing is in one place, whatever is noted, struck or said twice', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 30 }), (steps) => {
        const noted = steps.map(({ kind, what, at }, n): Noted & { strikes?: string } => {
          if (kind === 'strike') return { kind, body: { reason: 'slip' }, strikes: `e${at % (n + 1)}` };
          const body = thing(what);
          return (kind === 'left-off' ? { kind, body: { ...body, words: 'why' } } : { kind, body }) as Noted;
        });
        const picture = read(...noted);
        const names = [...picture.off, ...picture.leftOff].map((o) => o.name);
        expect(new Set(names).size).toBe(names.length);
        // What came off last and was not struck lies somewhere, unless it went back after.
        const live = picture.trail.filter((l) => l.state === 'live').map((l) => l.entry);
        for (const w of things) {
          const about = live.filter((e) => JSON.stringify(e.body).includes(JSON.stringify(w)));
          const lastOff = about.findLastIndex((e) => e.kind === 'took-off');
          const back = about.slice(lastOff + 1).some((e) => e.kind === 'put-back');
          const name = { a: 'a', b: 'b', 'inlet-needle': 'Inlet needle', recoil: 'Recoil starter' }[w];
          expect(names.includes(name), w).toBe(lastOff >= 0 && !back);
        }
      }),
      { numRuns: samples(1500, 7000) },
    );
  });
});

describe('what is accounted for before a start', () => {
  const cover: Noted = { kind: 'took-off', body: { part: 'top-cover' } };
  const washer: Noted = { kind: 'took-off', body: { thing: 'bent washer' } };
  const names = (p: Picture): string[] => offToStart(p).map((o) => o.name);

  it('a cover that is only in the way may stay off; a washer or a layer may not', () => {
    expect(names(read(cover))).toEqual([]);
    expect(names(read(cover, washer))).toEqual(['bent washer']);
    expect(names(read(cover, off('inlet-screen', 'missing')))).toEqual(['Inlet screen']);
  });

  it('all of it counts once the engine cannot run without something', () => {
    expect(names(read(cover, washer, { kind: 'took-off', body: { part: 'carburettor' } }))).toEqual([
      'Top cover',
      'bent washer',
      'Carburettor',
    ]);
  });

  it('is passed knowingly until something else comes off, and never for what it cannot run without', () => {
    const passed: Noted = { kind: 'tray-passed', body: { words: 'of another machine' } };
    expect(names(read(washer, passed))).toEqual([]);
    expect(names(read(washer, passed, { kind: 'took-off', body: { thing: 'sleeve' } }))).toEqual([
      'bent washer',
      'sleeve',
    ]);
    expect(names(read({ kind: 'took-off', body: { part: 'carburettor' } }, passed))).toEqual(['Carburettor']);
  });
});

describe('a layer’s condition', () => {
  it('is a finding for the diagnosis, and stays one with the layer back on', () => {
    const picture = read(off('metering-diaphragm', 'hard'), {
      kind: 'put-back',
      body: { layer: 'metering-diaphragm', renewed: true },
    });
    expect(picture.findings).toMatchObject([
      { check: 'metering-diaphragm', result: 'stiff', sureness: 'sure' },
    ]);
    expect(picture.found.map((f) => f.cause)).toContain('metering-diaphragm-stiff');
  });

  it('gives way to a look made later, and the layer is still off', () => {
    const picture = read(off('metering-diaphragm', 'sound'), {
      kind: 'finding',
      body: { check: 'metering-diaphragm', result: 'torn', sureness: 'sure' },
    });
    expect(picture.findings).toMatchObject([{ result: 'torn' }]);
    expect(picture.findings).toHaveLength(1);
    expect(picture.off).toHaveLength(1);
    expect(picture.trail.map((l) => l.state)).toEqual(['live', 'live']);
  });
});
