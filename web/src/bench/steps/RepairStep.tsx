import {
  causeOf,
  OUTCOMES,
  remedyMinutes,
  remedyOf,
  type CauseId,
  type Outcome,
} from '@rusty-wren/core/knowledge';
import type { OffItem, Settled } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { ButtonHeight } from '../../instruments/metering/ButtonHeight';
import { inSentence } from '../../rack/words';
import { Button } from '../../ui/Button';
import type { Log } from '../useJob';
import { PutBackFirst } from './PutBackFirst';
import { BIG_BUTTON, StepHead } from './StepHead';

const OUTCOME_WORDS: Readonly<Record<Outcome, string>> = {
  cured: 'Cured it',
  better: 'Better, not cured',
  'no-change': 'Changed nothing',
};

/** Repairs that fit a metering diaphragm, perhaps a substitute. */
const FITS_A_DIAPHRAGM: readonly CauseId[] = [
  'metering-diaphragm-stiff',
  'metering-diaphragm-proud',
  'metering-diaphragm-torn',
];

/** A cause is settled: mend it and say how that turned out. */
export function RepairStep({
  settled,
  off,
  log,
}: {
  settled: Settled;
  /** What has to go back before it can be tried. */
  off: readonly OffItem[];
  log: Log;
}): ReactElement {
  const cause = causeOf(settled.cause);
  const remedy = settled.remedy && remedyOf(settled.remedy);
  const [note, setNote] = useState('');
  return (
    <section aria-label="Repair">
      <StepHead
        eyebrow="Mend it"
        title={remedy?.does ?? cause.name}
        aside={`${remedy ? remedyMinutes(remedy) : cause.minutes} min`}
      />
      {!remedy && <p className="mt-3 text-2xl">{cause.remedy}.</p>}
      {remedy && (
        <p className="mt-3 max-w-[58ch] text-xl leading-snug">
          With it goes: {remedy.mends.map((id) => inSentence(causeOf(id).name)).join(', ')}.
        </p>
      )}
      {FITS_A_DIAPHRAGM.includes(cause.id) && (
        <div className="mt-5">
          <h3 className="text-2xl font-semibold">The new one beside the old</h3>
          <ButtonHeight onLog={(text) => log('note', { text })} />
        </div>
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
        <PutBackFirst off={off} log={log} />
      ) : (
        <>
          <p className="mt-5 text-lg font-semibold">And then?</p>
          <div className="mt-2 flex flex-wrap gap-3">
            {OUTCOMES.map((outcome) => (
              <button
                key={outcome}
                type="button"
                className={`${BIG_BUTTON} min-w-32 px-5`}
                onClick={() =>
                  log('repair', {
                    cause: cause.id,
                    ...(remedy && { remedy: remedy.id }),
                    outcome,
                    ...(note.trim() && { note: note.trim() }),
                  })
                }
              >
                {OUTCOME_WORDS[outcome]}
              </button>
            ))}
          </div>
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

/** What may stand behind a cured result: each answered before the job can close. */
export function BehindStep({
  cause,
  open,
  log,
}: {
  cause: CauseId;
  open: readonly CauseId[];
  log: Log;
}): ReactElement {
  return (
    <section aria-label="Behind it">
      <StepHead eyebrow="Before it leaves" title="What caused it?" />
      <p className="mt-3 max-w-[58ch] text-xl leading-snug">
        {causeOf(cause).name} is a result. Left alone, what made it will make it again.
      </p>
      <ul className="mt-4 max-w-2xl">
        {open.map((id) => (
          <li
            key={id}
            className="flex flex-wrap items-center justify-between gap-3 border-b border-line py-3"
          >
            <span className="text-xl font-semibold">{causeOf(id).name}</span>
            <span className="flex gap-2">
              <Button onClick={() => log('verdict', { behind: id, answer: 'ruled-out' })}>Ruled out</Button>
              <Button onClick={() => log('verdict', { behind: id, answer: 'put-right' })}>Put right</Button>
              <Button
                look="quiet"
                onClick={() => log('verdict', { behind: id, answer: 'waived', words: 'Not looked at' })}
              >
                Leave it
              </Button>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
