import {
  causeOf,
  FITS_A_DIAPHRAGM,
  OUTCOMES,
  TURNS_A_SCREW,
  type CauseId,
  type RepairOutcome,
} from '@rusty-wren/core/knowledge';
import type { Noted, OffItem } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { ButtonHeight } from '../../instruments/metering/ButtonHeight';
import type { Log } from '../../job/useJob';
import { Button } from '../../ui/Button';
import { TooLong } from '../../ui/TooLong';
import { useDraft } from '../../ui/useDraft';
import { tooLong } from '../../ui/words';
import { Outcomes } from './Outcomes';
import { PutBackFirst } from './PutBackFirst';

const MOST_NOTE = 1000;

/** What a mend needs at hand, and how it turned out: put together first, then one tap. */
export function Mending({
  jobId,
  cause,
  draft,
  off,
  log,
  settling = [],
  besides = [],
  repairOf,
}: {
  jobId: string;
  /** None when it was settled in own words. */
  cause: CauseId | null;
  /** Under what is kept that was typed so far. */
  draft: string;
  /** What has to go back before it can be tried. */
  off: readonly OffItem[];
  log: Log;
  /** What settles on it, noted with the first tap, where it is not settled yet. */
  settling?: readonly Noted[];
  /** What else was found and may be put right in the same go. */
  besides?: readonly CauseId[];
  /** The repair to note, once it is known how it turned out; null when there is nothing to note yet. */
  repairOf: (outcome: RepairOutcome, note: { note?: string }) => Noted | null;
}): ReactElement {
  const [note, setNote, dropNote] = useDraft(`${draft} note`, () => '');
  const [writing, setWriting] = useState(note !== '');
  const [also, setAlso] = useState<ReadonlySet<CauseId>>(new Set());
  const alsoDone = (outcome: RepairOutcome): Noted[] =>
    besides.filter((id) => also.has(id)).map((id) => ({ kind: 'repair', body: { cause: id, outcome } }));
  const turn = (id: CauseId): void =>
    setAlso(new Set(also.has(id) ? [...also].filter((x) => x !== id) : [...also, id]));
  const record = (outcome: RepairOutcome): void => {
    if (tooLong(note.trim(), MOST_NOTE)) return;
    const repair = repairOf(outcome, note.trim() ? { note: note.trim() } : {});
    if (!repair) return;
    log.all([...settling, ...alsoDone(outcome), repair]);
    dropNote();
  };
  return (
    <>
      {cause && FITS_A_DIAPHRAGM.has(cause) && (
        <div className="mt-5">
          <h3 className="text-2xl font-semibold">The new one beside the old</h3>
          <ButtonHeight draft={`${draft} button`} onLog={(text) => log('note', { text })} />
        </div>
      )}
      {cause && TURNS_A_SCREW.has(cause) && (
        <Link
          to={`/job/${jobId}/tune`}
          onClick={() => log.all(settling)}
          className="mt-4 inline-flex min-h-14 items-center rounded-md border-2 border-ink bg-card px-6 text-lg font-semibold hover:bg-line"
        >
          Set it on the tuning bench
        </Link>
      )}
      {besides.length > 0 && (
        <div role="group" aria-label="Put right as well" className="mt-4 flex flex-wrap items-center gap-2">
          <span className="mr-1 text-lg font-semibold">Put right as well</span>
          {besides.map((id) => (
            <button
              key={id}
              type="button"
              aria-pressed={also.has(id)}
              onClick={() => turn(id)}
              className="min-h-11 rounded-md border-2 border-line px-3 text-lg font-semibold hover:border-ink aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper"
            >
              {causeOf(id).name}
            </button>
          ))}
        </div>
      )}
      {writing ? (
        <label className="mt-5 block max-w-xl">
          <span className="font-semibold">What was done</span>
          <input
            autoFocus={note === ''}
            value={note}
            onChange={(e) => setNote(e.target.value)}
            className="mt-1 min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
          />
          <TooLong text={note} most={MOST_NOTE} />
        </label>
      ) : (
        <Button look="quiet" className="mt-2 !px-0" onClick={() => setWriting(true)}>
          Write down what was done
        </Button>
      )}
      {off.length > 0 ? (
        <PutBackFirst
          off={off}
          log={log}
          before={[...settling, ...alsoDone('untried')]}
          or={
            cause && (
              <Button className="min-h-16 px-5 text-lg" onClick={() => record('untried')}>
                Done, tried later
              </Button>
            )
          }
        />
      ) : (
        <>
          <p className="mt-5 text-lg font-semibold">Done, and then?</p>
          <Outcomes outcomes={OUTCOMES} onPick={record} />
        </>
      )}
    </>
  );
}
