import { CHECKS, checkOf, type CheckId } from '@rusty-wren/core/knowledge';
import { type NextCheck } from '@rusty-wren/core/diagnosis';
import { useState, type ReactElement } from 'react';
import { minutesWords } from '../rack/words';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';

const SHOWN = 5;

/** The next best checks, and the way to any other. */
export function Alternatives({
  heading,
  next,
  current,
  onPick,
}: {
  heading: string;
  next: readonly NextCheck[];
  current: CheckId | null;
  onPick: (check: CheckId) => void;
}): ReactElement {
  const [all, setAll] = useState(false);
  const planned = new Map(next.map((n) => [n.check, n]));
  const others = next.filter((n) => n.check !== current).slice(0, SHOWN);
  const pick = (check: CheckId): void => {
    setAll(false);
    onPick(check);
  };
  return (
    <section aria-label="Other checks" className="mt-7">
      {others.length > 0 && <h3 className="font-semibold text-soft">{heading}</h3>}
      <ul className="mt-1 max-w-2xl">
        {others.map((n) => (
          <li key={n.check}>
            <RowButton data-alternative onClick={() => pick(n.check)} aside={minutesWords(n.minutes)}>
              <strong className="font-semibold">{checkOf(n.check).name}</strong>
            </RowButton>
          </li>
        ))}
      </ul>
      <Button look="quiet" className="mt-1 !px-0" onClick={() => setAll(true)}>
        Any other check
      </Button>
      <Sheet title="Any check" open={all} onOpenChange={setAll}>
        <ul>
          {CHECKS.map((check) => (
            <li key={check.id}>
              <RowButton
                onClick={() => pick(check.id)}
                aside={
                  <span className="text-soft">
                    {minutesWords(planned.get(check.id)?.minutes ?? check.minutes)}
                  </span>
                }
              >
                <strong className="font-semibold">{check.name}</strong>
              </RowButton>
            </li>
          ))}
        </ul>
      </Sheet>
    </section>
  );
}
