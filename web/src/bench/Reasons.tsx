import { causeOf, checksTelling, type CauseId } from '@rusty-wren/core/knowledge';
import { whyOrWhyNot } from '@rusty-wren/core/diagnosis';
import { useMemo, type ReactElement } from 'react';
import { inSentence, minutesWords, percent } from '../ui/words';
import { Moves } from './Moves';
import { ShopSays } from './ShopSays';
import type { JobAtBench } from '../job/useJob';

const SHOWN = 10;

/** Why one cause is suspected, or why not: where it started, every entry that moved it, and what would show it. */
export function Reasons({
  cause,
  atBench,
  onEntry,
}: {
  cause: CauseId;
  atBench: JobAtBench;
  onEntry?: (ref: string) => void;
}): ReactElement {
  const { benchCase, picture, learnt, nameOf } = atBench;
  const reasons = useMemo(() => whyOrWhyNot(benchCase, cause), [benchCase, cause]);
  const made = new Set(picture.findings.map((f) => f.check));
  const left = checksTelling([cause]).filter((check) => !made.has(check.id));
  const kindCannot = reasons.before === 0;
  return (
    <div data-reasons={cause}>
      <p className="text-xl leading-snug">
        {kindCannot ? (
          'This kind of machine cannot have it.'
        ) : (
          <>
            <strong>{faint(reasons.before)}</strong> before anything was said or found;{' '}
            <strong>{faint(reasons.probability)}</strong> now.
          </>
        )}
      </p>
      <div className="mt-3">
        <ShopSays learnt={learnt} cause={cause} />
        <Moves moved={reasons.moved.slice(0, SHOWN)} nameOf={nameOf} onEntry={onEntry} />
      </div>
      {!kindCannot && left.length > 0 && (
        <p className="mt-4 text-lg leading-snug">
          <span className="font-bold">Would show on: </span>
          {left
            .slice(0, 4)
            .map((check) => `${inSentence(check.name)} (${minutesWords(check.minutes)})`)
            .join(', ')}
        </p>
      )}
      <p className="mt-4 text-lg">
        {causeOf(cause).remedy}, {causeOf(cause).minutes} min
      </p>
    </div>
  );
}

/** A probability down to one in a thousand, since here the faint ones are asked about. */
const faint = (p: number): string =>
  p >= 0.01 ? percent(p) : p >= 0.001 ? `${(p * 100).toFixed(1)} %` : 'below 0.1 %';
