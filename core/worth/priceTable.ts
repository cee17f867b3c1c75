import { FAMILY_IDS, type FamilyId } from '../knowledge';
import { rowsIn, tableOf, type TableRow } from '../table';
import { figureIn, wholeIn } from '../units';
import { MACHINE_KINDS, type MachineKind } from '../machine';
import { BOOK_IDS, MOST_CENTS, MOST_WAIT_DAYS, type PriceLine } from './priceBook';

const COLUMNS = ['what', 'kind', 'family', 'maker', 'model', 'price', 'cost', 'waitDays'] as const;
const WHATS: ReadonlySet<string> = new Set(BOOK_IDS);

const money = (cents: number): string => (cents / 100).toFixed(2);

/** The price book as a table with a heading, commas between columns; money with two decimals. */
export const priceTable = (lines: readonly PriceLine[]): string =>
  tableOf(
    COLUMNS,
    lines.map((l) => [
      l.what,
      l.kind ?? '',
      l.family ?? '',
      l.maker ?? '',
      l.model ?? '',
      money(l.price),
      l.cost === undefined ? '' : money(l.cost),
      l.waitDays,
    ]),
  );

/** Whole cents in a cell, null where it is empty, or why it is no amount. */
export function centsIn(cell: string, name: string): number | null | { problem: string } {
  if (!cell) return null;
  const value = figureIn(cell, { min: 0, max: MOST_CENTS / 100 });
  return typeof value === 'number' ? Math.round(value * 100) : { problem: `${name} ${value.problem}` };
}

/** A row's line, or what is wrong with it. */
function lineIn(cell: TableRow<(typeof COLUMNS)[number]>): PriceLine | { problem: string } {
  const [what, kind, family] = [cell('what'), cell('kind'), cell('family')];
  const [maker, model] = [cell('maker'), cell('model')];
  if (!WHATS.has(what)) return { problem: `what "${what}" is no repair, remedy or "like"` };
  if (kind && !(MACHINE_KINDS as readonly string[]).includes(kind))
    return { problem: `kind "${kind}" is no kind of machine` };
  if (family && !(FAMILY_IDS as readonly string[]).includes(family))
    return { problem: `family "${family}" is no family of carburettors: ${FAMILY_IDS.join(', ')}` };
  if (Boolean(maker) !== Boolean(model)) return { problem: `maker and model go together` };
  if ([kind, family, model].filter(Boolean).length > 1)
    return { problem: 'a line is for a kind, a family or a model, not for two of them' };
  const [price, cost] = [centsIn(cell('price'), 'price'), centsIn(cell('cost'), 'cost')];
  if (price === null) return { problem: 'there is no price' };
  if (typeof price === 'object') return price;
  if (cost !== null && typeof cost === 'object') return cost;
  const days = cell('waitDays') === '' ? 0 : wholeIn(cell('waitDays'), { min: 0, max: MOST_WAIT_DAYS });
  if (typeof days !== 'number') return { problem: `waitDays ${days.problem}` };
  return {
    what: what as PriceLine['what'],
    ...(kind && { kind: kind as MachineKind }),
    ...(family && { family: family as FamilyId }),
    ...(model && { maker, model }),
    price,
    ...(cost !== null && { cost }),
    waitDays: days,
  };
}

/**
 * The lines in a table with a heading (commas, semicolons or tabs), or what is wrong: one sentence a row, each naming its line;
 * nothing is taken from a table with anything wrong in it.
 */
export function readPriceTable(text: string): { lines: PriceLine[] } | { problems: string[] } {
  const table = rowsIn(text, { columns: COLUMNS, needs: ['what', 'price'], noun: 'line' });
  if ('problem' in table) return { problems: [table.problem] };
  const read = table.rows.map(({ cell }) => lineIn(cell));
  const problems = read.flatMap((r, i) => ('problem' in r ? [`Line ${i + 2}: ${r.problem}.`] : []));
  return problems.length > 0
    ? { problems }
    : { lines: read.filter((r): r is PriceLine => !('problem' in r)) };
}
