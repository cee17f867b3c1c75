import { missingToRun } from '@rusty-wren/core/diagnosis';
import { allBack, partsOff, type Noted, type OffItem } from '@rusty-wren/core/log';
import type { ReactElement, ReactNode } from 'react';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { OneLine } from '../../ui/OneLine';
import { inSentence } from '../../ui/words';
import { StepHead } from './StepHead';

/** What keeps an engine from being started: what is off it, and one tap that puts all of it back. */
export function PutBackFirst({
  off,
  log,
  before = [],
  or,
}: {
  off: readonly OffItem[];
  log: Log;
  /** What the tap says besides, noted first. */
  before?: readonly Noted[];
  /** What can be done instead. */
  or?: ReactNode;
}): ReactElement {
  return (
    <div role="group" aria-label="Put back first" className="mt-5 max-w-2xl">
      <p className="text-xl leading-snug">
        <strong>
          {off.length === 1 ? 'One thing is off' : `${off.length} things are off`}: put{' '}
          {off.length === 1 ? 'it' : 'them'} back before it is started.
        </strong>{' '}
        {off.map((item, i) => (i === 0 ? item.name : inSentence(item.name))).join(', ')}.
      </p>
      <div className="mt-4 flex flex-wrap items-center gap-3">
        <Button
          look="rust"
          className="min-h-16 px-8 text-xl"
          onClick={() => log.all([...before, ...allBack(off)])}
        >
          All back on
        </Button>
        {or}
      </div>
      {missingToRun(new Set(partsOff({ off }))).length === 0 && (
        <OneLine
          label="Start it all the same, because"
          placeholder="start it all the same, because…"
          most={500}
          done="All the same"
          look="plain"
          onDone={(words) => log('tray-passed', { words })}
        />
      )}
    </div>
  );
}

/** Mended, but in pieces: nothing can be tried or proved before it is whole. */
export const TogetherStep = ({ off, log }: { off: readonly OffItem[]; log: Log }): ReactElement => (
  <section aria-label="Put it together">
    <StepHead eyebrow="Mended" title="Put it together" />
    <PutBackFirst off={off} log={log} />
  </section>
);
