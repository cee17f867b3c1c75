import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { rowsIn, tableOf } from './index';

const OF = { columns: ['name', 'price'], needs: ['name'], noun: 'part' } as const;
const lines = (text: string) => {
  const read = rowsIn(text, OF);
  return 'rows' in read ? read.rows.map((r) => [r.line, r.cell('name'), r.cell('price')]) : read.problem;
};

describe('a table', () => {
  it('numbers its lines as they were written, blank ones and cells of several lines counted', () => {
    expect(lines('name,price\nPlug,5\nFilter,4')).toEqual([
      [2, 'Plug', '5'],
      [3, 'Filter', '4'],
    ]);
    expect(lines('name,price\n\nPlug,5\n\n\nFilter,4\n')).toEqual([
      [3, 'Plug', '5'],
      [6, 'Filter', '4'],
    ]);
    expect(lines('\n\nname,price\nPlug,5')).toEqual([[4, 'Plug', '5']]);
    expect(lines('name,price\n"Plug\nlong",5\nFilter,4')).toEqual([
      [2, 'Plug\nlong', '5'],
      [4, 'Filter', '4'],
    ]);
  });
  it('writes what a spreadsheet would reckon with as words, and reads it as it was', () => {
    expect(tableOf(['name', 'price'], [["=cmd|' /C calc'!A0", -5]])).toBe(
      `name,price\r\n"'=cmd|' /C calc'!A0",-5`,
    );
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom(...'=+-@\t\r\'"a,; 1\n') }), (name) => {
        const table = tableOf(['name', 'price'], [[name, 'x']]);
        expect(table.split('\n')[1]).not.toMatch(/^"?[=+\-@\t\r]/);
        const read = rowsIn(table, OF);
        expect('rows' in read && read.rows[0]!.cell('name')).toBe(name.trim());
      }),
      { numRuns: 2000, examples: [["'\n="], ['\t'], [" '=x"]] },
    );
  });
  it('says what is wrong with it in one sentence', () => {
    expect(lines(' ')).toBe('The table is empty.');
    expect(lines('name,price\n\n')).toBe('The table has a heading and nothing under it.');
    expect(lines('name,colour\nPlug,red')).toBe('The heading has a column "colour" that no part has.');
    expect(lines('price\n5')).toBe('The heading has no column "name".');
  });
});
