import { entryWords, saidSetRight, type Picture, type SetRight } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import type { Log } from '../../job/useLog';
import { BIG_BUTTON, StepHead } from './StepHead';
import { useTradeWords } from '../../job/tradeWords';

/** Seen wrong and then right: whoever did it says whether a hand was on it, or the first look was wrong. Asked once. */
export function SetRightStep({
  what,
  picture,
  log,
}: {
  what: SetRight;
  picture: Pick<Picture, 'trail'>;
  log: Log;
}): ReactElement {
  const { causeOf, checkOf } = useTradeWords();
  const lineOf = (id: string) => picture.trail.find((l) => l.entry.id === id);
  const says = (id: string): string => {
    const line = lineOf(id);
    return line ? entryWords(line).says : '';
  };
  const name = what.cause ? causeOf(what.cause).name : checkOf(what.check).name;
  return (
    <section aria-label="Set right, or read wrong?">
      <StepHead eyebrow={checkOf(what.check).name} title="Set right, or read wrong?" />
      <p className="mt-3 max-w-[58ch] text-2xl leading-snug">
        First <strong>{says(what.wrong)}</strong>, now <strong>{says(what.right)}</strong>.
      </p>
      <div className="mt-5 flex flex-wrap gap-3" role="group" aria-label="Which was it?">
        <button
          type="button"
          className={`${BIG_BUTTON} min-w-40 px-6`}
          onClick={() => log.all(saidSetRight(what))}
        >
          It was set right
        </button>
        <button
          type="button"
          className={`${BIG_BUTTON} min-w-40 px-6`}
          onClick={() => log('strike', { reason: `Read wrong: ${name}` }, what.wrong)}
        >
          The first was wrong
        </button>
      </div>
    </section>
  );
}
