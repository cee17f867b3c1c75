import type { LearntState } from '@rusty-wren/contract';
import { causeOf, CHECKS, REMEDIES, type CauseId } from '@rusty-wren/core/knowledge';
import { ENOUGH_TIMES, type LearntPace, type TaskId } from '@rusty-wren/core/learning';
import { useState, type ReactElement } from 'react';
import { useAccountsQuery } from '../api/api';
import { factorWords } from './words';

const SHOP = '';

/** What is done: a check by its name, a repair by what it does. */
const taskName = (task: TaskId): string =>
  CHECKS.find((c) => c.id === task)?.name ??
  REMEDIES.find((r) => r.id === task)?.does ??
  causeOf(task as CauseId).remedy;

/** How long checks and repairs take here against the trade's minutes, in the whole shop or by one who made them often. */
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
      <h2 className="text-2xl font-bold">Minutes of checks and repairs</h2>
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
