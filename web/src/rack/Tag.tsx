import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf, causeOf, checkOf } from '@rusty-wren/core/knowledge';
import { pressing } from '@rusty-wren/core/schedule';
import { format } from 'date-fns';
import { Hourglass } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { MachineDrawing } from '../drawn/MachineDrawing';
import { SpeedShape } from '../drawn/SpeedShape';
import { dueWords, inSentence, KIND_WORDS, minutesWords, percent, STAGE_WORDS } from './words';

const CORNERS = 'polygon(0 1.6rem, 1.6rem 0, calc(100% - 1.6rem) 0, 100% 1.6rem, 100% 100%, 0 100%)';

/** The hook on the rail and the string the tag hangs by. */
function Hook(): ReactElement {
  return (
    <svg
      viewBox="0 0 40 46"
      className="relative z-10 mx-auto -mb-6 block h-12 w-10"
      aria-hidden
      fill="none"
      strokeLinecap="round"
    >
      <path d="M20 0v12a7 7 0 1 1-7 7" stroke="var(--rail)" strokeWidth={4} />
      <path d="M19 26 20 40" stroke="var(--soft)" strokeWidth={1.6} />
      <circle cx={20} cy={40} r={4.5} stroke="var(--rail)" strokeWidth={2.4} fill="var(--paper)" />
    </svg>
  );
}

/** What is known of the cause: settled, suspected, or nothing yet. */
function Lead({ tag }: { tag: RackTag }): ReactElement | null {
  const settled = tag.settled[0];
  if (settled) {
    return (
      <p className="font-semibold text-moss">
        {causeOf(settled).name} <span className="font-normal">settled</span>
      </p>
    );
  }
  if (!tag.lead) return null;
  return (
    <div>
      <p className="flex items-baseline justify-between gap-2 leading-tight">
        <span className="font-semibold">{causeOf(tag.lead.cause).name}</span>
        <span className="shrink-0">{percent(tag.lead.probability)}</span>
      </p>
      <div className="mt-1.5 h-1.5 bg-line">
        <div className="h-full bg-ink" style={{ width: percent(tag.lead.probability).replace(' ', '') }} />
      </div>
    </div>
  );
}

/** What the job asks for next, in a few words. */
function nextWords({ settled, stop, next }: RackTag): string {
  if (settled.length > 0) return 'Mend it';
  if (stop)
    return stop.why === 'worth'
      ? 'Is it worth mending?'
      : `Put right: ${inSentence(causeOf(stop.cause).name)}`;
  return next ? `${checkOf(next.check).name}, ${minutesWords(next.minutes)}` : 'Settle on a suspect';
}

/** What the proof waits for. */
function proofWords({ coldStart }: RackTag, now: string): string {
  if (!coldStart) return 'Prove it';
  const { notBefore } = coldStart;
  return notBefore && notBefore > now
    ? `Cold start after ${format(notBefore, 'EEE HH:mm')}`
    : 'Cold start due';
}

/** A job as the paper tag that hangs on its hook. */
export function Tag({ tag, now }: { tag: RackTag; now: string }): ReactElement {
  const { job, stage } = tag;
  const { dueInDays, needsHand } = pressing(
    { stage, promisedFor: job.promisedFor, stageSince: tag.stageSince },
    now,
  );
  const due = stage === 'closed' ? null : dueWords(dueInDays);
  const complaint = tag.complaints[0];
  const waits = stage === 'parts' || stage === 'answer';
  return (
    <Link
      to={`/job/${job.id}`}
      data-tag={job.tag}
      aria-label={`${job.tag}, ${job.machine.maker} ${job.machine.model}, ${job.customer.name}, ${STAGE_WORDS[stage]}`}
      className="group block rounded-b-md"
    >
      <Hook />
      <div
        className={`flex h-[19.6rem] flex-col gap-2 px-4 pt-7 pb-4 group-hover:brightness-95 ${waits ? 'bg-line/30' : 'bg-card'}`}
        style={{ clipPath: CORNERS }}
      >
        <div className="flex items-start justify-between gap-2">
          <span className="font-tag text-5xl leading-none font-bold">{job.tag}</span>
          <MachineDrawing kind={job.machine.kind} className="h-8 w-20 text-soft" />
        </div>
        <p className="font-tag text-2xl leading-none font-semibold">
          {job.machine.maker} {job.machine.model}
        </p>
        <p className="shrink-0 truncate text-soft">{job.customer.name}</p>
        {complaint && (
          <p className="flex items-center gap-3 leading-tight">
            <SpeedShape complaint={complaint} className="h-8 w-[4.5rem] shrink-0" />
            {behaviourOf(complaint).label}
          </p>
        )}
        <Lead tag={tag} />
        <div className="mt-auto leading-snug">
          {waits ? (
            <p className="flex gap-2 text-soft">
              <Hourglass size={18} className="mt-0.5 shrink-0" aria-hidden />
              {tag.waitingFor ?? STAGE_WORDS[stage]}
            </p>
          ) : (
            needsHand &&
            (stage === 'proof' ? (
              <p className="font-semibold text-rust">{proofWords(tag, now)}</p>
            ) : (
              <p className="font-semibold text-rust">{nextWords(tag)}</p>
            ))
          )}
          <p className="flex justify-between gap-2">
            <span className="text-soft">{STAGE_WORDS[stage]}</span>
            {due && (
              <span className={dueInDays !== null && dueInDays < 0 ? 'font-bold text-rust' : 'text-soft'}>
                {due}
              </span>
            )}
          </p>
        </div>
      </div>
      <span className="sr-only">{KIND_WORDS[job.machine.kind]}</span>
    </Link>
  );
}
