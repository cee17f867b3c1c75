import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf, causeOf, checkOf } from '@rusty-wren/core/knowledge';
import { STAGE_WORDS } from '@rusty-wren/core/log';
import { pressing } from '@rusty-wren/core/schedule';
import { differenceInCalendarDays, format } from 'date-fns';
import { Hourglass, TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { SpeedShape } from '../drawn/SpeedShape';
import { dueWords, inSentence, KIND_WORDS, minutesWords, percent } from '../ui/words';
import { askedWords, phaseWords, waits } from './words';

const CORNERS = 'polygon(0 1.2rem, 1.2rem 0, calc(100% - 1.2rem) 0, 100% 1.2rem, 100% 100%, 0 100%)';

/** The hook on the rail and the ring of the tag. */
const Hook = (): ReactElement => (
  <svg
    viewBox="0 0 40 30"
    className="relative z-10 mx-auto -mb-4 block h-6 w-8"
    aria-hidden
    fill="none"
    strokeLinecap="round"
  >
    <path d="M20 0v8a6 6 0 1 1-6 6" stroke="var(--rail)" strokeWidth={4} />
    <circle cx={20} cy={24} r={4.5} stroke="var(--rail)" strokeWidth={2.4} fill="var(--paper)" />
  </svg>
);

/** How long it has hung here, in a word or two. */
const ageWords = (days: number): string => (days <= 0 ? 'today' : days === 1 ? '1 day' : `${days} days`);

/** Everything a tag says, worked out once for the tag and for the row of a phone. */
function readTag(tag: RackTag, now: string) {
  const { job, stage } = tag;
  const { dueInDays } = pressing(
    { stage, promisedFor: job.promisedFor, stageSince: tag.stageSince },
    { now, today: format(now, 'yyyy-MM-dd') },
  );
  const waiting = waits(tag);
  return {
    due: dueWords(dueInDays),
    late: dueInDays !== null && dueInDays < 0,
    age: ageWords(differenceInCalendarDays(now, job.checkedInAt)),
    waiting,
    asks: waiting
      ? (askedWords(tag, now) ?? tag.waitingFor ?? STAGE_WORDS[stage])
      : phaseWords(tag, now, job.machine.kind),
    label: [
      `${job.tag}, ${job.machine.maker} ${job.machine.model}, ${job.customer.name}, ${STAGE_WORDS[stage]}`,
      ...tag.safety.map((fault) => `safety fault: ${fault}`),
    ].join(', '),
  };
}

/** What it asks for, or waits for; a safety fault before all else. */
const Asks = ({
  tag,
  waiting,
  asks,
  lines = 2,
}: {
  tag: RackTag;
  waiting: boolean;
  asks: string;
  lines?: 1 | 2;
}): ReactElement => (
  <>
    {tag.safety.length > 0 && (
      <p className="flex items-center gap-1.5 leading-tight font-bold text-rust">
        <TriangleAlert size={18} className="shrink-0" aria-hidden />
        <span className="truncate">{tag.safety.join(', ')}</span>
      </p>
    )}
    <p
      title={asks}
      className={`leading-tight font-semibold ${lines === 1 ? 'flex justify-between gap-2' : 'line-clamp-2'} ${waiting ? 'text-soft' : ''}`}
    >
      {waiting && <Hourglass size={16} className="mr-1 inline shrink-0" aria-hidden />}
      {lines === 1 && tag.phase?.kind === 'check' ? (
        <>
          <span className="truncate">{checkOf(tag.phase.check, tag.job.machine.kind).name}</span>
          <span className="shrink-0">{minutesWords(tag.phase.minutes)}</span>
        </>
      ) : (
        asks
      )}
    </p>
  </>
);

/** A job as the paper tag that hangs on its hook. */
export function Tag({ tag, now }: { tag: RackTag; now: string }): ReactElement {
  const { job } = tag;
  const { due, late, age, waiting, asks, label } = readTag(tag, now);
  const complaint = tag.complaints[0];
  // Once it is known what to mend, the tag says that instead of suspecting it.
  const leads = tag.phase?.kind === 'check' && !waiting && tag.safety.length === 0;
  return (
    <Link to={`/job/${job.id}`} data-tag={job.tag} aria-label={label} className="group block rounded-b-md">
      <Hook />
      <div
        className={`flex h-[11.6rem] flex-col gap-1 px-3 pt-4 pb-2.5 group-hover:brightness-95 ${waiting ? 'bg-line/30' : 'bg-card'}`}
        style={{ clipPath: CORNERS }}
      >
        <p className="flex shrink-0 items-baseline gap-2.5">
          <span className="font-tag text-4xl leading-none font-bold">{job.tag}</span>
          <span className="truncate font-tag text-xl leading-none font-semibold">
            {job.machine.maker} {job.machine.model}
          </span>
        </p>
        <p className="shrink-0 truncate leading-tight text-soft">{job.customer.name}</p>
        {complaint && (
          <p className="flex shrink-0 items-center gap-2 leading-tight">
            <SpeedShape complaint={complaint} className="h-6 w-12 shrink-0" />
            <span className="truncate">{behaviourOf(complaint).label}</span>
          </p>
        )}
        {leads && tag.lead && (
          <p className="flex shrink-0 items-baseline justify-between gap-2 leading-tight">
            <span className="truncate">{inSentence(causeOf(tag.lead.cause, tag.job.machine.kind).name)}</span>
            <span className="shrink-0 font-semibold">{percent(tag.lead.probability)}</span>
          </p>
        )}
        <div className="mt-auto shrink-0">
          <Asks tag={tag} waiting={waiting} asks={asks} lines={leads ? 1 : 2} />
          <p className="flex justify-between gap-2 leading-tight">
            <span className="text-soft">{age}</span>
            {due && <span className={late ? 'font-bold text-rust' : 'text-soft'}>{due}</span>}
          </p>
        </div>
      </div>
      <span className="sr-only">{KIND_WORDS[job.machine.kind]}</span>
    </Link>
  );
}

/** A job as a row of a phone's rack. */
export function TagRow({ tag, now }: { tag: RackTag; now: string }): ReactElement {
  const { job } = tag;
  const { due, late, age, waiting, asks, label } = readTag(tag, now);
  return (
    <Link
      to={`/job/${job.id}`}
      data-tag={job.tag}
      aria-label={label}
      className="flex min-h-16 items-center gap-3 border-b border-line py-2"
    >
      <span className="w-14 shrink-0 font-tag text-3xl leading-none font-bold">{job.tag}</span>
      <span className="min-w-0 flex-1 leading-tight">
        <span className="flex justify-between gap-2">
          <strong className="truncate">
            {job.machine.maker} {job.machine.model}
          </strong>
          <span className={`shrink-0 ${late ? 'font-bold text-rust' : 'text-soft'}`}>{due ?? age}</span>
        </span>
        <span className="block truncate text-soft">{job.customer.name}</span>
        <Asks tag={tag} waiting={waiting} asks={asks} />
      </span>
    </Link>
  );
}
