import type { RackTag } from '@rusty-wren/contract';
import type { Slot, Task } from '@rusty-wren/core/schedule';
import { Snowflake } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { StepHead } from '../bench/steps/StepHead';
import { MainLink } from '../ui/MainLink';
import { minutesWords } from '../ui/words';
import type { Known } from './known';
import { taskWords, whenWords } from './words';

/** Beyond that nothing is "then": it is another day. */
const SOON = 12 * 60;

interface Piece {
  slot: Slot;
  task: Task;
  tag: RackTag;
}

const piecesOf = (slots: readonly Slot[], { tasks, tags }: Known): Piece[] =>
  slots.flatMap((slot) => {
    const task = tasks.get(slot.task);
    const tag = task && tags.get(task.job);
    return task && tag ? [{ slot, task, tag }] : [];
  });

/** What has run and cools until it can be started cold, and from when on that is. */
const cooling = (pieces: readonly Piece[]): { piece: Piece; from: number }[] =>
  pieces.flatMap((piece) => {
    const { kind, after, release } = piece.task;
    return kind === 'cold-start' && after === null && release > 0 ? [{ piece, from: release }] : [];
  });

/** Now, then, while that cools: of one technician. */
export function NowAndThen({
  slots,
  me,
  known,
}: {
  slots: readonly Slot[];
  me: string | null;
  known: Known;
}): ReactElement {
  const pieces = piecesOf(slots, known);
  const mine = pieces.filter((p) => p.slot.crew === me && p.slot.start < SOON);
  const [now, ...then] = mine;
  const at = new Date(known.zero).toISOString();
  const cools = cooling(pieces)
    .filter(({ piece, from }) => from < SOON && piece.task.id !== now?.task.id)
    .slice(0, 4);
  if (!now) {
    const next = pieces.find((p) => p.slot.crew === me);
    return (
      <section aria-label="Now">
        <StepHead eyebrow="Now" title="Nothing is left for today" />
        <p className="mt-2 text-xl">
          {next
            ? `${next.tag.job.tag} goes on ${whenWords(next.slot.start, known.zero)}.`
            : 'Everything that hangs here waits for somebody else, or is done.'}
        </p>
      </section>
    );
  }
  const late = now.slot.start > 5;
  return (
    <div className="grid grid-cols-1 content-start gap-7">
      <section aria-label="Now">
        <StepHead
          eyebrow={late ? `From ${whenWords(now.slot.start, known.zero)}` : 'Now'}
          title={taskWords(now.task, now.tag, at)}
          aside={minutesWords(now.task.minutes)}
        />
        <p className="mt-2 flex flex-wrap items-baseline gap-x-4 text-2xl">
          <span className="font-tag text-5xl leading-none font-bold">{now.tag.job.tag}</span>
          <span className="font-tag font-semibold">
            {now.tag.job.machine.maker} {now.tag.job.machine.model}
          </span>
          <span className="text-soft">{now.tag.job.customer.name}</span>
        </p>
        <MainLink to={`/job/${now.tag.job.id}`} className="mt-4">
          To the bench
        </MainLink>
      </section>
      {then.length > 0 && (
        <section aria-label="Then">
          <h2 className="text-xl font-semibold text-soft">Then</h2>
          <ol>
            {then.slice(0, 3).map(({ slot, task, tag }) => (
              <li key={task.id}>
                <Link
                  to={`/job/${tag.job.id}`}
                  className="flex min-h-14 items-baseline gap-x-4 border-b border-line py-2 text-xl hover:border-ink"
                >
                  <span className="w-14 shrink-0 text-soft tabular-nums">
                    {whenWords(slot.start, known.zero)}
                  </span>
                  <strong className="font-tag text-2xl">{tag.job.tag}</strong>
                  <span className="min-w-0 flex-1 truncate">{taskWords(task, tag, at)}</span>
                  <span className="shrink-0 text-soft">{minutesWords(task.minutes)}</span>
                </Link>
              </li>
            ))}
          </ol>
        </section>
      )}
      {cools.length > 0 && (
        <section aria-label="While that cools">
          <h2 className="flex items-center gap-2 text-xl font-semibold text-soft">
            <Snowflake size={20} aria-hidden /> Cooling meanwhile
          </h2>
          <ul className="mt-1 flex flex-wrap gap-x-6 text-xl">
            {cools.map(({ piece, from }) => (
              <li key={piece.task.id}>
                <strong className="font-tag">{piece.tag.job.tag}</strong> cold at{' '}
                {whenWords(from, known.zero)}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
