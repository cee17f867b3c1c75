import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf } from '@rusty-wren/core/knowledge';
import { nameOfMend } from '@rusty-wren/core/log';
import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { phaseWords } from '../rack/words';
import { causesInWords, inSentence } from '../ui/words';

/** What a job was about, in one line: what it did, and what was put right or comes next. */
export function aboutJob(tag: RackTag, now: string): string {
  const { kind } = tag.job.machine;
  const does = tag.complaints.map((c) => behaviourOf(c).label).join(', ');
  if (tag.stage !== 'closed') return `${does}. ${phaseWords(tag, now, kind)}`;
  const mended = tag.mended.map((m) => inSentence(nameOfMend(m, kind))).join(', ');
  const left = tag.standing.length > 0 ? `. Left: ${causesInWords(tag.standing, kind)}` : '';
  return `${does}${mended ? `. Mended: ${mended}` : ''}${left}`;
}

/** When it was here: the day it came while it is open, the day it went home. */
export const whenOf = (tag: RackTag): string =>
  tag.stage === 'closed'
    ? format(tag.stageSince ?? tag.job.checkedInAt, 'd MMM yyyy')
    : `on the rack since ${format(tag.job.checkedInAt, 'd MMM')}`;

/** A job among others: its tag, what it was about, when. `whose`: what of it is not said elsewhere. */
export function JobRow({
  tag,
  whose,
  now,
}: {
  tag: RackTag;
  whose: 'owner and machine' | 'machine' | 'nobody';
  now: string;
}): ReactElement {
  const { machine, customer } = tag.job;
  return (
    <span className="flex w-full items-baseline gap-3">
      <strong className="font-tag text-2xl">{tag.job.tag}</strong>
      <span className="flex min-w-0 flex-1 flex-wrap items-baseline justify-between gap-x-4">
        <span className="min-w-[min(100%,16rem)] flex-1">
          {whose !== 'nobody' && (
            <span className="block font-semibold">
              {machine.maker} {machine.model}
              {whose === 'owner and machine' && `, ${customer.name}`}
            </span>
          )}
          <span className={whose === 'nobody' ? '' : 'text-soft'}>{aboutJob(tag, now)}.</span>
        </span>
        <span className={tag.stage === 'closed' ? 'text-soft' : 'font-semibold'}>{whenOf(tag)}</span>
      </span>
    </span>
  );
}
