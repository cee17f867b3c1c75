import type { CheckId } from '@rusty-wren/core/knowledge';
import { minutesIn, type Case, type NextCheck } from '@rusty-wren/core/diagnosis';
import type { Finding } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';
import { minutesWords } from '../ui/words';
import { AnyCheck } from './AnyCheck';
import { useTradeWords } from '../job/tradeWords';

const SHOWN = 3;

/** The next best checks, and the way to any other. */
export function Alternatives({
  heading,
  next,
  current,
  benchCase,
  findings,
  onPick,
}: {
  heading: string;
  next: readonly NextCheck[];
  current: CheckId | null;
  /** What the machine is reckoned with: a check takes its opening along. */
  benchCase: Case;
  findings: readonly Finding[];
  onPick: (check: CheckId) => void;
}): ReactElement {
  const { checkOf } = useTradeWords();
  const [all, setAll] = useState(false);
  const others = next.filter((n) => n.check !== current).slice(0, SHOWN);
  return (
    <section aria-label="Other checks" className="mt-5">
      {others.length > 0 && <h3 className="font-semibold text-soft">{heading}</h3>}
      <ul className="max-w-2xl">
        {others.map((n) => (
          <li key={n.check}>
            <RowButton data-alternative onClick={() => onPick(n.check)} aside={minutesWords(n.minutes)}>
              <strong className="font-semibold">{checkOf(n.check).name}</strong>
            </RowButton>
          </li>
        ))}
      </ul>
      <Button look="quiet" className="mt-1 !px-0" data-any-check onClick={() => setAll(true)}>
        Any other check
      </Button>
      <Sheet title="Any check" open={all} onOpenChange={setAll}>
        <AnyCheck
          minutesOf={minutesIn(benchCase)}
          findings={findings}
          onPick={(check) => {
            setAll(false);
            onPick(check);
          }}
        />
      </Sheet>
    </section>
  );
}
