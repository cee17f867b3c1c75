import {
  FITS_A_DIAPHRAGM,
  OPENS_THE_CARBURETTOR,
  OUTCOMES,
  TURNS_A_SCREW,
  type CauseId,
  type RepairOutcome,
} from '@rusty-wren/core/knowledge';
import type { Bodies, Noted, OffItem, SafetyFault, ToMend } from '@rusty-wren/core/log';
import { TriangleAlert } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { ButtonHeight } from '../../instruments/metering/ButtonHeight';
import type { Log } from '../../job/useLog';
import { Button } from '../../ui/Button';
import { Written } from '../../ui/Written';
import { useDraft } from '../../ui/useDraft';
import { tooLong } from '../../ui/words';
import { Outcomes } from './Outcomes';
import { PutBackFirst } from './PutBackFirst';
import { useTradeWords } from '../../job/tradeWords';

const MOST_NOTE = 1000;

/** The verdict that settles on something. */
export const verdictOn = (what: ToMend): Bodies['verdict'] =>
  'other' in what ? what : { settles: what.cause, ...(what.remedy && { remedy: what.remedy }) };

/** What a mend needs at hand, and how it turned out: put together first, then one tap. */
export function Mending({
  jobId,
  what,
  settled,
  off,
  unsafe = null,
  proving = false,
  besides = [],
  log,
}: {
  jobId: string;
  what: ToMend;
  /** It was settled on already; else the first tap settles on it. */
  settled: boolean;
  /** What has to go back before it can be tried. */
  off: readonly OffItem[];
  /** The safety fault with which it is not run: it can be done, and is tried later. */
  unsafe?: SafetyFault | null;
  /** The complaint is gone already: there is nothing it could cure, only to go on proving. */
  proving?: boolean;
  /** What else was found and may be put right in the same go. */
  besides?: readonly CauseId[];
  log: Log;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const cause = 'cause' in what ? what.cause : null;
  const settling: readonly Noted[] = settled ? [] : [{ kind: 'verdict', body: verdictOn(what) }];
  const draft = `${jobId} ${'cause' in what ? what.cause : what.other}`;
  const [note, setNote, dropNote] = useDraft(`${draft} note`, () => '');
  const [writing, setWriting] = useState(note !== '');
  const [also, setAlso] = useState<ReadonlySet<CauseId>>(new Set());
  const alsoDone = (outcome: RepairOutcome): Noted[] =>
    besides.filter((id) => also.has(id)).map((id) => ({ kind: 'repair', body: { cause: id, outcome } }));
  const turn = (id: CauseId): void =>
    setAlso(new Set(also.has(id) ? [...also].filter((x) => x !== id) : [...also, id]));
  const record = (outcome: RepairOutcome): void => {
    if (tooLong(note.trim(), MOST_NOTE)) return;
    const repair = { ...what, outcome, ...(note.trim() && { note: note.trim() }) } as Bodies['repair'];
    log.all([...settling, ...alsoDone(outcome), { kind: 'repair', body: repair }]);
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
      {cause && OPENS_THE_CARBURETTOR.has(cause) && (
        <Link
          to={`/job/${jobId}/rebuild`}
          onClick={() => log.all(settling)}
          className="mt-4 mr-4 inline-flex min-h-14 items-center rounded-md border-2 border-ink bg-card px-6 text-lg font-semibold hover:bg-line"
        >
          Rebuild it, layer by layer
        </Link>
      )}
      {cause && TURNS_A_SCREW.has(cause) && (
        <Link
          to={`/job/${jobId}/tune`}
          onClick={() => log.all(settling)}
          className="mt-4 mr-4 inline-flex min-h-14 items-center rounded-md border-2 border-ink bg-card px-6 text-lg font-semibold hover:bg-line"
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
        <Written
          label="What was done"
          most={MOST_NOTE}
          value={note}
          onChange={setNote}
          focus={note === ''}
          className="mt-5 max-w-xl"
        />
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
      ) : proving ? (
        <Button look="rust" className="mt-5 min-h-16 px-8 text-xl" onClick={() => record('untried')}>
          Done, go on proving
        </Button>
      ) : unsafe ? (
        <div className="mt-5">
          <p className="flex items-start gap-2 text-lg font-semibold text-rust">
            <TriangleAlert className="mt-0.5 shrink-0" aria-hidden /> Not run before this is put right:{' '}
            {unsafe.words}.
          </p>
          {cause && (
            <Button look="rust" className="mt-3 min-h-16 px-8 text-xl" onClick={() => record('untried')}>
              Done, tried later
            </Button>
          )}
          <Button
            className="mt-3 ml-3 min-h-16 px-6 text-lg"
            onClick={() => log('answered', { safety: 'put-right' })}
          >
            {unsafe.words}: put right
          </Button>
        </div>
      ) : (
        <>
          <p className="mt-5 text-lg font-semibold">Done, and then?</p>
          <Outcomes outcomes={OUTCOMES} onPick={record} />
        </>
      )}
    </>
  );
}
