import { causeOf, checkOf } from '@rusty-wren/core/knowledge';
import type { Instead, Review } from '@rusty-wren/core/practice';
import type { ReactElement } from 'react';
import { inSentence } from '../ui/words';
import { cameOf, clockWords, isToldTwice, moveName } from './SoFar';

const insteadWords = (instead: Instead): string =>
  'check' in instead ? checkOf(instead.check).name : `Mend: ${inSentence(causeOf(instead.mend).name)}`;

/** The path step by step, with what the plan would have done where that was something else. */
export function Path({ review }: { review: Review }): ReactElement {
  const rows = review.steps.filter((s) => s.plan || !isToldTwice(s)).filter((s) => s.move.do !== 'note');
  const noteOf = (n: number): string => {
    const at = review.steps.indexOf(rows[n]!);
    const next = review.steps.slice(at + 1).find((s) => s.move.do !== 'ask' && !isToldTwice(s));
    return next?.move.do === 'note' ? cameOf(next) : cameOf(rows[n]!);
  };
  return (
    <section aria-label="The path">
      <h2 className="text-2xl font-bold">Step by step</h2>
      <ol className="mt-2">
        {rows.map(({ move, at, plan }, n) => {
          const same =
            plan && ('check' in plan ? move.do === 'look' && move.check === plan.check : move.do === 'mend');
          return (
            <li
              key={n}
              className="grid grid-cols-[3.5rem_1fr] gap-x-2 border-b border-line py-2 leading-snug"
            >
              <span className="text-soft tabular-nums">{clockWords(at)}</span>
              <span className="text-lg">
                {moveName(move)}
                {noteOf(n) && (
                  <>
                    : <strong className="font-semibold">{noteOf(n)}</strong>
                  </>
                )}
                {plan && !same && (
                  <span className="block text-base text-soft">The plan: {insteadWords(plan)}</span>
                )}
              </span>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
