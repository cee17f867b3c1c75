import type { Account } from '@rusty-wren/contract';
import type { Slot } from '@rusty-wren/core/schedule';
import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { minutesWords } from '../ui/words';
import type { Known } from './known';
import { taskWords, whenWords } from './words';

/** As far as a day sheet reaches, minutes. */
const A_DAY = 14 * 60;

/** The day on paper: each technician's work in order, with a box to tick. */
export function DaySheet({
  slots,
  accounts,
  known,
}: {
  slots: readonly Slot[];
  accounts: readonly Account[];
  known: Known;
}): ReactElement {
  const now = new Date(known.zero).toISOString();
  return (
    <section aria-label="Day sheet" className="hidden print:block">
      <h2 className="text-3xl font-bold">{format(known.zero, 'EEEE d MMMM yyyy')}</h2>
      {accounts.map(({ id, name }) => {
        const mine = slots.filter((s) => s.crew === id && s.start < A_DAY);
        if (mine.length === 0) return null;
        return (
          <table key={id} className="mt-5 w-full text-left text-lg">
            <caption className="text-left text-2xl font-bold">{name}</caption>
            <tbody>
              {mine.map((s) => {
                const task = known.tasks.get(s.task);
                const tag = task && known.tags.get(task.job);
                return task && tag ? (
                  <tr key={s.task} className="border-b border-line">
                    <td className="w-16 py-1 tabular-nums">{whenWords(s.start, known.zero)}</td>
                    <td className="w-14 font-tag text-2xl font-bold">{tag.job.tag}</td>
                    <td>{taskWords(task, tag, now)}</td>
                    <td>
                      {tag.job.machine.maker} {tag.job.machine.model}, {tag.job.customer.name}
                    </td>
                    <td className="w-20 text-right">{minutesWords(task.minutes)}</td>
                    <td className="w-8 text-right">☐</td>
                  </tr>
                ) : null;
              })}
            </tbody>
          </table>
        );
      })}
    </section>
  );
}
