import { pricedOf, type Shop } from '@rusty-wren/contract';
import type { Block, PaperKind } from '@rusty-wren/core/log';
import { paperFor } from '@rusty-wren/core/paper';
import { format } from 'date-fns';
import type { JobAtBench } from '../job/useJob';
import { inSentence, KIND_WORDS } from '../ui/words';

/** A paper as the log makes it now, before anything is written otherwise. */
export function paperNow(
  kind: PaperKind,
  { job, picture, benchCase, diagnosis }: JobAtBench,
  { rules, book, pace }: Shop,
): { title: string; blocks: Block[] } {
  const { machine, customer, tag, promisedFor } = job;
  return paperFor(kind, {
    picture,
    benchCase,
    suspects: diagnosis.suspects,
    machine: pricedOf(machine),
    kindWords: inSentence(KIND_WORDS[machine.kind]),
    tag,
    owner: customer.name,
    rules,
    book,
    pace,
    url: `${location.origin}/job/${job.id}`,
    promised: promisedFor && format(new Date(promisedFor), 'EEEE d MMMM'),
  });
}
