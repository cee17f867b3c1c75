import { glance, leadingIn, type Case } from '@rusty-wren/core/diagnosis';
import { CAUSES, causeOf, checkOf } from '@rusty-wren/core/knowledge';
import { useMemo, type ReactElement } from 'react';
import { Why } from '../bench/NextCheck';
import { inSentence, minutesWords, percent } from '../ui/words';

const SHOWN = 4;
const FAINT = 0.02;

/** What the plan would do now and why, and whom it suspects, as far as the trainee has noted it. */
export function Teacher({ about }: { about: Case }): ReactElement {
  const { next, stop, causes, lead } = useMemo(() => glance(about), [about]);
  const [first] = next;
  const suspects = CAUSES.map(({ id }, i) => ({
    cause: id,
    probability: causes[i]!,
  }))
    .filter((s) => s.probability > FAINT)
    .toSorted((x, y) => y.probability - x.probability)
    .slice(0, SHOWN);
  return (
    <section aria-label="The teacher" className="border-l-4 border-moss pl-3">
      <h2 className="text-2xl font-bold">I would</h2>
      {stop ? (
        <p className="text-xl">
          <strong>Mend it: {inSentence(causeOf(leadingIn(stop)).name)}.</strong>{' '}
          {stop.why === 'nothing-pays' && 'No check left is worth its minutes.'}
        </p>
      ) : first ? (
        <>
          <p className="text-xl">
            <strong>{checkOf(first.check).name}</strong>, {minutesWords(first.minutes)}
          </p>
          <Why next={first} suspects={suspects} />
        </>
      ) : (
        <p className="text-xl">Try it, and hand it back.</p>
      )}
      {lead && (
        <ul aria-label="Suspects" className="mt-3 text-lg">
          {suspects.map(({ cause, probability }) => (
            <li key={cause} className="flex justify-between gap-3 border-b border-line py-1">
              {causeOf(cause).name} <strong className="tabular-nums">{percent(probability)}</strong>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
