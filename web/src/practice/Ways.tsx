import { checkOf, SCHOOLS } from '@rusty-wren/core/knowledge';
import type { PracticeWay, Review } from '@rusty-wren/core/practice';
import type { ReactElement } from 'react';
import { inSentence } from '../ui/words';

const wayName = (way: PracticeWay): string =>
  way === 'plan' ? 'The plan' : (SCHOOLS.find((s) => s.id === way)?.name ?? way);

/** Minutes beside those of the plan and the schools. */
export function Ways({ review, cured }: { review: Review; cured: boolean }): ReactElement {
  const rows = [
    ...(cured ? [{ name: 'You', minutes: review.minutes, mine: true, checks: [] }] : []),
    ...review.ways.map(({ way, ...by }) => ({ ...by, name: wayName(way), mine: false })),
  ];
  const most = Math.max(...rows.map((r) => r.minutes));
  return (
    <ul aria-label="Minutes" className="mt-5 max-w-2xl">
      {rows.map(({ name, minutes, mine, checks }) => {
        const bar = (
          <span className="grid grid-cols-[11rem_1fr_5rem] items-center gap-3 text-lg max-sm:grid-cols-[8rem_1fr_4.5rem]">
            <span className={mine ? 'font-bold' : ''}>{name}</span>
            <span className="h-5 bg-line" aria-hidden>
              <span
                className={`block h-full ${mine ? 'bg-ink' : 'bg-steel'}`}
                style={{ width: `${(100 * minutes) / most}%` }}
              />
            </span>
            <span className="text-right font-semibold tabular-nums">{Math.round(minutes)} min</span>
          </span>
        );
        return (
          <li key={name}>
            {checks.length === 0 ? (
              <div className="flex min-h-11 flex-col justify-center">{bar}</div>
            ) : (
              // The path of a way, for whoever wants to see it.
              <details>
                <summary className="flex min-h-11 cursor-pointer flex-col justify-center hover:bg-line">
                  {bar}
                </summary>
                <p className="pb-3 pl-3 leading-snug text-soft">
                  {checks.map((id) => inSentence(checkOf(id).name)).join(', ')}.
                </p>
              </details>
            )}
          </li>
        );
      })}
    </ul>
  );
}
