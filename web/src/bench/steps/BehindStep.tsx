import type { CauseId } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { StepHead } from './StepHead';
import { useTradeWords } from '../../job/tradeWords';

/** What may stand behind a cured result: each answered before the job can close. */
export function BehindStep({
  cause,
  open,
  log,
}: {
  cause: CauseId;
  open: readonly CauseId[];
  log: Log;
}): ReactElement {
  const { causeOf } = useTradeWords();
  return (
    <section aria-label="Behind it">
      <StepHead eyebrow="Before it leaves" title="What caused it?" />
      <p className="mt-3 max-w-[58ch] text-xl leading-snug">
        {causeOf(cause).name} is a result. Left alone, what made it will make it again.
      </p>
      <ul className="mt-4 max-w-2xl">
        {open.map((id) => (
          <li
            key={id}
            className="flex flex-wrap items-center justify-between gap-3 border-b border-line py-3"
          >
            <span className="text-xl font-semibold">{causeOf(id).name}</span>
            <span className="flex gap-2">
              <Button onClick={() => log('verdict', { behind: id, answer: 'ruled-out' })}>Ruled out</Button>
              <Button onClick={() => log('verdict', { behind: id, answer: 'put-right' })}>Put right</Button>
              <Button
                look="quiet"
                onClick={() => log('verdict', { behind: id, answer: 'waived', words: 'Not looked at' })}
              >
                Leave it
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
