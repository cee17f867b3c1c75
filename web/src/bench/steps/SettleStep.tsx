import type { ReactElement } from 'react';
import type { JobAtBench } from '../../job/useJob';
import type { Log } from '../../job/useLog';
import { OtherCause } from '../OtherCause';
import { StepHead } from './StepHead';

/** Nothing is left to check, and nothing to act on: somebody has to say what it is. */
export const SettleStep = ({ atBench, log }: { atBench: JobAtBench; log: Log }): ReactElement => (
  <section aria-label="Settle on a cause">
    <StepHead
      eyebrow={atBench.picture.complaints.length === 0 ? 'No complaint yet' : 'Nothing left to check'}
      title={atBench.picture.complaints.length === 0 ? 'What does it do?' : 'What is it?'}
    />
    <p className="mt-3 max-w-[58ch] text-xl leading-snug">
      {atBench.picture.complaints.length === 0
        ? 'Add what it does, at the top; then it can be worked out.'
        : 'Settle on a suspect, on any other cause, or say it in your own words.'}
    </p>
    <OtherCause atBench={atBench} log={log} look="rust" />
  </section>
);
