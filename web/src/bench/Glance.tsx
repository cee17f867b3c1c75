import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf, checkOf, type CheckDef, runsIt } from '@rusty-wren/core/knowledge';
import { TriangleAlert } from 'lucide-react';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { useRackQuery } from '../api/api';
import { isFreeFor, useKeys } from '../app/keys';
import { useAppSelector } from '../app/store';
import { isTechnician } from '../hands/hands';
import { useLog } from '../job/useLog';
import { phaseWords } from '../rack/words';
import { Loading } from '../ui/State';
import { KIND_WORDS, minutesWords, tagWords } from '../ui/words';
import { Caution } from '../ui/Caution';
import { BIG_BUTTON, StepHead } from './steps/StepHead';
import { useOpenedAt } from '../ui/useNow';

/** What the rack knows of a job, drawn at once: what to do, while its bench is still being fetched and worked out. */
export function Glance({ jobId }: { jobId: string }): ReactElement {
  const { data: tags } = useRackQuery();
  const tag = tags?.find((t) => t.job.id === jobId);
  return tag ? <AtAGlance tag={tag} /> : <Loading what="Fetching the job…" />;
}

function AtAGlance({ tag }: { tag: RackTag }): ReactElement {
  const { job, complaints, phase, safety } = tag;
  const { machine, customer } = job;
  // A school would say something else, and says it once the bench is there.
  const planned = useAppSelector((s) => s.settings.way === 'computed');
  const now = useOpenedAt();
  return (
    <div className="flex flex-1 flex-col" data-glance aria-busy>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-2 border-b-2 border-line px-3 py-2 sm:px-5">
        <span className="font-tag text-5xl leading-none font-bold">{tagWords(job.tag)}</span>
        <div className="min-w-0 leading-tight">
          <h1 className="truncate font-tag text-2xl font-semibold">
            {machine.maker} {machine.model}
          </h1>
          <p className="truncate text-soft">
            {KIND_WORDS[machine.kind]}, {customer.name}
          </p>
        </div>
        <p className="font-semibold">{complaints.map((c) => behaviourOf(c).label).join(', ')}</p>
      </div>
      <div className="px-3 py-4 sm:px-5 lg:w-11/25">
        {safety.length > 0 && (
          <p className="mb-2 flex items-center gap-2 text-lg font-bold text-rust">
            <TriangleAlert className="shrink-0" aria-hidden /> {safety.join(', ')}
          </p>
        )}
        {planned &&
          (phase?.kind === 'check' ? (
            <Check
              jobId={job.id}
              check={checkOf(phase.check, job.machine.kind)}
              minutes={phase.minutes}
              safe={safety.length === 0}
            />
          ) : (
            <StepHead eyebrow="Do this next" title={phaseWords(tag, now, job.machine.kind)} />
          ))}
      </div>
    </div>
  );
}

/** The next check; its results can be noted already where nothing has to come off or be measured for it. */
function Check({
  jobId,
  check,
  minutes,
  safe,
}: {
  jobId: string;
  check: CheckDef;
  minutes: number;
  /** Nothing on the machine hurts whoever runs it. */
  safe: boolean;
}): ReactElement {
  const log = useLog(jobId);
  const [noted, setNoted] = useState(false);
  const results = useRef<HTMLDivElement>(null);
  const runs = runsIt(check);
  const works = useAppSelector(isTechnician);
  const open = works && !noted && check.access.length === 0 && !check.reading && (safe || !runs);
  const bindings = useMemo(
    () =>
      open
        ? check.results.slice(0, 5).map(({ id, label }, n) => ({
            key: String(n + 1),
            does: label,
            run: () => {
              log('finding', { check: check.id, result: id, sureness: 'sure' });
              setNoted(true);
            },
          }))
        : [],
    [open, check, log],
  );
  const keys = useMemo(
    () =>
      bindings.map((b) => ({
        ...b,
        // As on the bench: never beside another button.
        run: () => {
          if (isFreeFor(results.current)) b.run();
        },
      })),
    [bindings],
  );
  useKeys(keys);
  return (
    <>
      <StepHead eyebrow="Do this next" title={check.name} aside={minutesWords(minutes)} />
      <Caution says={check.caution} />
      <p className="mt-2 max-w-[62ch] text-lg leading-snug">{check.how}</p>
      {noted && (
        <p role="status" className="mt-3 text-xl font-semibold">
          Noted.
        </p>
      )}
      {bindings.length > 0 && (
        <div className="mt-3 flex flex-wrap gap-3" role="group" aria-label="Result" ref={results}>
          {bindings.map(({ does, run }) => (
            <button key={does} type="button" onClick={run} className={`${BIG_BUTTON} min-w-24 px-4`}>
              {does}
            </button>
          ))}
        </div>
      )}
    </>
  );
}
