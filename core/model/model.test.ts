import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CHECK_IDS, LAYER_IDS, PART_IDS } from '../knowledge';
import {
  knownAt,
  MODEL_PLACES,
  MOST_SAID,
  noteTable,
  placeName,
  readNoteTable,
  type ModelPlace,
} from './index';

describe('what is known of a model', () => {
  it('stands at every part, check and layer, each by a name', () => {
    expect(MODEL_PLACES).toHaveLength(1 + PART_IDS.length + CHECK_IDS.length + LAYER_IDS.length);
    for (const at of MODEL_PLACES) expect(placeName(at)).toMatch(/^[A-Z]/);
  });

  it('is said at the step it belongs to and nowhere else, the shop’s own first', () => {
    const notes = [
      { id: 'a', at: 'part/plug', says: 'Long socket' },
      { id: 'b', at: 'part/muffler', says: 'Hot shield first' },
    ] as const;
    const spec = { plugType: 'WR-6', plugNm: 20, cylinderNm: 10 };
    expect(knownAt(['part/plug'], spec, notes).map((k) => k.says)).toEqual([
      'Long socket',
      'Plug: WR-6, by the maker',
      'Plug: 20 Nm, the maker’s figure',
    ]);
    expect(knownAt(['check/cylinder-bolts'], spec, notes).map((k) => k.says)).toEqual([
      'Cylinder bolts: 10 Nm, the maker’s figure',
    ]);
    expect(knownAt(['part/recoil'], spec, notes)).toEqual([]);
  });

  it('names no torque without the maker’s figure', () => {
    for (const at of MODEL_PLACES) expect(knownAt([at], undefined, [])).toEqual([]);
    for (const at of MODEL_PLACES) expect(knownAt([at], { idle: 2700, mix: 50 }, [])).toEqual([]);
  });
});

describe('a table of notes', () => {
  it('comes back as it was written', () => {
    const line = fc
      .string({ unit: fc.constantFrom(...'abc ,;"\'=-9é'), minLength: 1, maxLength: 40 })
      .map((s) => `x${s.trim()}`);
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            maker: line,
            model: line,
            at: fc.constantFrom<ModelPlace>(...MODEL_PLACES),
            says: line,
          }),
          { minLength: 1, maxLength: 5 },
        ),
        (notes) => {
          expect(readNoteTable(noteTable(notes))).toEqual({ notes });
        },
      ),
    );
  });

  it.each([
    ['maker,model,at,says\nBrakken,B45,part/wheel,x', 'Line 2: at "part/wheel" is no place'],
    ['maker,model,at,says\nBrakken,B45,part/plug,', 'Line 2: says is empty'],
    ['maker,model,says\n,B45,x', 'Line 2 has no maker'],
    [`maker,model,says\nBrakken,B45,${'x'.repeat(MOST_SAID + 1)}`, '161 letters; 160 at most'],
    ['maker,model\nBrakken,B45', 'no column "says"'],
  ])('%s', (text, says) => {
    const read = readNoteTable(text);
    expect('problem' in read && read.problem).toContain(says);
  });

  it('without a place is of the whole model', () => {
    expect(readNoteTable('maker,model,says\nBrakken,B45,Grey lines go soft')).toEqual({
      notes: [{ maker: 'Brakken', model: 'B45', at: 'model', says: 'Grey lines go soft' }],
    });
  });
});
