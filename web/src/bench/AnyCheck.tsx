import {
  CHECKS,
  partOf,
  resultOf,
  type CheckDef,
  type CheckGroup,
  type CheckId,
} from '@rusty-wren/core/knowledge';
import type { Finding } from '@rusty-wren/core/log';
import type { MachineKind } from '@rusty-wren/core/machine';
import { useState, type ReactElement } from 'react';
import { RowButton } from '../ui/RowButton';
import { useFinder } from '../ui/useFinder';
import { minutesWords } from '../ui/words';

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

/** Every check there is: found by typing, or by the part of the machine it looks at. */
export function AnyCheck({
  minutesOf,
  findings,
  on,
  wide = false,
  onPick,
}: {
  /** What a check takes here, minutes. */
  minutesOf: (check: CheckDef) => number;
  findings: readonly Finding[];
  /** Leaves out what this kind of machine has not got. */
  on?: MachineKind;
  /** It has the middle of the screen, not a sheet: two columns where there is room, and no field that takes the keys. */
  wide?: boolean;
  onPick: (check: CheckId) => void;
}): ReactElement {
  const [written, setWritten] = useState('');
  const [group, setGroup] = useState<CheckGroup | null>(null);
  const matching = useFinder(LISTED, KEYS, written);
  const shown = matching.filter(
    (check) => (!group || check.group === group) && !(on && check.notOn?.includes(on)),
  );
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
        autoFocus={!wide}
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
      <ul className={`mt-3 ${wide ? 'gap-x-8 lg:columns-2' : ''}`}>
        {shown.map((check) => {
          const result = made.get(check.id);
          return (
            <li key={check.id} className="break-inside-avoid">
              <RowButton
                type="button"
                onClick={() => onPick(check.id)}
                aside={
                  <span className="text-soft">
                    {result ? resultOf(check.id, result)?.label : minutesWords(minutesOf(check))}
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
