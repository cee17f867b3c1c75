import { rowsIn, tableOf } from '../table';
import { readNumber } from '../units';
import type { SpecFigures } from './facts';
import { SPEC_PAIRS, SPEC_SINGLES, SPEC_TEXTS } from './specFields';

/** A model's card: the maker's figures as far as they are known, and where they were read. One line of a spec table. */
export interface SpecLine {
  maker: string;
  model: string;
  figures: SpecFigures;
  source?: string;
}

const SINGLES = SPEC_SINGLES.map((f) => f.name);
const PAIRS = SPEC_PAIRS.map((f) => f.name);
const TEXTS = SPEC_TEXTS.map((f) => f.name);

/** Columns of a spec table; a band has one for its low and one for its high edge. */
export const SPEC_COLUMNS: readonly string[] = [
  'maker',
  'model',
  ...SINGLES,
  ...PAIRS.flatMap((p) => [`${p}Low`, `${p}High`]),
  ...TEXTS,
  'source',
];

/** Between what a column's figures lie. */
const boundsOf = (column: string) =>
  [...SPEC_SINGLES, ...SPEC_PAIRS].find(
    (f) => column === f.name || column.replace(/(Low|High)$/, '') === f.name,
  );

/** The cards as a table with a heading, commas between columns. */
export function specTable(lines: readonly SpecLine[]): string {
  return tableOf(
    SPEC_COLUMNS,
    lines.map(({ maker, model, figures, source }) => [
      maker,
      model,
      ...SINGLES.map((s) => figures[s] ?? ''),
      ...PAIRS.flatMap((p) => [figures[p]?.[0] ?? '', figures[p]?.[1] ?? '']),
      ...TEXTS.map((t) => figures[t] ?? ''),
      source ?? '',
    ]),
  );
}

/**
 * The cards in a table with a heading (commas, semicolons or tabs), or one sentence naming the line and the column that
 * cannot be read. Bounds are for whoever takes them in.
 */
export function readSpecTable(text: string): { lines: SpecLine[] } | { problem: string } {
  const table = rowsIn(text, { columns: SPEC_COLUMNS, needs: ['maker', 'model'], noun: 'card' });
  if ('problem' in table) return table;
  const lines: SpecLine[] = [];
  for (const { line, cell } of table.rows) {
    const at = `Line ${line}`;
    const figures: Record<string, unknown> = {};
    const figure = (name: string): number | null | undefined => {
      const written = cell(name);
      if (!written) return undefined;
      const read = readNumber(written, boundsOf(name));
      return 'value' in read ? read.value : null;
    };
    for (const name of SINGLES) {
      const value = figure(name);
      if (value === null) return { problem: `${at}: ${name} "${cell(name)}" is not a number.` };
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
    for (const name of TEXTS) if (cell(name)) figures[name] = cell(name);
    const maker = cell('maker');
    const model = cell('model');
    if (!maker || !model) return { problem: `${at} has no ${maker ? 'model' : 'maker'}.` };
    const source = cell('source');
    lines.push({ maker, model, figures: figures as SpecFigures, ...(source && { source }) });
  }
  return { lines };
}
