import type { RackTag } from '@rusty-wren/contract';
import { leadingIn } from '@rusty-wren/core/diagnosis';
import { causeOf, checkOf, remedyOf } from '@rusty-wren/core/knowledge';
import type { ToMend } from '@rusty-wren/core/log';
import type { MachineKind } from '@rusty-wren/core/machine';
import { differenceInCalendarDays, format } from 'date-fns';
import { causesInWords, inSentence, minutesWords } from '../ui/words';

function mendWords(what: ToMend, kind?: MachineKind): string {
  if ('other' in what) return `Mend: ${what.other}`;
  return what.remedy ? remedyOf(what.remedy).does : `Mend: ${inSentence(causeOf(what.cause, kind).name)}`;
}

/** Why nothing is done about what was found. */
const LEFT_WORDS = { left: 'Left', told: 'The owner was told', decided: 'As the owner decided' } as const;

/** What a job asks for now, in a few words: the same as its bench says at length. `now`: ISO 8601; `kind`: whose words are used. */
export function phaseWords(
  { phase, coldStart }: Pick<RackTag, 'phase' | 'coldStart'>,
  now: string,
  kind?: MachineKind,
): string {
  switch (phase?.kind) {
    case undefined:
      return 'Being looked at…';
    case 'check':
      return `${checkOf(phase.check, kind).name}, ${minutesWords(phase.minutes)}`;
    case 'stop':
      if (phase.stop.why === 'worth') return 'Is it worth mending?';
      if (phase.stop.why === 'try') return 'Does it still do it?';
      return `Put right: ${inSentence(causeOf(leadingIn(phase.stop), kind).name)}`;
    case 'settle':
      return 'Settle on a cause';
    case 'set-right':
      return `Set right, or read wrong? ${phase.what.cause ? causeOf(phase.what.cause, kind).name : checkOf(phase.what.check, kind).name}`;
    case 'safety':
      return `Safety first: ${phase.fault.words}`;
    case 'repair':
      return mendWords(phase.settled, kind);
    case 'left':
      return `${LEFT_WORDS[phase.because ?? 'left']}${phase.causes.length > 0 ? `: ${causesInWords(phase.causes, kind)}` : ''}`;
    case 'behind':
      return `What caused it? ${causeOf(phase.cause, kind).name}`;
    case 'together':
      return phase.off.length === 1
        ? 'Put it together: one thing is off'
        : `Put it together: ${phase.off.length} things are off`;
    case 'prove':
      if (!coldStart) return 'Prove it';
      return coldStart.notBefore && !coldStartDueNow({ phase, coldStart }, now)
        ? `Cold start after ${format(coldStart.notBefore, 'EEE HH:mm')}`
        : 'Cold start due';
    case 'close':
      return 'Ready to go home';
    case 'closed':
      return 'Closed';
  }
}

/** Whether a cold start can be made now. */
export const coldStartDueNow = (
  { phase, coldStart }: Pick<RackTag, 'phase' | 'coldStart'>,
  now: string,
): boolean =>
  phase?.kind === 'prove' &&
  coldStart !== null &&
  (coldStart.notBefore === null || coldStart.notBefore <= now);

/** Whether it waits for parts or for an answer. */
export const waits = ({ stage }: Pick<RackTag, 'stage'>): boolean => stage === 'parts' || stage === 'answer';

/** How long the owner has been asked, and the number to ring; null where nobody waits for an answer. */
export function askedWords(
  { stage, stageSince, job }: Pick<RackTag, 'stage' | 'stageSince' | 'job'>,
  now: string,
): string | null {
  if (stage !== 'answer' || stageSince === null) return null;
  const days = differenceInCalendarDays(now, stageSince);
  const since = days <= 0 ? 'asked today' : days === 1 ? 'asked yesterday' : `asked ${days} days ago`;
  return job.customer.phone ? `${since}, ring ${job.customer.phone}` : since;
}
