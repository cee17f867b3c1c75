import type { RackTag } from '@rusty-wren/contract';
import type { Gone } from '@rusty-wren/core/log';

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
