import { Link } from 'react-router';
import { historyWords } from '@rusty-wren/core/log';
import { Fuel } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { KIND_WORDS, tagWords } from '../ui/words';
import { useAppSelector } from '../app/store';
import { isTechnician } from '../hands/hands';
import { NotAgreed } from '../choices/Decided';
import { Photos } from '../photos/Photos';
import { KnownHere, WhatBites } from '../specs/KnownHere';
import { Sheet } from '../ui/Sheet';
import { CameBack } from './CameBack';
import { Complaints } from './Complaints';
import { MorePlaces } from './MorePlaces';
import { SaidDone } from './SaidDone';
import { SaveCase } from './SaveCase';
import { SameCan } from './SameCan';
import { StagePick } from './StagePick';
import type { JobAtBench } from './useJob';
import type { Log } from './useLog';

const WHOLE_MODEL = ['model'] as const;
/** Where work on it goes on. */
const BENCH_PLACES = [
  ['tune', 'Tune'],
  ['start', 'Start'],
] as const;

/** The machine's tag and its complaint, along the top of the bench. */
export function JobHead({
  atBench,
  log,
  brief,
  onClose,
}: {
  atBench: JobAtBench;
  log: Log;
  /** An instrument is in use: on a phone only the tag and the machine stay. */
  brief: boolean;
  /** Begins closing the job; whoever does not work on it is not asked to. */
  onClose?: () => void;
}): ReactElement {
  const { job, picture } = atBench;
  const { machine, customer } = job;
  const works = useAppSelector(isTechnician);
  const onPhone = brief ? 'max-sm:hidden' : '';
  return (
    <div className="border-b-2 border-line px-3 py-2 sm:px-5">
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 lg:flex-nowrap">
        <span className={`font-tag leading-none font-bold sm:text-5xl ${brief ? 'text-3xl' : 'text-5xl'}`}>
          {tagWords(job.tag)}
        </span>
        <div className="min-w-0 flex-1 leading-tight lg:max-w-72 lg:flex-none">
          <h1 className="truncate font-tag text-2xl font-semibold">
            <Link
              to={`/specs?model=${encodeURIComponent(`${machine.maker} ${machine.model}`.toLowerCase())}`}
              title="Its spec card"
              className="hover:underline"
            >
              {machine.maker} {machine.model}
            </Link>
          </h1>
          <p className="truncate text-soft">
            {KIND_WORDS[machine.kind]}
            {machine.displacementCc !== null && `, ${Math.round(machine.displacementCc * 10) / 10} cc`},{' '}
            {customer.name}
          </p>
        </div>
        <div className={`w-full min-w-0 sm:w-auto lg:flex lg:flex-1 ${onPhone}`}>
          <Complaints complaints={picture.complaints} log={log} />
        </div>
        <div className={`flex flex-wrap items-center gap-1 sm:ml-auto lg:shrink-0 lg:flex-nowrap ${onPhone}`}>
          <HistorySheet atBench={atBench} log={log} />
          {(works ? BENCH_PLACES : []).map(([to, words]) => (
            <Link
              key={to}
              to={`/job/${job.id}/${to}`}
              className="flex min-h-11 items-center rounded-md px-2 font-semibold hover:bg-line"
            >
              {words}
            </Link>
          ))}
          <MorePlaces jobId={job.id} machineId={job.machine.id} />
          <StagePick stage={picture.stage} waitingFor={picture.waitingFor} log={log} onClose={onClose} />
        </div>
      </div>
      <NotAgreed picture={picture} />
      <CameBack job={job} picture={picture} />
      {(picture.waitingFor || picture.safetyFaults.length > 0) && (
        <p className={`mt-1 font-semibold ${picture.waitingFor ? '' : 'lg:hidden'}`}>
          {picture.waitingFor && <span className="text-ochre">{picture.waitingFor}. </span>}
          {picture.safetyFaults.length > 0 && (
            <span className="text-rust lg:hidden">
              Safety fault: {picture.safetyFaults.map((f) => f.words).join(', ')}.
            </span>
          )}
        </p>
      )}
    </div>
  );
}

/** What was said of the machine when it came in, and which cans it shares: there when asked for. */
function HistorySheet({ atBench, log }: { atBench: JobAtBench; log: Log }): ReactElement {
  const { job, picture, mates } = atBench;
  const [open, setOpen] = useState(false);
  // The can has a row of its own once other jobs drink from it.
  const history = historyWords({ ...picture.history, ...(mates.length > 0 && { sharedCan: false }) });
  const said = picture.complaintWords;
  const linked = mates.filter((m) => m.linked).length;
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="flex min-h-11 items-center gap-2 rounded-md px-2 font-semibold hover:bg-line"
      >
        History
        {linked > 0 && (
          <span className="flex items-center text-soft">
            <Fuel size={18} aria-label="shares a can with" /> {linked}
          </span>
        )}
      </button>
      <Sheet title={`${job.tag}: what is known of it`} open={open} onOpenChange={setOpen}>
        {said.map((words) => (
          <p key={words} className="text-xl">
            “{words}”
          </p>
        ))}
        {history.length > 0 ? (
          <ul className="mt-2 text-xl leading-relaxed">
            {history.map((words) => (
              <li key={words} className="first-letter:uppercase">
                {words}
              </li>
            ))}
          </ul>
        ) : (
          <p className="mt-2 text-xl text-soft">Nothing was said of its past.</p>
        )}
        <KnownHere atBench={atBench} places={WHOLE_MODEL} />
        <WhatBites atBench={atBench} places={WHOLE_MODEL} />
        <SaidDone picture={picture} log={log} />
        <SameCan mates={mates} log={log} />
        <div className="mt-4">
          <Photos photos={picture.photos} jobId={job.id} log={log} />
        </div>
        <div className="mt-3 flex items-center gap-2">
          <SaveCase tag={job.tag} picture={picture} />
        </div>
      </Sheet>
    </>
  );
}
