import { resultOf, type CauseId } from '@rusty-wren/core/knowledge';
import { type Misreading, type Suspect } from '@rusty-wren/core/diagnosis';
import { ChevronDown, CircleAlert, Map, RotateCcw } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { inSentence, percent } from '../ui/words';
import { Button } from '../ui/Button';
import { Found } from './Found';
import { Moves } from './Moves';
import { ShopSays } from './ShopSays';
import type { JobAtBench } from '../job/useJob';
import type { Log } from '../job/useLog';
import { OtherCause } from './OtherCause';
import { useTradeWords } from '../job/tradeWords';
import { WhoseCure } from './WhoseCure';

const SHOWN = 6;
const MOVES_SHOWN = 6;
/** Beside what was found, fainter suspects are no news. */
const FAINT = 0.02;

/** The suspects, likeliest first; each opens to what raised and lowered it. */
export function Suspects({
  atBench,
  log,
  onRepeat,
  onEntry,
}: {
  atBench: JobAtBench;
  log: Log;
  onRepeat: (ref: string) => void;
  /** Shows an entry in the trail. */
  onEntry: (ref: string) => void;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const [open, setOpen] = useState<CauseId | null>(null);
  const { diagnosis, nameOf } = atBench;
  const { found, unexplained, repeat, behind } = diagnosis;
  // What was found stands by itself; what cannot be the complaint is no suspect of it.
  const known = new Set(found.map((f) => f.cause));
  const told = atBench.picture.complaints.length > 0;
  const suspects = diagnosis.suspects.filter(
    (s) =>
      !known.has(s.cause) &&
      (!told || s.explains.length > 0) &&
      (s.probability >= FAINT || found.length === 0),
  );
  const { picture } = atBench;
  const mending = new Set(
    picture.settled.flatMap((s) => (s.outcome === null && 'cause' in s ? [s.cause] : [])),
  );
  const asked = behind.filter((b) => !known.has(b.cause) && !picture.behindAnswers.has(b.cause));
  return (
    <section aria-label="Suspects">
      <Found
        found={found}
        answers={picture.found}
        safety={picture.safetyFaults}
        mending={mending}
        cured={picture.cured}
        nameOf={nameOf}
        log={log}
        onEntry={onEntry}
      />
      {picture.cured && <WhoseCure account={atBench.account} log={log} />}
      <Unexplained refs={unexplained.map((e) => e.ref)} nameOf={nameOf} />
      <div className="flex items-baseline justify-between gap-3">
        <h2 className="text-2xl font-bold">Suspects</h2>
        <Link
          to={`/job/${atBench.job.id}/map`}
          className="-my-2 flex min-h-11 items-center gap-2 rounded-md px-2 font-semibold text-soft hover:bg-line hover:text-ink"
        >
          <Map size={19} aria-hidden /> Map
        </Link>
      </div>
      <ol className="mt-2">
        {suspects.slice(0, SHOWN).map((s, rank) => (
          <SuspectRow
            key={s.cause}
            suspect={s}
            leading={rank === 0}
            open={open === s.cause}
            onToggle={() => setOpen(open === s.cause ? null : s.cause)}
            nameOf={nameOf}
            learnt={atBench.learnt}
            onSettle={(cause) => log('verdict', { settles: cause })}
            onEntry={onEntry}
          />
        ))}
      </ol>
      {suspects.length === 0 && <p className="text-lg text-soft">Nothing else is likely.</p>}
      <OtherCause atBench={atBench} log={log} onEntry={onEntry} />
      {diagnosis.noneOfThese > 0.1 && (
        <p className="mt-2 text-soft">Something not on the list: {percent(diagnosis.noneOfThese)}</p>
      )}
      {repeat.length > 0 && (
        <div className="mt-5 border-l-4 border-ochre pl-3 text-lg leading-snug">
          <p className="font-bold text-ochre">Worth repeating</p>
          {repeat.slice(0, 2).map((m) => (
            <button
              key={m.ref}
              type="button"
              onClick={() => onRepeat(m.ref)}
              className="flex min-h-11 items-center gap-2 text-left hover:underline"
            >
              <RotateCcw size={18} className="shrink-0" aria-hidden />
              <span>
                {nameOf(m.ref)}
                <Otherwise misreading={m} atBench={atBench} />
              </span>
            </button>
          ))}
        </div>
      )}
      {asked.length > 0 && (
        <p className="mt-5 text-lg leading-snug">
          <span className="font-bold">What may be behind it: </span>
          {asked
            .slice(0, 5)
            .map((b) => inSentence(causeOf(b.cause).name))
            .join(', ')}
        </p>
      )}
    </section>
  );
}

/** What was noted and is not accounted for by what is believed. */
const Unexplained = ({
  refs,
  nameOf,
}: {
  refs: readonly string[];
  nameOf: (ref: string) => string;
}): ReactElement | null =>
  refs.length === 0 ? null : (
    <div role="status" className="mb-5 border-l-4 border-ochre pl-3 text-lg leading-snug">
      <p className="flex items-center gap-2 font-bold text-ochre">
        <CircleAlert size={20} aria-hidden /> Left unexplained
      </p>
      {refs.map((ref) => (
        <p key={ref}>{nameOf(ref)}</p>
      ))}
    </div>
  );

/** What would change if the entry were read otherwise. */
function Otherwise({
  misreading: { ref, otherwise },
  atBench: { picture },
}: {
  misreading: Misreading;
  atBench: JobAtBench;
}): ReactElement | null {
  const { causeOf } = useTradeWords();
  const finding = picture.findings.find((f) => f.entryId === ref);
  if (!otherwise || !finding) return null;
  return (
    <span className="block text-soft">
      If {resultOf(finding.check, otherwise.result)?.label}: {inSentence(causeOf(otherwise.leads).name)}{' '}
      {percent(otherwise.probability)}
    </span>
  );
}

function SuspectRow({
  suspect,
  leading,
  open,
  onToggle,
  nameOf,
  learnt,
  onSettle,
  onEntry,
}: {
  suspect: Suspect;
  leading: boolean;
  open: boolean;
  onToggle: () => void;
  nameOf: (ref: string) => string;
  learnt: JobAtBench['learnt'];
  onSettle: (cause: CauseId) => void;
  onEntry: (ref: string) => void;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const cause = causeOf(suspect.cause);
  const share = `${(suspect.probability * 100).toFixed(1)}%`;
  return (
    <li className="border-b border-line" data-suspect={suspect.cause}>
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="block min-h-11 w-full py-2 text-left"
      >
        <span
          className={`flex items-baseline justify-between gap-3 leading-tight ${leading ? 'text-2xl font-bold' : 'text-lg font-medium'}`}
        >
          <span>{cause.name}</span>
          <span className="flex shrink-0 items-center gap-1">
            {percent(suspect.probability)}
            <ChevronDown size={18} className={open ? 'rotate-180' : ''} aria-hidden />
          </span>
        </span>
        <span className={`mt-1.5 block bg-line ${leading ? 'h-2.5' : 'h-1.5'}`}>
          <span className="block h-full bg-ink" style={{ width: share }} />
        </span>
      </button>
      {open && (
        <div className="pb-4">
          <ShopSays learnt={learnt} cause={suspect.cause} />
          <Moves moved={suspect.moved.slice(0, MOVES_SHOWN)} nameOf={nameOf} onEntry={onEntry} />
          <p className="mt-2">
            {cause.remedy}, {cause.minutes} min
          </p>
          <Button className="mt-2" onClick={() => onSettle(suspect.cause)}>
            Settle on this
          </Button>
        </div>
      )}
    </li>
  );
}
