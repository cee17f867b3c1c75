import { behaviourOf, CAUTIONS, OUTCOMES, type CauseId } from '@rusty-wren/core/knowledge';
import { nameOfMend, saidOfWork, workToTry } from '@rusty-wren/core/log';
import { TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';
import type { JobAtBench } from '../../job/useJob';
import type { Log } from '../../job/useLog';
import { inSentence } from '../../ui/words';
import { Outcomes } from './Outcomes';
import { StepHead } from './StepHead';

/** Something was put right and the engine not run since: does it still do what it came in for? */
export function TryStep({
  atBench: { picture },
  causes,
  log,
}: {
  atBench: Pick<JobAtBench, 'picture'>;
  causes: readonly CauseId[];
  log: Log;
}): ReactElement {
  const tried = workToTry(picture, causes);
  return (
    <section aria-label="Try it">
      <StepHead eyebrow="Put right, not tried" title="Does it still do it?" />
      <p className="mt-3 text-2xl">
        {picture.complaints.map(({ complaint }) => behaviourOf(complaint).label).join(', ')}
      </p>
      <p className="mt-2 text-xl leading-snug text-soft">
        Done since: {tried.map((what) => inSentence(nameOfMend(what, picture.machine.kind))).join(', ')}.
      </p>
      <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
        <TriangleAlert className="shrink-0" aria-hidden /> {CAUTIONS.running}
      </p>
      <Outcomes outcomes={OUTCOMES} onPick={(outcome) => log.all(saidOfWork(tried, outcome))} />
    </section>
  );
}
