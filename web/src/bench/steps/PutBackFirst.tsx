import { itemBack, type OffItem } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import type { Log } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { inSentence } from '../../ui/words';
import { StepHead } from './StepHead';

/** What keeps an engine from being started: what is off it, and one tap that puts all of it back. */
export function PutBackFirst({ off, log }: { off: readonly OffItem[]; log: Log }): ReactElement {
  return (
    <div role="group" aria-label="Put back first" className="mt-5 max-w-2xl">
      <p className="text-2xl font-semibold">
        {off.length === 1 ? 'One thing is off' : `${off.length} things are off`}: put{' '}
        {off.length === 1 ? 'it' : 'them'} back before it is started.
      </p>
      <p className="mt-1 text-xl">{off.map((item) => inSentence(item.name)).join(', ')}</p>
      <Button
        look="rust"
        className="mt-4 min-h-16 px-8 text-xl"
        onClick={() => log.all(off.toReversed().map((item) => ({ kind: 'put-back', body: itemBack(item) })))}
      >
        All back on
      </Button>
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
