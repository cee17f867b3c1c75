import { disagreementsOn, remedyMinutes, remedyOf } from '@rusty-wren/core/knowledge';
import { nameOfMend, type OffItem, type SafetyFault, type Settled } from '@rusty-wren/core/log';
import type { ReactElement, ReactNode } from 'react';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { causesInWords } from '../../ui/words';
import { TradeDisagrees } from '../TradeDisagrees';
import { Mending } from './Mending';
import { StepHead } from './StepHead';
import { useKindInHand, useTradeWords } from '../../job/tradeWords';

/** A cause is settled: mend it and say how that turned out. */
export function RepairStep({
  jobId,
  settled,
  off,
  unsafe = null,
  parts,
  log,
}: {
  jobId: string;
  settled: Settled;
  /** What has to go back before it can be tried. */
  off: readonly OffItem[];
  /** The safety fault with which it is not run. */
  unsafe?: SafetyFault | null;
  /** What it takes, and where that is. */
  parts?: ReactNode;
  log: Log;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const cause = 'cause' in settled ? causeOf(settled.cause) : null;
  const remedy = 'remedy' in settled && settled.remedy ? remedyOf(settled.remedy) : null;
  const minutes = remedy ? remedyMinutes(remedy) : cause?.minutes;
  return (
    <section aria-label="Repair">
      <StepHead
        eyebrow="Mend it"
        title={nameOfMend(settled, useKindInHand())}
        aside={minutes === undefined ? undefined : `${minutes} min`}
      />
      {!remedy && cause && <p className="mt-3 text-2xl">{cause.remedy}.</p>}
      {remedy && (
        <p className="mt-3 max-w-[58ch] text-xl leading-snug">
          It mends whichever it is: {causesInWords(remedy.mends)}.
        </p>
      )}
      {parts}
      <Mending
        jobId={jobId}
        what={
          'other' in settled
            ? { other: settled.other }
            : { cause: settled.cause, ...(remedy && { remedy: remedy.id }) }
        }
        settled
        off={off}
        unsafe={unsafe}
        log={log}
      />
      {'cause' in settled && (
        <div className="mt-3">
          <TradeDisagrees on={disagreementsOn(settled.cause)} />
        </div>
      )}
      <Button
        look="quiet"
        className="mt-4 !px-0"
        onClick={() => log('strike', { reason: 'Not settled after all' }, settled.entryId)}
      >
        Not settled after all
      </Button>
    </section>
  );
}
