import type { SafetyFault } from '@rusty-wren/core/log';
import { TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { OneLine } from '../../ui/OneLine';
import { StepHead } from './StepHead';

/** It would be run now, and something that keeps its user safe is broken: that comes first. */
export function SafetyStep({
  fault,
  log,
  onClose,
}: {
  fault: SafetyFault;
  log: Log;
  onClose: () => void;
}): ReactElement {
  return (
    <section aria-label="Safety first">
      <StepHead eyebrow="Before it is run" title={fault.words} />
      <p className="mt-3 flex max-w-[58ch] items-start gap-2 text-xl leading-snug font-semibold text-rust">
        <TriangleAlert className="mt-0.5 shrink-0" aria-hidden /> It is not run while this is broken.
      </p>
      <div className="mt-5 flex flex-wrap gap-3">
        <Button
          look="rust"
          className="min-h-16 px-8 text-xl"
          onClick={() => log('answered', { safety: 'put-right' })}
        >
          Put right
        </Button>
        {!fault.told && (
          <Button className="min-h-16 px-6 text-lg" onClick={() => log('answered', { safety: 'told' })}>
            Told the owner
          </Button>
        )}
        <Button className="min-h-16 px-6 text-lg" onClick={onClose}>
          Close it as it is
        </Button>
      </div>
      {!fault.refused && <Refused log={log} />}
      <OneLine
        label="Run it all the same, because"
        placeholder="chain off, run on the stand…"
        most={500}
        done="Run it all the same"
        look="plain"
        onDone={(words) => log('hazard-passed', { words })}
      />
    </section>
  );
}

/** The owner does not want a safety fault put right, and has said so in writing. */
export const Refused = ({ log }: { log: Log }): ReactElement => (
  <OneLine
    label="Refused in writing, in the owner’s words"
    placeholder="refused in writing: the owner’s words and name"
    most={500}
    done="Refused"
    look="plain"
    onDone={(words) => log('answered', { safety: 'refused', words })}
  />
);
