import type { CauseId } from '@rusty-wren/core/knowledge';
import type { Picture } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { causesInWords } from '../../ui/words';
import { StepHead } from './StepHead';

/** What was found accounts for it, and is left as it is, or up to its owner. */
export function LeftStep({
  causes,
  picture,
  log,
  onClose,
}: {
  causes: readonly CauseId[];
  picture: Picture;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const [first] = causes;
  const told = picture.found.some((f) => causes.includes(f.cause) && f.answer?.answer === 'told');
  const named = causesInWords(causes, picture.machine.kind);
  const waits = picture.stage === 'answer';
  const ask = (): void => void log('stage', { stage: 'answer', waitingFor: `Mend ${named}?` });
  return (
    <section aria-label="Found and left">
      <StepHead
        eyebrow={told ? 'The owner was told' : 'Left as it is'}
        title={waits ? 'Waits for an answer' : 'What now?'}
      />
      <p className="mt-3 max-w-[58ch] text-xl leading-snug">It is {named}.</p>
      <div className="mt-5 flex flex-wrap gap-3">
        {told && !waits && (
          <Button look="rust" className="min-h-14 px-6 text-lg" onClick={ask}>
            Wait for the answer
          </Button>
        )}
        {first && (
          <Button
            look={waits ? 'rust' : 'plain'}
            className="min-h-14 px-6 text-lg"
            onClick={() => log('verdict', { settles: first })}
          >
            Mend it
          </Button>
        )}
        <Button look={told || waits ? 'plain' : 'rust'} className="min-h-14 px-6 text-lg" onClick={onClose}>
          Close it as it is
        </Button>
      </div>
    </section>
  );
}
