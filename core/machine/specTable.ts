import Papa from 'papaparse';
import type { SpecFigures } from './facts';
import { SPEC_PAIRS, SPEC_SINGLES } from './specFields';

/** A model's card: the maker's figures as far as they are known, and where they were read. One line of a spec table. */
export interface SpecLine {
  maker: string;
  model: string;
  figures: SpecFigures;
  source?: string;
}

const SINGLES = SPEC_SINGLES.map((f) => f.name);
const PAIRS = SPEC_PAIRS.map((f) => f.name);

/** Columns of a spec table; a band has one for its low and one for its high edge. */
export const SPEC_COLUMNS: readonly string[] = [
  'maker',
  'model',
  ...SINGLES,
  ...PAIRS.flatMap((p) => [`${p}Low`, `${p}High`]),
  'source',
];

/** The cards as a table with a heading, commas between columns. */
export function specTable(lines: readonly SpecLine[]): string {
  return Papa.unparse({
    fields: [...SPEC_COLUMNS],
    data: lines.map(({ maker, model, figures, source }) => [
      maker,
      model,
      ...SINGLES.map((s) => figures[s] ?? ''),
      ...PAIRS.flatMap((p) => [figures[p]?.[0] ?? '', figures[p]?.[1] ?? '']),
      source ?? '',
    ]),
  });
}

/**
 * The cards in a table with a heading (commas, semicolons or tabs), or one sentence naming the line and the column that
 * cannot be read. Bounds are for whoever takes them in.
 */
export function readSpecTable(text: string): { lines: SpecLine[] } | { problem: string } {
  if (!text.trim()) return { problem: 'The table is empty.' };
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, '').trim(), {
    header: true,
    skipEmptyLines: true,
    transformHeader: (name) => name.trim(),
  });
  const unknown = (meta.fields ?? []).find((name) => !SPEC_COLUMNS.includes(name));
  if (unknown !== undefined) return { problem: `The heading has a column "${unknown}" that no card has.` };
  for (const name of ['maker', 'model'])
    if (!meta.fields?.includes(name)) return { problem: `The heading has no column "${name}".` };
  if (data.length === 0) return { problem: 'The table has a heading and nothing under it.' };
  const lines: SpecLine[] = [];
  for (const [i, row] of data.entries()) {
    const at = `Line ${i + 2}`;
    const figures: Record<string, unknown> = {};
    const figure = (name: string): number | null | undefined => {
      const cell = row[name]?.trim();
      if (!cell) return undefined;
      const value = Number(cell.replace(',', '.'));
      return Number.isFinite(value) ? value : null;
    };
    for (const name of SINGLES) {
      const value = figure(name);
      if (value === null) return { problem: `${at}: ${name} "${row[name]}" is not a number.` };
      if (value !== undefined) figures[name] = value;
    }
    for (const name of PAIRS) {
      const [low, high] = [figure(`${name}Low`), figure(`${name}High`)];
      if (low === null || high === null)
        return { problem: `${at}: ${name} has an edge that is not a number.` };
      if ((low === undefined) !== (high === undefined))
        return { problem: `${at}: ${name} needs both its low and its high edge.` };
      if (low !== undefined && high !== undefined) figures[name] = [low, high];
    }
    const maker = row['maker']?.trim() ?? '';
    const model = row['model']?.trim() ?? '';
    if (!maker || !model) return { problem: `${at} has no ${maker ? 'model' : 'maker'}.` };
    const source = row['source']?.trim();
    lines.push({ maker, model, figures: figures as SpecFigures, ...(source && { source }) });
  }
  return { lines };
}
