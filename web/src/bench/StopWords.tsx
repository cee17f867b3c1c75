import { causeOf, type CauseId } from '@rusty-wren/core/knowledge';
import { type Stop } from '@rusty-wren/core/diagnosis';
import type { ReactElement } from 'react';
import { inSentence, percent } from '../rack/words';
import { Button } from '../ui/Button';

const list = (causes: readonly CauseId[]): string =>
  causes.map((id) => inSentence(causeOf(id).name)).join(', ');

/** Further checks would change nothing: what to do instead, and why. */
export function StopWords({
  stop,
  onSettle,
}: {
  stop: Stop;
  onSettle: (cause: CauseId) => void;
}): ReactElement {
  const lead = 'cause' in stop ? stop.cause : stop.causes[0];
  return (
    <section
      aria-label="Enough checked"
      className="mb-6 flex flex-wrap items-center justify-between gap-3 bg-card px-4 py-3"
    >
      <p className="min-w-0 flex-1 basis-72 text-xl leading-tight">{wordsFor(stop)}</p>
      {lead && (
        <Button look="rust" onClick={() => onSettle(lead)}>
          {stop.why === 'nothing-pays' ? 'Try it' : 'Settle on it'}
        </Button>
      )}
    </section>
  );
}

function wordsFor(stop: Stop): ReactElement {
  switch (stop.why) {
    case 'settled':
      return (
        <>
          <strong>{causeOf(stop.cause).name}</strong>, {percent(stop.probability)}: enough to act on.
        </>
      );
    case 'one-remedy':
      return (
        <>
          <strong>{stop.remedy.does}</strong>: it mends whichever it is, {percent(stop.probability)}.{' '}
          <span className="text-soft">{list(stop.causes)}</span>
        </>
      );
    case 'worth':
      return (
        <>
          <strong>Is it worth mending?</strong> {causeOf(stop.causes[0]!).name}, {percent(stop.probability)}:
          weigh the {inSentence(stop.remedy.does)} against the machine before checking further.
        </>
      );
    case 'nothing-pays':
      return (
        <>
          No check left is worth its minutes. Best to try:{' '}
          <strong>{inSentence(causeOf(stop.cause).name)}</strong>, {percent(stop.probability)}.
        </>
      );
  }
}
