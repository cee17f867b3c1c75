import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf } from '@rusty-wren/core/knowledge';
import type { comebackOf, Gone } from '@rusty-wren/core/log';
import { causesInWords, inSentence } from '../ui/words';

/** A job that went home, as far as it may come back; none while it is open. */
export const goneOf = (tag: RackTag): (Gone & { tag: RackTag })[] =>
  tag.stage === 'closed'
    ? [
        {
          tag,
          closedAt: tag.stageSince ?? tag.job.checkedInAt,
          complaints: tag.complaints,
          declined: tag.standing,
        },
      ]
    : [];

/** That a machine comes back, after how long and with what: "It comes back after 12 days: will not fire". */
export function comebackWords({
  days,
  same,
  declined,
}: Pick<NonNullable<ReturnType<typeof comebackOf>>, 'days' | 'same' | 'declined'>): string {
  const when = days === 0 ? 'the same day' : `after ${days} ${days === 1 ? 'day' : 'days'}`;
  const what =
    same.length > 0
      ? same.map((c) => inSentence(behaviourOf(c).label)).join(', ')
      : `left then, ${causesInWords(declined)}`;
  return `It comes back ${when}: ${what}`;
}
