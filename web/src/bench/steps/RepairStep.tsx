import {
  causeOf,
  FITS_A_DIAPHRAGM,
  OUTCOMES,
  remedyMinutes,
  remedyOf,
  TURNS_A_SCREW,
  type RepairOutcome,
} from '@rusty-wren/core/knowledge';
import { nameOfMend, type OffItem, type Settled } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { ButtonHeight } from '../../instruments/metering/ButtonHeight';
import { causesInWords } from '../../ui/words';
import { Button } from '../../ui/Button';
import type { Log } from '../../job/useJob';
import { Outcomes } from './Outcomes';
import { PutBackFirst } from './PutBackFirst';
import { StepHead } from './StepHead';

/** A cause is settled: mend it and say how that turned out. */
export function RepairStep({
  jobId,
  settled,
  off,
  log,
}: {
  jobId: string;
  settled: Settled;
  /** What has to go back before it can be tried. */
  off: readonly OffItem[];
  log: Log;
}): ReactElement {
  const cause = 'cause' in settled ? causeOf(settled.cause) : null;
  const remedy = 'remedy' in settled && settled.remedy ? remedyOf(settled.remedy) : null;
  const [note, setNote] = useState('');
  const record = (outcome: RepairOutcome): void => {
    const kept = note.trim() ? { note: note.trim() } : {};
    if ('other' in settled) {
      if (outcome !== 'untried') log('repair', { other: settled.other, outcome, ...kept });
      return;
    }
    log('repair', { cause: settled.cause, ...(remedy && { remedy: remedy.id }), outcome, ...kept });
  };
  const minutes = remedy ? remedyMinutes(remedy) : cause?.minutes;
  return (
    <section aria-label="Repair">
      <StepHead
        eyebrow="Mend it"
        title={remedy?.does ?? nameOfMend(settled)}
        aside={minutes === undefined ? undefined : `${minutes} min`}
      />
      {!remedy && cause && <p className="mt-3 text-2xl">{cause.remedy}.</p>}
      {remedy && (
        <p className="mt-3 max-w-[58ch] text-xl leading-snug">With it goes: {causesInWords(remedy.mends)}.</p>
      )}
      {cause && FITS_A_DIAPHRAGM.has(cause.id) && (
        <div className="mt-5">
          <h3 className="text-2xl font-semibold">The new one beside the old</h3>
          <ButtonHeight draft={`${settled.entryId} button`} onLog={(text) => log('note', { text })} />
        </div>
      )}
      {cause && TURNS_A_SCREW.has(cause.id) && (
        <Link
          to={`/job/${jobId}/tune`}
          className="mt-4 inline-flex min-h-14 items-center rounded-md border-2 border-ink bg-card px-6 text-lg font-semibold hover:bg-line"
        >
          Set it on the tuning bench
        </Link>
      )}
      <label className="mt-5 block max-w-xl">
        <span className="font-semibold">What was done, if worth keeping</span>
        <input
          value={note}
          onChange={(e) => setNote(e.target.value)}
          maxLength={1000}
          className="mt-1 min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
        />
      </label>
      {off.length > 0 ? (
        <>
          <PutBackFirst off={off} log={log} />
          {cause && (
            <Button className="mt-3" onClick={() => record('untried')}>
              Done, tried later
            </Button>
          )}
        </>
      ) : (
        <>
          <p className="mt-5 text-lg font-semibold">And then?</p>
          <Outcomes outcomes={OUTCOMES} onPick={record} />
        </>
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
