import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFns,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, type ReactElement, type ReactNode } from 'react';
import { TableVirtuoso, type TableComponents } from 'react-virtuoso';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns,
});

/** One column: the field it stands for, and how that is shown. */
export interface Column<T> {
  id: Extract<keyof T, string>;
  name: string;
  /** Tailwind classes of its cells: its width. */
  className: string;
  show?: (row: T) => ReactNode;
  /** Left out on a phone. */
  wide?: boolean;
}

interface Context {
  label: string;
}

const COMPONENTS: TableComponents<unknown, Context> = {
  Table: ({ context, ...rest }) => (
    <table {...rest} aria-label={context.label} className="w-full table-fixed text-left text-lg" />
  ),
  TableRow: ({ item: _item, context: _context, ...rest }) => (
    <tr {...rest} className="border-b border-line" />
  ),
};

/** A long table: sorted by a tap on a heading once all of it is there, only the rows in sight drawn. */
export function DataTable<T extends object>({
  label,
  columns,
  rows,
  idOf,
  empty,
  whole,
  onEnd,
}: {
  label: string;
  columns: readonly Column<T>[];
  rows: readonly T[];
  idOf: (row: T) => string;
  empty: string;
  /** These are all there are: only then do headings sort them. */
  whole: boolean;
  /** The last row is in sight: there may be more. */
  onEnd?: () => void;
}): ReactElement {
  const defs = useMemo(() => {
    const helper = createColumnHelper<typeof features, T>();
    return columns.map((c) => helper.accessor((row): unknown => row[c.id], { id: c.id, header: c.name }));
  }, [columns]);
  const data = useMemo(() => [...rows], [rows]);
  const table = useTable({ features, columns: defs, data, getRowId: idOf });
  const shown = new Map(columns.map((c) => [c.id as string, c]));
  const cell = (c: Column<T> | undefined): string =>
    `${c?.className ?? ''} ${c?.wide ? 'hidden md:table-cell' : ''}`;
  const sorted = whole ? table.getRowModel().rows.map((row) => row.original) : rows;
  if (sorted.length === 0) return <p className="py-6 text-lg text-soft">{empty}</p>;
  return (
    <TableVirtuoso<T, Context>
      data={sorted as T[]}
      context={{ label }}
      components={COMPONENTS as TableComponents<T, Context>}
      computeItemKey={(_, row) => idOf(row)}
      className="min-h-80 flex-1"
      {...(onEnd && { endReached: onEnd })}
      fixedHeaderContent={() =>
        table.getHeaderGroups().map((group) => (
          <tr key={group.id} className="bg-paper">
            {group.headers.map(({ column }) => {
              const sort = whole && column.getIsSorted();
              return (
                <th
                  key={column.id}
                  scope="col"
                  {...(whole && {
                    'aria-sort': sort === 'asc' ? 'ascending' : sort === 'desc' ? 'descending' : 'none',
                  })}
                  className={`${cell(shown.get(column.id))} border-b-2 border-line`}
                >
                  {whole ? (
                    <button
                      type="button"
                      onClick={column.getToggleSortingHandler()}
                      className="flex min-h-11 items-center gap-1 font-bold hover:underline"
                    >
                      {shown.get(column.id)?.name}
                      {sort === 'asc' && <ArrowUp size={16} aria-hidden />}
                      {sort === 'desc' && <ArrowDown size={16} aria-hidden />}
                    </button>
                  ) : (
                    <span className="flex min-h-11 items-center font-bold">{shown.get(column.id)?.name}</span>
                  )}
                </th>
              );
            })}
          </tr>
        ))
      }
      itemContent={(_, row) =>
        columns.map((c) => (
          <td key={c.id} className={`${cell(c)} h-12 truncate pr-4`}>
            {c.show ? c.show(row) : String(row[c.id])}
          </td>
        ))
      }
    />
  );
}
