import { layerOf } from '@rusty-wren/core/knowledge';
import type { RenewalChoice } from '@rusty-wren/core/rebuild';
import type { ReactElement } from 'react';
import { StepHead } from '../bench/steps/StepHead';
import { useMoney } from '../ui/money';
import { inSentence, minutesWords, percent } from '../ui/words';

/** What a school renews, in a line. */
const renewsWords = ({ id, renews }: RenewalChoice): string =>
  id === 'whole'
    ? 'The old one goes, whole.'
    : renews.length === 0
      ? 'Nothing: cleaned and laid back.'
      : renews
          .map((layer, n) => (n === 0 ? layerOf(layer).name : inSentence(layerOf(layer).name)))
          .join(', ') + '.';

/** The three schools of renewing side by side, costed for this carburettor; the first is the one to take. */
export function RenewStep({
  choices,
  onChosen,
}: {
  choices: readonly RenewalChoice[];
  onChosen: (id: RenewalChoice['id']) => void;
}): ReactElement {
  const money = useMoney();
  return (
    <section aria-label="What is renewed">
      <StepHead eyebrow="Before it is built" title="What is renewed?" />
      <ul className="mt-4 grid gap-3">
        {choices.map((choice, n) => (
          <li key={choice.id}>
            <button
              type="button"
              data-result={n + 1}
              {...(n === 0 && { 'data-main': '' })}
              onClick={() => onChosen(choice.id)}
              className={`w-full rounded-md border-2 bg-card px-4 py-3 text-left hover:border-ink ${
                n === 0 ? 'border-rust' : 'border-line'
              }`}
            >
              <span className="flex flex-wrap items-baseline justify-between gap-x-4">
                <span className="text-2xl font-bold">{choice.name}</span>
                <span className="text-lg font-semibold tabular-nums">
                  parts {money.said(choice.parts)}, {minutesWords(Math.round(choice.minutes))}
                </span>
              </span>
              <span className="mt-2 flex items-center gap-3">
                <span aria-hidden className="h-2.5 w-40 shrink-0 overflow-hidden rounded-full bg-line">
                  <span
                    className={`block h-full ${n === 0 ? 'bg-ink' : 'bg-rail'}`}
                    style={{ width: `${Math.max(2, Math.min(100, 100 * choice.comeback))}%` }}
                  />
                </span>
                <span className="text-lg">back within the season: {percent(choice.comeback)}</span>
              </span>
              <span className="mt-1 block text-lg leading-snug text-soft">
                {renewsWords(choice)}{' '}
                {n === 0 && <strong className="text-ink">Because: {choice.why}.</strong>}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
