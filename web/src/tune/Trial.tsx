import { checkOf, type CheckId } from '@rusty-wren/core/knowledge';
import { moveInWords, type Ledger, type LedgerLine } from '@rusty-wren/core/tuning';
import type { ReactElement } from 'react';
import { BIG_BUTTON } from '../bench/steps/StepHead';
import { Button } from '../ui/Button';

/** A quarter out, to see what it does. */
const QUARTER = 2;
const CHECK_OF: Readonly<Record<'L' | 'H', CheckId>> = { L: 'low-screw-trial', H: 'high-screw-trial' };

/** The early turn that is still in: made to see, not put back yet. */
export function standingTrial(ledger: Ledger): LedgerLine | null {
  const last = ledger.lines.at(-1);
  return last?.trial && last.screw !== 'stop' ? last : null;
}

/** The early quarter turn as a test: offered before tuning. */
export function TryATurn({ onTry }: { onTry: (screw: 'L' | 'H', eighths: number) => void }): ReactElement {
  return (
    <div className="mt-5">
      <p className="text-lg">Or a quarter turn, only to see what it does. It goes back after.</p>
      <div className="mt-2 flex flex-wrap gap-3">
        {(['L', 'H'] as const).map((screw) => (
          <Button key={screw} onClick={() => onTry(screw, QUARTER)}>
            Try {moveInWords({ screw, eighths: QUARTER })}
          </Button>
        ))}
      </div>
    </div>
  );
}

/** A trial that is in: what it did, judged in one tap and put back in the same. */
export function TrialStep({
  trial,
  onJudged,
  onBack,
}: {
  trial: LedgerLine;
  onJudged: (check: CheckId, result: string) => void;
  onBack: () => void;
}): ReactElement {
  const check = checkOf(CHECK_OF[trial.screw as 'L' | 'H']);
  return (
    <section aria-label="Trial">
      <p className="font-semibold text-rust">Only to see</p>
      <h2 className="text-5xl font-bold">{moveInWords(trial)}: what did it do?</h2>
      <div className="mt-3 flex flex-wrap gap-2">
        {check.results.map((result) => (
          <button
            key={result.id}
            type="button"
            className={`${BIG_BUTTON} min-w-32 px-4`}
            onClick={() => onJudged(check.id, result.id)}
          >
            {result.label}
          </button>
        ))}
      </div>
      <p className="mt-2 text-lg text-soft">Each of them puts it back.</p>
      <Button look="quiet" className="!px-0" onClick={onBack}>
        Put it back unjudged
      </Button>
    </section>
  );
}
