import Papa from 'papaparse';

/** What a spreadsheet would reckon with instead of showing it. */
const FORMULA = /^[\s']*[=+\-@\t\r]/;
/** The same, written as words: a mark before it that is taken off again on the way in. */
const AS_WORDS = /^'(?=[\s']*[=+\-@\t\r])/;

/**
 * A table with a heading, commas between columns. Words that a spreadsheet would take for a formula stay words, and come back from
 * `rowsIn` as they were.
 *
 * @example tableOf(['name', 'price'], [['=Plug', 5]]) // 'name,price\r\n"\'=Plug",5'
 */
export const tableOf = (
  columns: readonly string[],
  rows: readonly (readonly (string | number)[])[],
): string =>
  Papa.unparse({ fields: [...columns], data: rows as (string | number)[][] }, { escapeFormulae: FORMULA });

/** A row of a table by its heading: cells as they were written, trimmed. */
export type TableRow<C extends string> = (column: C) => string;

/**
 * The rows of a table with a heading (commas, semicolons or tabs between columns), each with the line it stands on, or one sentence
 * on why there are none. `needs`: columns it must have; `noun`: what a row is.
 *
 * @example rowsIn('name,price\nPlug,5', { columns: ['name', 'price'], needs: ['name'], noun: 'part' })
 */
export function rowsIn<C extends string>(
  text: string,
  { columns, needs, noun }: { columns: readonly C[]; needs: readonly C[]; noun: string },
): { rows: { line: number; cell: TableRow<C> }[] } | { problem: string } {
  if (!text.trim()) return { problem: 'The table is empty.' };
  const bare = text.replace(/^\uFEFF/, '');
  // Blank lines before the heading are counted, as they are in whatever the table was written with.
  const above = /^\s*\n/.exec(bare)?.[0].split('\n').length ?? 1;
  const { data, meta } = Papa.parse<Record<string, string>>(bare.trim(), {
    header: true,
    transformHeader: (name) => name.trim(),
  });
  const fields = meta.fields ?? [];
  const unknown = fields.find((name) => !(columns as readonly string[]).includes(name));
  if (unknown !== undefined) return { problem: `The heading has a column "${unknown}" that no ${noun} has.` };
  const missing = needs.find((name) => !fields.includes(name));
  if (missing !== undefined) return { problem: `The heading has no column "${missing}".` };
  let line = above;
  const rows = data.flatMap((row) => {
    const at = ++line;
    const cells = Object.values(row).flat();
    // A cell in quotes may go over several lines.
    line += cells.reduce((n, cell) => n + (cell.match(/\n/g) ?? []).length, 0);
    return cells.some((cell) => cell.trim())
      ? [{ line: at, cell: (name: C) => row[name]?.replace(AS_WORDS, '').trim() ?? '' }]
      : [];
  });
  if (rows.length === 0) return { problem: 'The table has a heading and nothing under it.' };
  return { rows };
}
