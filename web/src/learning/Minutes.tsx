import type { LearntState } from '@rusty-wren/contract';
import { ENOUGH_TIMES, type LearntPace } from '@rusty-wren/core/learning';
import type { TaskId } from '@rusty-wren/core/knowledge';
import { useState, type ReactElement } from 'react';
import { useAccountsQuery } from '../api/api';
import { factorWords, taskName } from './words';

const SHOP = '';

/** How long things take here against the trade's minutes, in the whole shop or by one who made them often. */
export function Minutes({ minutes }: { minutes: LearntState['minutes'] }): ReactElement {
  const { data: accounts = [] } = useAccountsQuery();
  const [whose, setWhose] = useState(SHOP);
  const names = Object.keys(minutes.own).flatMap((id) => accounts.find((a) => a.id === id) ?? []);
  const paces = Object.entries(whose === SHOP ? minutes.shop : (minutes.own[whose] ?? {})) as [
    TaskId,
    LearntPace,
  ][];
  const away = paces
    .filter(([, { factor }]) => factor !== 1)
    .toSorted(([, x], [, y]) => Math.abs(Math.log(y.factor)) - Math.abs(Math.log(x.factor)));
  return (
    <section aria-label="Minutes" className="mt-10">
      <h2 className="text-2xl font-bold">Minutes at the bench</h2>
      {names.length > 0 && (
        <select
          aria-label="Whose minutes"
          value={whose}
          onChange={(e) => setWhose(e.target.value)}
          className="mt-2 min-h-11 rounded-md border-2 border-line bg-card px-2 text-lg font-semibold"
        >
          <option value={SHOP}>the whole shop</option>
          {names.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      )}
      {away.length === 0 ? (
        <p className="mt-2 text-lg text-soft">
          {paces.length === 0
            ? `Nothing was done ${ENOUGH_TIMES.shop} times yet.`
            : 'As long as the trade says.'}
        </p>
      ) : (
        <ul className="mt-2 divide-y divide-line border-y border-line">
          {away.map(([task, { factor, times }]) => (
            <li key={task} className="flex min-h-12 items-center justify-between gap-4 py-1 text-lg">
              <span>
                <strong className="font-semibold">{taskName(task)}</strong>, {times} times
              </span>
              <strong className="shrink-0 tabular-nums">{factorWords(factor)}</strong>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
