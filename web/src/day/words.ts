import type { RackTag } from '@rusty-wren/contract';
import { checkOf } from '@rusty-wren/core/knowledge';
import type { Task, TaskKind } from '@rusty-wren/core/schedule';
import { format } from 'date-fns';
import type { Known } from './known';
import { momentOf } from './moment';
import { phaseWords } from '../rack/words';

const KIND_DOES: Readonly<Record<TaskKind, string>> = {
  look: 'Find what is wrong',
  strip: 'Take the carburettor apart for the bath',
  mend: 'Mend it',
  together: 'Put it together',
  prove: 'Start it and prove it',
  'cold-start': 'Cold start',
  close: 'Write it up',
  soak: 'In the bath',
};

/** What a piece of work is: the first of a job as its tag says it, what follows by its kind. */
export function taskWords(task: Task, tag: RackTag, now: string): string {
  if (task.after !== null || task.kind === 'close') return KIND_DOES[task.kind];
  // How long the check takes is not how long the machine does.
  return tag.phase?.kind === 'check'
    ? checkOf(tag.phase.check, tag.job.machine.kind).name
    : phaseWords(tag, now, tag.job.machine.kind);
}

export const kindWords = (kind: TaskKind): string => KIND_DOES[kind];

/** A minute of the plan as a moment: "10:20" today, "Fri 10:20" else. */
export function whenWords(minute: number, zero: number): string {
  const at = momentOf(minute, zero);
  const today = format(at, 'yyyy-MM-dd') === format(zero, 'yyyy-MM-dd');
  return format(at, today ? 'HH:mm' : 'EEE HH:mm');
}

/** A chance as it is said of a promise. */
export const chanceWords = (p: number): string =>
  p >= 0.97 ? 'safe' : p >= 0.03 ? `${Math.round(p * 10)} in 10` : 'it will be late';

/** The tags promised for a day. */
export const promisedOn = (date: string, { tags }: Known): number[] =>
  [...tags.values()].filter((t) => t.job.promisedFor === date).map((t) => t.job.tag);
