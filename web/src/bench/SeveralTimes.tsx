import { countProblem, type CheckDef, type Counted } from '@rusty-wren/core/knowledge';
import { staleFindings, type Picture } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

/** How often a check was made and failed, as it is typed; empty: once. */
export interface Tries {
  failed: string;
  of: string;
}
export const ONCE: Tries = { failed: '', of: '' };

/** The count that was typed, none where none was, or in a sentence why it cannot be. */
export function countIn(
  check: CheckDef,
  result: string,
  { failed, of }: Tries,
): Counted | string | undefined {
  if (failed === '' && of === '') return undefined;
  const counts = { failed: Number(failed), of: Number(of) };
  if (failed === '' || counts.of < 1 || counts.failed > counts.of)
    return 'Failed: how many of how many, such as 1 of 3.';
  const problem = countProblem(check, result, counts);
  return problem ? `${problem}.` : counts;
}

/** How often it failed, of how often it was made: for what comes and goes. */
export function SeveralTimes({
  value,
  onChange,
}: {
  value: Tries;
  onChange: (value: Tries) => void;
}): ReactElement {
  const field = (name: keyof Tries, label: string): ReactElement => (
    <input
      aria-label={label}
      inputMode="numeric"
      maxLength={2}
      value={value[name]}
      onChange={(e) => onChange({ ...value, [name]: e.target.value.replace(/\D/g, '') })}
      className="min-h-11 w-14 rounded-md border-2 border-line bg-card text-center text-xl font-semibold"
    />
  );
  return (
    <span className="flex items-center gap-2 text-lg">
      Failed {field('failed', 'Times it failed')} of {field('of', 'Times it was made')}
    </span>
  );
}

/** A check that was made before, made once more: did it do it again, or not this time? One tap each. */
export function OnceMore({
  check,
  picture,
  onAgain,
}: {
  check: CheckDef;
  picture: Picture;
  onAgain: (result: string, counts: Counted) => void;
}): ReactElement | null {
  const before = picture.findings.find((f) => f.check === check.id);
  if (!before?.result || before.reading || staleFindings(picture).has(before.entryId)) return null;
  const { result } = before;
  const sound = result === check.results[0]?.id;
  const { failed, of } = before.counts ?? { failed: sound ? 0 : 1, of: 1 };
  const label = check.results.find((r) => r.id === result)?.label ?? result;
  const again = { failed: sound ? 0 : failed + 1, of: of + 1 };
  return (
    <div className="mb-3 flex flex-wrap items-center gap-3" role="group" aria-label="Once more">
      <span className="text-lg">
        So far {label}
        {of > 1 && `, ${sound ? of : `${failed} of ${of}`} times`}
      </span>
      <Button onClick={() => onAgain(result, again)}>{sound ? 'The same again' : 'It did it again'}</Button>
      {!sound && <Button onClick={() => onAgain(result, { failed, of: of + 1 })}>Not this time</Button>}
    </div>
  );
}
