import type { Drawer } from '@rusty-wren/contract';
import { partTable, readPartTable, type Part, type PartRow } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { toast } from 'sonner';
import { v4 as uuid } from 'uuid';
import { problemWords, useTakePartsMutation } from '../api/api';
import { Button } from '../ui/Button';
import { saveFile } from '../ui/saveFile';
import { TakeTable } from '../ui/TakeTable';

/** So many sentences are read. */
const MOST_TOLD = 5;

/** The rows as parts of the catalogue, with ids, and what was counted of them. */
function partsIn(rows: readonly PartRow[], known: readonly Part[]) {
  const ids = new Map(known.map((p) => [p.code ?? p.name, p.id]));
  for (const { part } of rows) if (!part.id) ids.set(part.code ?? part.name, uuid());
  const parts = rows.map(({ part: { instead, ...part } }): Part => {
    const id = part.id ?? ids.get(part.code ?? part.name)!;
    return { ...part, id, instead: instead.map((i) => ({ part: ids.get(i.code)!, condition: i.condition })) };
  });
  const counted = rows.flatMap(({ count }, n) =>
    count === null ? [] : [{ id: uuid(), part: parts[n]!.id, count }],
  );
  return { parts, counted };
}

/** The catalogue as a table, out and in; what a table would change is said before anything changes. */
export function PartTables({ drawer }: { drawer: Drawer }): ReactElement {
  const [take] = useTakePartsMutation();
  const [rows, setRows] = useState<PartRow[] | null>(null);
  const dryRun = (text: string): string | null => {
    const read = readPartTable(text, drawer.parts);
    setRows('rows' in read ? read.rows : null);
    if ('rows' in read) return null;
    const more = read.problems.length - MOST_TOLD;
    return `${read.problems.slice(0, MOST_TOLD).join(' ')}${more > 0 ? ` And ${more} more.` : ''}`;
  };
  const fresh = rows?.filter((r) => r.is === 'new').length ?? 0;
  const counts = rows?.filter((r) => r.count !== null).length ?? 0;
  return (
    <div className="mt-4 flex flex-wrap items-start gap-4">
      <Button
        disabled={drawer.parts.length === 0}
        onClick={() => saveFile('parts.csv', partTable(drawer.parts), 'text/csv')}
      >
        Save as CSV
      </Button>
      {rows ? (
        <div role="group" aria-label="What the table would change" className="text-lg">
          <p>
            <strong>{fresh}</strong> new, <strong>{rows.length - fresh}</strong> changed,{' '}
            <strong>{counts}</strong> counted.
          </p>
          <div className="mt-2 flex gap-3">
            <Button
              look="rust"
              onClick={() =>
                void take(partsIn(rows, drawer.parts)).then(({ error }) => {
                  if (error) toast.error(problemWords(error));
                  else {
                    toast.success(`${rows.length} parts taken in.`);
                    setRows(null);
                  }
                })
              }
            >
              Take them in
            </Button>
            <Button look="quiet" onClick={() => setRows(null)}>
              Leave it
            </Button>
          </div>
        </div>
      ) : (
        <TakeTable what="Parts as CSV" onTake={dryRun} />
      )}
    </div>
  );
}
