import type { CheckId } from '@rusty-wren/core/knowledge';
import type { GateMatter } from '@rusty-wren/core/tuning';
import { Check, CircleHelp, X } from 'lucide-react';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';
import { TryATurn } from './Trial';

/** What must be right before a screw is turned: passed by findings, or knowingly. */
export function Gate({
  matters,
  onCheck,
  onPass,
  onTry,
}: {
  matters: readonly GateMatter[];
  onCheck: (check: CheckId) => void;
  onPass: () => void;
  onTry: (screw: 'L' | 'H', eighths: number) => void;
}): ReactElement {
  return (
    <section aria-label="First">
      <p className="font-semibold text-rust">Before the screws</p>
      <h2 className="text-4xl font-bold">Is it the screws?</h2>
      <ul className="mt-3 max-w-2xl">
        {matters.map((m) => (
          <li
            key={m.name}
            className="flex min-h-14 flex-wrap items-center justify-between gap-x-4 border-b border-line py-1"
          >
            <span className="flex items-center gap-3 text-xl font-semibold">
              {m.state === 'right' ? (
                <Check className="text-moss" aria-label="right" />
              ) : m.state === 'wrong' ? (
                <X className="text-rust" aria-label="wrong" />
              ) : (
                <CircleHelp className="text-soft" aria-label="not looked at" />
              )}
              {m.name}
            </span>
            {m.state === 'right' ? (
              <span className="text-lg text-soft">{m.says}</span>
            ) : (
              <Button onClick={() => onCheck(m.check)}>{m.says}</Button>
            )}
          </li>
        ))}
      </ul>
      <Button className="mt-4 min-h-14 px-6 text-lg" onClick={onPass}>
        Tune it all the same
      </Button>
      <TryATurn onTry={onTry} />
    </section>
  );
}
