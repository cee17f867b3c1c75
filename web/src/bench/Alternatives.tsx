import { CHECKS, checkOf, partOf, resultOf, type CheckGroup, type CheckId } from '@rusty-wren/core/knowledge';
import { type NextCheck } from '@rusty-wren/core/diagnosis';
import type { Finding } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';
import { useFinder } from '../ui/useFinder';
import { minutesWords } from '../ui/words';

const SHOWN = 3;

/** The places of the machine a check looks at, in the order its fuel and its spark travel. */
const GROUPS: readonly (readonly [CheckGroup, string])[] = [
  ['fuel', 'Fuel and lines'],
  ['carburettor', 'Carburettor'],
  ['air', 'Air'],
  ['spark', 'Spark'],
  ['squeeze', 'Squeeze'],
  ['case', 'Crankcase'],
  ['exhaust', 'Exhaust'],
  ['running', 'Running'],
  ['drive', 'Drive'],
];

/** Checks as they are found: by name, by the words of the bench line, and by what has to be off. */
const LISTED = CHECKS.map((check) => ({
  ...check,
  behind: check.access.map((part) => partOf(part).name),
  says: check.results.map((r) => r.label),
}));
const KEYS = ['name', 'words', 'id', 'behind', 'says'];

/** The next best checks, and the way to any other. */
export function Alternatives({
  heading,
  next,
  current,
  findings,
  onPick,
}: {
  heading: string;
  next: readonly NextCheck[];
  current: CheckId | null;
  findings: readonly Finding[];
  onPick: (check: CheckId) => void;
}): ReactElement {
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
          next={next}
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

/** Every check there is: found by typing, or by the part of the machine it looks at. */
function AnyCheck({
  next,
  findings,
  onPick,
}: {
  next: readonly NextCheck[];
  findings: readonly Finding[];
  onPick: (check: CheckId) => void;
}): ReactElement {
  const [written, setWritten] = useState('');
  const [group, setGroup] = useState<CheckGroup | null>(null);
  const matching = useFinder(LISTED, KEYS, written);
  const shown = group ? matching.filter((check) => check.group === group) : matching;
  const planned = new Map(next.map((n) => [n.check, n]));
  const made = new Map(findings.map((f) => [f.check, f.result]));
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        const [first] = shown;
        if (first) onPick(first.id);
      }}
    >
      <input
        autoFocus
        aria-label="Find a check"
        value={written}
        onChange={(e) => setWritten(e.target.value)}
        placeholder="spark, screen, muffler"
        className="min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
      />
      <div className="mt-3 flex flex-wrap gap-2" role="group" aria-label="Part of the machine">
        {GROUPS.map(([id, name]) => (
          <button
            key={id}
            type="button"
            aria-pressed={group === id}
            onClick={() => setGroup(group === id ? null : id)}
            className="min-h-11 rounded-md border-2 border-line px-3 font-semibold hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
          >
            {name}
          </button>
        ))}
      </div>
      <ul className="mt-3">
        {shown.map((check) => {
          const result = made.get(check.id);
          return (
            <li key={check.id}>
              <RowButton
                type="button"
                onClick={() => onPick(check.id)}
                aside={
                  <span className="text-soft">
                    {result
                      ? resultOf(check.id, result)?.label
                      : minutesWords(planned.get(check.id)?.minutes ?? check.minutes)}
                  </span>
                }
              >
                <strong className="font-semibold">{check.name}</strong>
              </RowButton>
            </li>
          );
        })}
        {shown.length === 0 && <li className="py-3 text-lg text-soft">No check of that name there.</li>}
      </ul>
    </form>
  );
}
