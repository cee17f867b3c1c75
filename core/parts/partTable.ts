import { FAMILY_IDS, LAYER_IDS, type FamilyId, type LayerId } from '../knowledge';
import { MACHINE_KINDS, type MachineKind } from '../machine';
import { rowsIn, tableOf, type TableRow } from '../table';
import { wholeIn } from '../units';
import { centsIn, MOST_WAIT_DAYS } from '../worth';
import { PART_USES, type Fit, type Part, type PartUse, type Source, type Stocked } from './part';

const COLUMNS = [
  'name',
  'code',
  'uses',
  'fits',
  'holds',
  'shelf',
  'least',
  'price',
  'cost',
  'sources',
  'instead',
  'count',
] as const;
type Column = (typeof COLUMNS)[number];

const money = (cents: number | undefined): string => (cents === undefined ? '' : (cents / 100).toFixed(2));

const fitCell = (f: Fit): string =>
  'model' in f ? `model:${f.maker}|${f.model}` : 'family' in f ? `family:${f.family}` : `kind:${f.kind}`;

/** The catalogue as a table with a heading, commas between columns; lists in a cell between semicolons. */
export function partTable(parts: readonly Stocked[]): string {
  const codes = new Map(parts.map((p) => [p.id, p.code ?? p.name]));
  return tableOf(
    COLUMNS,
    parts
      .filter((p) => !p.donor)
      .map((p) => [
        p.name,
        p.code ?? '',
        p.uses.join('; '),
        p.fits.map(fitCell).join('; '),
        p.holds.join('; '),
        p.shelf ?? '',
        p.least,
        money(p.price),
        money(p.cost),
        p.sources
          .map((s) => [s.name, s.waitDays, ...(s.cost === undefined ? [] : [money(s.cost)])].join('|'))
          .join('; '),
        p.instead.map((i) => `${codes.get(i.part) ?? ''}|${i.condition}`).join('; '),
        p.onHand,
      ]),
  );
}

/** A row of a table as it would be taken in. */
export interface PartRow {
  is: 'new' | 'changed';
  /** Without its id where it is new. */
  part: Omit<Part, 'id' | 'instead' | 'donor'> & {
    id?: string;
    instead: { code: string; condition: string }[];
  };
  /** How many were counted, where the row says so. */
  count: number | null;
}

/** Thrown for a cell that cannot be read: one clause. */
class Unread extends Error {}

const listIn = (cell: string): string[] =>
  cell
    .split(';')
    .map((s) => s.trim())
    .filter(Boolean);

function fitIn(text: string): Fit {
  const [what, rest] = [text.slice(0, text.indexOf(':')), text.slice(text.indexOf(':') + 1).trim()];
  if (what === 'kind' && (MACHINE_KINDS as readonly string[]).includes(rest))
    return { kind: rest as MachineKind };
  if (what === 'family' && (FAMILY_IDS as readonly string[]).includes(rest))
    return { family: rest as FamilyId };
  const [maker, model, more] = rest.split('|').map((s) => s.trim());
  if (what === 'model' && maker && model && more === undefined) return { maker, model };
  throw new Unread(`fits "${text}" is none of model:MAKER|MODEL, family:NAME, kind:NAME`);
}

const countIn = (cell: string, name: string, most: number): number => {
  const n = wholeIn(cell, { min: 0, max: most });
  if (typeof n !== 'number') throw new Unread(`${name}: ${n.problem}`);
  return n;
};

function amountIn(cell: string, name: string): number | null {
  const cents = centsIn(cell, name);
  if (cents !== null && typeof cents === 'object') throw new Unread(cents.problem);
  return cents;
}

function sourceIn(text: string): Source {
  const [name = '', days = '', cost = '', more] = text.split('|').map((s) => s.trim());
  if (!name || more !== undefined) throw new Unread(`sources "${text}" is not NAME|DAYS or NAME|DAYS|COST`);
  const cents = amountIn(cost, 'sources: cost');
  return {
    name,
    waitDays: countIn(days, 'sources: days', MOST_WAIT_DAYS),
    ...(cents !== null && { cost: cents }),
  };
}

