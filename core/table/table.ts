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
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (name) => name.trim(),
  });
  const fields = meta.fields ?? [];
  const unknown = fields.find((name) => !(columns as readonly string[]).includes(name));
  if (unknown !== undefined) return { problem: `The heading has a column "${unknown}" that no ${noun} has.` };
  const missing = needs.find((name) => !fields.includes(name));
  if (missing !== undefined) return { problem: `The heading has no column "${missing}".` };
  if (data.length === 0) return { problem: 'The table has a heading and nothing under it.' };
  return { rows: data.map((row, i) => ({ line: i + 2, cell: (name) => row[name]?.trim() ?? '' })) };
}
