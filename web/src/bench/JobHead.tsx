import { Link } from 'react-router';
import { behaviourOf } from '@rusty-wren/core/knowledge';
import { historyWords } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import { MachineDrawing } from '../drawn/MachineDrawing';
import { SpeedShape } from '../drawn/SpeedShape';
import { KIND_WORDS } from '../rack/words';
import { SaveCase } from './SaveCase';
import { SameCan } from './SameCan';
import { StagePick } from './StagePick';
import type { JobAtBench, Log } from './useJob';

/** The machine's tag and its complaint, along the top of the bench. */
export function JobHead({
  atBench,
  log,
  onClose,
}: {
  atBench: JobAtBench;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const { job, picture, mates } = atBench;
  const { machine, customer } = job;
  // The can has a row of its own once other jobs drink from it.
  const history = historyWords({ ...picture.history, ...(mates.length > 0 && { sharedCan: false }) });
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b-2 border-line px-3 py-2 sm:px-5">
      <span className="font-tag text-5xl leading-none font-bold">{job.tag}</span>
      <div className="leading-tight">
        <h1 className="font-tag text-2xl font-semibold">
          <Link
            to={`/specs?model=${encodeURIComponent(`${machine.maker} ${machine.model}`.toLowerCase())}`}
            title="Its spec card"
            className="hover:underline"
          >
            {machine.maker} {machine.model}
          </Link>
        </h1>
        <p className="text-soft">
          {KIND_WORDS[machine.kind]}
          {machine.displacementCc !== null && `, ${Math.round(machine.displacementCc * 10) / 10} cc`},{' '}
          {customer.name}
        </p>
      </div>
      <MachineDrawing kind={machine.kind} className="hidden h-9 w-22 text-soft lg:block" />
      <ul className="flex flex-wrap gap-x-5">
        {picture.complaints.map(({ complaint }) => (
          <li key={complaint} className="flex items-center gap-2 font-semibold">
            <SpeedShape complaint={complaint} className="h-8 w-18" />
            <span className="max-w-36 leading-tight">{behaviourOf(complaint).label}</span>
          </li>
        ))}
      </ul>
      <div className="ml-auto flex items-center gap-3">
        {(
          [
            ['tune', 'Tune'],
            ['start', 'Start'],
          ] as const
        ).map(([to, words]) => (
          <Link
            key={to}
            to={`/job/${job.id}/${to}`}
            className="flex min-h-11 items-center rounded-md px-2 font-semibold hover:bg-line"
          >
            {words}
          </Link>
        ))}
        <SaveCase tag={job.tag} picture={picture} />
        <StagePick stage={picture.stage} waitingFor={picture.waitingFor} log={log} onClose={onClose} />
      </div>
      <div className="flex basis-full flex-wrap items-center gap-x-6">
        {(history.length > 0 || picture.waitingFor || picture.safetyFaults.length > 0) && (
          <p className="text-soft">
            {picture.waitingFor && <strong className="text-ochre">{picture.waitingFor}. </strong>}
            {picture.safetyFaults.length > 0 && (
              <strong className="text-rust">Safety fault: {picture.safetyFaults.join(', ')}. </strong>
            )}
            {history.join(', ')}
          </p>
        )}
        <SameCan mates={mates} log={log} />
      </div>
    </div>
  );
}
