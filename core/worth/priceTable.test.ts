import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FAMILY_IDS } from '../knowledge';
import { PRICED_IDS, priceTable, readPriceTable, type PriceLine } from './index';

describe('a price book as a table', () => {
  const cents = fc.integer({ min: 0, max: 10_000_00 });
  const word = fc.string({ minLength: 1, maxLength: 20 }).filter((s) => s.trim() === s && s !== '');
  const scope = fc.oneof(
    fc.constant({}),
    fc.record({ kind: fc.constantFrom('chainsaw' as const, 'blower' as const) }),
    fc.record({ family: fc.constantFrom(...FAMILY_IDS) }),
    fc.record({ maker: word, model: word }),
  );
  const line = fc
    .tuple(
      fc.record({
        what: fc.constantFrom(...PRICED_IDS, 'like' as const),
        price: cents,
        waitDays: fc.integer({ min: 0, max: 365 }),
      }),
      scope,
      fc.option(cents),
    )
    .map(([base, s, cost]): PriceLine => ({ ...base, ...s, ...(cost !== null && { cost }) }));

  it('comes back as it was written', () => {
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 20 }), (lines) => {
        expect(readPriceTable(priceTable(lines))).toEqual({ lines });
      }),
      { numRuns: 300 },
    );
  });

  it('names every row that is wrong, and takes none of it', () => {
    const text = [
      'what;kind;maker;model;price;cost;waitDays;family',
      'plug-failed;;;;5,00;;0',
      'spark;;;;5;;0',
      'coil-failed;tractor;;;5;;0',
      'coil-failed;;Brakken;;5;;0',
      'coil-failed;chainsaw;Brakken;B45;5;;0',
      'coil-failed;;;;;;0',
      'coil-failed;;;;dear;;0',
      'coil-failed;;;;10000.01;;0',
      'coil-failed;;;;5;x;0',
      'coil-failed;;;;5;;1.5',
      'coil-failed;;;;5;;0;plate',
      'coil-failed;blower;;;5;;0;barrel/none',
    ].join('\n');
    expect(readPriceTable(text)).toEqual({
      problems: [
        'Line 3: what "spark" is no repair, remedy or "like".',
        'Line 4: kind "tractor" is no kind of machine.',
        'Line 5: maker and model go together.',
        'Line 6: a line is for a kind, a family or a model, not for two of them.',
        'Line 7: there is no price.',
        'Line 8: price "dear" is not a number.',
        'Line 9: price 10000.01 is outside 0 to 10000.',
        'Line 10: cost "x" is not a number.',
        'Line 11: waitDays 1.5 is not a whole number.',
        `Line 12: family "plate" is no family of carburettors: ${FAMILY_IDS.join(', ')}.`,
        'Line 13: a line is for a kind, a family or a model, not for two of them.',
      ],
    });
  });

  it.each([
    ['', 'The table is empty.'],
    ['what,price', 'The table has a heading and nothing under it.'],
    ['what,wait', 'The heading has a column "wait" that no line has.'],
    ['what,kind\nlike,', 'The heading has no column "price".'],
  ])('says what is wrong with %j', (text, says) => {
    expect(readPriceTable(text)).toEqual({ problems: [says] });
  });
});
