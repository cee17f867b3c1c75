import { rowsIn, tableOf } from '../table';
import { MODEL_PLACES, MOST_SAID, type ModelNote, type ModelPlace } from './modelNote';

/** Columns of a table of notes. */
const NOTE_COLUMNS = ['maker', 'model', 'at', 'says'] as const;

/** Notes as a table with a heading, commas between columns. */
export const noteTable = (notes: readonly Omit<ModelNote, 'id'>[]): string =>
  tableOf(
    NOTE_COLUMNS,
    notes.map(({ maker, model, at, says }) => [maker, model, at, says]),
  );

/** The notes in a table with a heading, or one sentence naming the line and the column that cannot be read. */
export function readNoteTable(text: string): { notes: Omit<ModelNote, 'id'>[] } | { problem: string } {
  const table = rowsIn(text, { columns: NOTE_COLUMNS, needs: ['maker', 'model', 'says'], noun: 'note' });
  if ('problem' in table) return table;
  const notes: Omit<ModelNote, 'id'>[] = [];
  for (const { line, cell } of table.rows) {
    const [maker, model, says] = [cell('maker'), cell('model'), cell('says')];
    const at = cell('at') || 'model';
    if (!maker || !model) return { problem: `Line ${line} has no ${maker ? 'model' : 'maker'}.` };
    if (!says) return { problem: `Line ${line}: says is empty.` };
    if (says.length > MOST_SAID)
      return { problem: `Line ${line}: says has ${says.length} letters; ${MOST_SAID} at most.` };
    if (!(MODEL_PLACES as readonly string[]).includes(at))
      return {
        problem: `Line ${line}: at "${at}" is no place; write such as "part/top-cover", "check/coil-gap" or "model".`,
      };
    notes.push({ maker, model, at: at as ModelPlace, says });
  }
  return { notes };
}
