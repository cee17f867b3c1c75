import type { CheckDef } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { BIG_BUTTON } from './steps/StepHead';

/** The results of a check, one tap each. */
export const ResultPick = ({
  check,
  onPick,
}: {
  check: CheckDef;
  onPick: (result: string) => void;
}): ReactElement => (
  <div className="flex flex-wrap gap-3" role="group" aria-label="Result">
    {check.results.map((result, i) => (
      <button
        key={result.id}
        type="button"
        data-result={i + 1}
        onClick={() => onPick(result.id)}
        className={`${BIG_BUTTON} flex min-w-24 items-center gap-2.5 px-4`}
      >
        <kbd
          className="hidden rounded bg-line px-1.5 font-sans text-base font-normal text-ink lg:block"
          aria-hidden
        >
          {i + 1}
        </kbd>
        {result.label}
      </button>
    ))}
  </div>
);