function insteadIn(text: string): { code: string; condition: string } {
  const at = text.indexOf('|');
  const [code, condition] = [text.slice(0, at).trim(), text.slice(at + 1).trim()];
  if (at < 0 || !code || !condition) throw new Unread(`instead "${text}" is not CODE|WHAT TO SEE TO`);
  return { code, condition };
}

const oneOf = <T extends string>(cell: string, name: string, known: readonly T[]): T[] =>
  listIn(cell).map((id) => {
    if (!(known as readonly string[]).includes(id)) throw new Unread(`${name} "${id}" is not one`);
    return id as T;
  });

/** So many parts lie on no shelf. */
const MOST_COUNT = 100_000;

function rowIn(cell: TableRow<Column>, known: readonly Part[]): PartRow {
  const name = cell('name');
  if (!name) throw new Unread('there is no name');
  const code = cell('code');
  const same = (p: Part): boolean =>
    code ? p.code === code : !p.code && p.name.toLowerCase() === name.toLowerCase();
  const old = known.find(same);
  const price = amountIn(cell('price'), 'price');
  if (price === null) throw new Unread('there is no price');
  const cost = amountIn(cell('cost'), 'cost');
  return {
    is: old ? 'changed' : 'new',
    part: {
      ...(old && { id: old.id }),
      name,
      ...(code && { code }),
      uses: oneOf<PartUse>(cell('uses'), 'uses', PART_USES),
      fits: listIn(cell('fits')).map(fitIn),
      holds: oneOf<LayerId>(cell('holds'), 'holds', LAYER_IDS),
      ...(cell('shelf') && { shelf: cell('shelf') }),
      least: cell('least') === '' ? 0 : countIn(cell('least'), 'least', MOST_COUNT),
      price,
      ...(cost !== null && { cost }),
      sources: listIn(cell('sources')).map(sourceIn),
      instead: listIn(cell('instead')).map(insteadIn),
    },
    count: cell('count') === '' ? null : countIn(cell('count'), 'count', MOST_COUNT),
  };
}

/**
 * What a table with a heading (commas, semicolons or tabs between columns) would bring in, row by row, or everything that is
 * wrong with it, a sentence a row; nothing is taken from a table with anything wrong in it. A part is the one with its code,
 * else with its name.
 */
export function readPartTable(
  text: string,
  known: readonly Part[],
): { rows: PartRow[] } | { problems: string[] } {
  const table = rowsIn(text, { columns: COLUMNS, needs: ['name', 'price'], noun: 'part' });
  if ('problem' in table) return { problems: [table.problem] };
  const problems: string[] = [];
  const read: { line: number; row: PartRow }[] = [];
  const seen = new Map<string, number>();
  for (const { line, cell } of table.rows) {
    try {
      const one = rowIn(cell, known);
      const key = one.part.code ?? one.part.name.toLowerCase();
      const before = seen.get(key);
      if (before !== undefined) throw new Unread(`it is the same part as line ${before}`);
      seen.set(key, line);
      read.push({ line, row: one });
    } catch (error) {
      if (!(error instanceof Unread)) throw error;
      problems.push(`Line ${line}: ${error.message}.`);
    }
  }
  const rows = read.map((r) => r.row);
  // Codes of the table itself may be named before their own row.
  const codes = new Set([
    ...known.flatMap((p) => p.code ?? p.name),
    ...rows.map((r) => r.part.code ?? r.part.name),
  ]);
  for (const { line, row } of read) {
    const lost = row.part.instead.find((o) => !codes.has(o.code));
    if (lost) problems.push(`Line ${line}: instead names "${lost.code}", and there is no such part.`);
  }
  return problems.length > 0 ? { problems } : { rows };
}
