import { causeOf, remedyMinutes, type CauseId, type RemedyId } from '@rusty-wren/core/knowledge';
import { leadingIn, type Diagnosis, type Stop } from '@rusty-wren/core/diagnosis';
import type { ReactElement } from 'react';
import { inSentence, percent } from '../../rack/words';
import { Button } from '../../ui/Button';
import { StepHead } from './StepHead';

const list = (causes: readonly CauseId[]): string =>
  causes.map((id) => inSentence(causeOf(id).name)).join(', ');

/** Enough is known: what to do about it, as the one call of the bench. */
export function StopStep({
  stop,
  diagnosis,
  onSettle,
}: {
  stop: Stop;
  diagnosis: Pick<Diagnosis, 'behind'>;
  onSettle: (cause: CauseId, remedy?: RemedyId) => void;
}): ReactElement {
  const lead = causeOf(leadingIn(stop));
  const { eyebrow, title, says, button } = wordsFor(stop);
  const remedy = 'remedy' in stop ? stop.remedy : undefined;
  return (
    <section aria-label="Enough checked">
      <StepHead
        eyebrow={eyebrow}
        title={title}
        aside={stop.why === 'worth' ? undefined : `${remedy ? remedyMinutes(remedy) : lead.minutes} min`}
      />
      <p className="mt-3 max-w-[58ch] text-xl leading-snug">{says}</p>
      {!remedy && <p className="mt-2 text-xl">{lead.remedy}.</p>}
      {stop.why === 'worth' && diagnosis.behind.length > 0 && (
        <p className="mt-2 max-w-[58ch] text-xl leading-snug">
          What did it may be {list(diagnosis.behind.slice(0, 3).map((b) => b.cause))}: a new one comes back
          the same while that stands.
        </p>
      )}
      <Button look="rust" className="mt-5" onClick={() => onSettle(lead.id, remedy?.id)}>
        {button}
      </Button>
    </section>
  );
}

function wordsFor(stop: Stop): { eyebrow: string; title: string; says: string; button: string } {
  const lead = causeOf(leadingIn(stop)).name;
  switch (stop.why) {
    case 'found': {
      const others = stop.causes.filter((id) => id !== stop.cause);
      return {
        eyebrow: 'Put it right',
        title: lead,
        says:
          others.length > 0
            ? `Seen, and it accounts for the complaint. Seen as well: ${list(others)}.`
            : 'Seen, and it accounts for the complaint.',
        button: 'Mend it',
      };
    }
    case 'settled':
      return {
        eyebrow: 'Put it right',
        title: lead,
        says: `Not seen, but ${percent(stop.probability)} likely: enough to act on.`,
        button: 'Mend it',
      };
    case 'one-remedy':
      return {
        eyebrow: 'Put it right',
        title: stop.remedy.does,
        says: `It mends whichever it is, ${percent(stop.probability)}: ${list(stop.causes)}.`,
        button: 'Mend it',
      };
    case 'worth':
      return {
        eyebrow: 'Ask first',
        title: 'Is it worth mending?',
        says: `${lead}: ${inSentence(stop.remedy.does)}. Weigh that against the machine before anything else is spent.`,
        button: 'It is: mend it',
      };
    case 'nothing-pays':
      return {
        eyebrow: 'Try it',
        title: lead,
        says: `No check left is worth its minutes; this is best to try, ${percent(stop.probability)}.`,
        button: 'Mend it',
      };
  }
}
