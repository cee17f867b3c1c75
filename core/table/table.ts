import Papa from 'papaparse';

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
      ? [{ line: at, cell: (name: C) => row[name]?.trim() ?? '' }]
      : [];
  });
  if (rows.length === 0) return { problem: 'The table has a heading and nothing under it.' };
  return { rows };
}
