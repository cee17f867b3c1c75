import { compareGauges, LEAST_PAIRS, type Pair } from '@rusty-wren/core/compression';
import { figureIn } from '@rusty-wren/core/units';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { FigureInput } from '../ui/FigureInput';

type Row = readonly [mine: string, other: string];
const EMPTY: Row = ['', ''];
const BOUNDS = { min: 0, max: 1000 };

const pairIn = ([mine, other]: Row): Pair | null => {
  const [x, y] = [figureIn(mine, BOUNDS), figureIn(other, BOUNDS)];
  return typeof x === 'number' && typeof y === 'number' && x > 0 && y > 0 ? [x, y] : null;
};

/** A gauge held beside another on the same engine or pump: whether it reads low, by how much, and how sure that is. */
export function CompareGauges(): ReactElement {
  const [rows, setRows] = useState<readonly Row[]>([EMPTY, EMPTY, EMPTY]);
  const pairs = rows.map(pairIn).filter((pair) => pair !== null);
  const bad = rows.findIndex((row) => row.every((t) => t.trim()) && !pairIn(row));
  const { verdict, ratio, interval } = compareGauges(pairs);
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  const offBy = interval.map((edge) => Math.round(Math.abs(edge - 1) * 100)).toSorted((x, y) => x - y);
  const set = (at: number, side: 0 | 1, text: string): void =>
    setRows(
      rows.map((row, n) =>
        n !== at ? row : side === 0 ? ([text, row[1]] as const) : ([row[0], text] as const),
      ),
    );
  return (
    <section aria-label="Compare two gauges">
      <p className="max-w-[58ch] text-lg leading-snug">
        The same engine or pump, one gauge after the other, three times: a tired check valve or a bent needle
        reads low on every machine of the week.
      </p>
      <ol className="mt-4 grid gap-3">
        {rows.map(([mine, other], n) => (
          <li key={n} className="flex flex-wrap items-end gap-4">
            <FigureInput
              id={`mine-${n}`}
              label={n === 0 ? 'This gauge' : `This gauge, ${n + 1}`}
              value={mine}
              onChange={(e) => set(n, 0, e.target.value)}
              invalid={bad === n}
            />
            <FigureInput
              id={`other-${n}`}
              label={n === 0 ? 'The other' : `The other, ${n + 1}`}
              value={other}
              onChange={(e) => set(n, 1, e.target.value)}
              invalid={bad === n}
            />
          </li>
        ))}
      </ol>
      <Button className="mt-3" onClick={() => setRows([...rows, EMPTY])}>
        One more
      </Button>
      {bad >= 0 && (
        <p role="alert" className="mt-2 font-semibold text-rust">
          Reading {bad + 1}: two figures above nought, in the same unit.
        </p>
      )}
      <div aria-live="polite" className="mt-5">
        {verdict === 'too-few' ? (
          <p className="text-xl text-soft">
            {LEAST_PAIRS - pairs.length === 1 ? 'One reading' : `${LEAST_PAIRS - pairs.length} readings`}{' '}
            more.
          </p>
        ) : (
          <>
            <p className={`text-5xl font-bold ${verdict === 'agrees' ? 'text-moss' : 'text-rust'}`}>
              {verdict === 'agrees'
                ? 'They agree'
                : `Reads ${percent} % ${verdict === 'reads-low' ? 'low' : 'high'}`}
            </p>
            <p className="mt-1 text-xl">
              {verdict === 'agrees'
                ? `Within ${offBy[1]} %, as far as these tell.`
                : `Between ${offBy.join(' and ')} %, 95 times in 100. Mark it, mend its valve or renew it.`}
            </p>
          </>
        )}
      </div>
    </section>
  );
}
