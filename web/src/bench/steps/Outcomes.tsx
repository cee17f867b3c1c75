import type { RepairOutcome } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { BIG_BUTTON } from './StepHead';

const WORDS: Readonly<Record<RepairOutcome, string>> = {
  cured: 'Cured it',
  better: 'Better, not cured',
  'no-change': 'Changed nothing',
  untried: 'Done, tried later',
};

/** How a repair turned out, one tap each. */
export const Outcomes = <O extends RepairOutcome>({
  outcomes,
  onPick,
}: {
  outcomes: readonly O[];
  onPick: (outcome: O) => void;
}): ReactElement => (
  <div className="mt-4 flex flex-wrap gap-3" role="group" aria-label="How it turned out">
    {outcomes.map((outcome) => (
      <button
        key={outcome}
        type="button"
        className={`${BIG_BUTTON} min-w-32 px-5`}
        onClick={() => onPick(outcome)}
      >
        {WORDS[outcome]}
      </button>
    ))}
  </div>
);
