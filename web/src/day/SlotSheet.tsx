import type { Account } from '@rusty-wren/contract';
import type { Slot } from '@rusty-wren/core/schedule';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import { useDropPinMutation, usePutPinMutation } from '../api/api';
import { Button } from '../ui/Button';
import { toldRefused } from '../ui/refused';
import { Sheet } from '../ui/Sheet';
import { minutesWords } from '../ui/words';
import type { Known } from './known';
import { momentOf } from './moment';
import { kindWords, whenWords } from './words';

const STEP = 30;

/** One piece of work: put earlier, later, first of all, or to somebody else; or left to the plan again. */
export function SlotSheet({
  slot,
  accounts,
  pinned,
  known,
  onClose,
}: {
  slot: Slot;
  accounts: readonly Account[];
  pinned: boolean;
  known: Known;
  onClose: () => void;
}): ReactElement | null {
  const [put] = usePutPinMutation();
  const [drop] = useDropPinMutation();
  const task = known.tasks.get(slot.task);
  const tag = task && known.tags.get(task.job);
  if (!task || !tag || slot.crew === null) return null;
  const to = (account: string, start: number): void =>
    void put({
      task: slot.task,
      jobId: task.job,
      account,
      from: new Date(momentOf(Math.max(0, start), known.zero)).toISOString(),
    }).then(toldRefused);
  const crew = slot.crew;
  return (
    <Sheet title={`${tag.job.tag}: ${kindWords(task.kind)}`} open onOpenChange={(open) => !open && onClose()}>
      <p className="text-xl">
        {whenWords(slot.start, known.zero)}, {minutesWords(task.minutes)},{' '}
        {accounts.find((a) => a.id === crew)?.name}
      </p>
      <p className="text-lg text-soft">
        {tag.job.machine.maker} {tag.job.machine.model}, {tag.job.customer.name}
      </p>
      <div className="mt-4 grid grid-cols-2 gap-3">
        <Button className="min-h-14" onClick={() => to(crew, 0)}>
          First of all
        </Button>
        <Button
          className="min-h-14"
          disabled={!pinned}
          onClick={() => void drop(slot.task).then(toldRefused)}
        >
          As the plan would
        </Button>
        <Button className="min-h-14" onClick={() => to(crew, slot.start - STEP)}>
          Half an hour earlier
        </Button>
        <Button className="min-h-14" onClick={() => to(crew, slot.start + STEP)}>
          Half an hour later
        </Button>
        {accounts
          .filter((a) => a.id !== crew)
          .map((a) => (
            <Button key={a.id} className="min-h-14" onClick={() => to(a.id, 0)}>
              To {a.name}
            </Button>
          ))}
      </div>
      <Link
        to={`/job/${task.job}`}
        className="mt-4 inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
      >
        To its bench
      </Link>
    </Sheet>
  );
}
