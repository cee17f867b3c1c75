import { CAUTIONS } from '@rusty-wren/core/knowledge';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { TriangleAlert } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import type { JobAtBench } from '../../job/useJob';
import type { Log } from '../../job/useLog';
import { PartsAtHand } from '../../parts/PartsAtHand';
import { OwnersCard } from '../../start/OwnersCard';
import { Button } from '../../ui/Button';
import { Caution } from '../../ui/Caution';
import { Written } from '../../ui/Written';
import { tooLong } from '../../ui/words';
import { HowItGoes } from '../HowItGoes';
import { StepHead } from './StepHead';

const MOST_REASON = 1000;

const oilsABar = ({ kind }: MachineFacts): boolean => kind === 'chainsaw' || kind === 'pole-saw';

/** Closing: freely when nothing is open, otherwise only with a written reason. */
export function CloseStep({
  atBench,
  log,
  onBack,
}: {
  atBench: Pick<JobAtBench, 'job' | 'picture' | 'account'>;
  log: Log;
  onBack?: () => void;
}): ReactElement {
  const [reason, setReason] = useState('');
  const { job, picture } = atBench;
  const { openEnds } = picture;
  const free = openEnds.length === 0;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!free && !reason.trim()) return;
    log('stage', { stage: 'closed', ...(!free && { reason: reason.trim() }) });
  };
  return (
    <section aria-label="Close the job">
      <StepHead
        eyebrow={free ? 'Proved' : 'Not finished'}
        title={free ? 'Ready to go home' : 'Close it as it is?'}
      />
      {!free && (
        <ul className="mt-4 max-w-2xl space-y-2 text-xl leading-snug">
          {openEnds.map((end) => (
            <li key={end.id + end.says} className="flex gap-3">
              <TriangleAlert className="mt-0.5 shrink-0 text-ochre" aria-hidden /> {end.says}
            </li>
          ))}
        </ul>
      )}
      <Caution says={CAUTIONS.wash} />
      {oilsABar(picture.machine) && <Caution says={CAUTIONS.barOil} />}
      <PartsAtHand atBench={atBench} />
      <OwnersCard job={job} picture={picture} />
      <form onSubmit={submit} className="mt-5 max-w-2xl">
        {!free && (
          <Written
            label="Why it leaves like this, for the record"
            most={MOST_REASON}
            value={reason}
            onChange={setReason}
          />
        )}
        <div className="mt-4 flex flex-wrap gap-3">
          <Button
            type="submit"
            look={free ? 'rust' : 'plain'}
            disabled={!free && (!reason.trim() || tooLong(reason.trim(), MOST_REASON) !== null)}
            className="min-h-16 px-8 text-xl"
          >
            Close the job
          </Button>
          {onBack && (
            <Button look="quiet" onClick={onBack}>
              Back to the work
            </Button>
          )}
        </div>
      </form>
    </section>
  );
}

/** A closed job can be opened again; its log goes on. */
export function ClosedStep({ picture, log }: { picture: JobAtBench['picture']; log: Log }): ReactElement {
  return (
    <section aria-label="Closed">
      <StepHead eyebrow="Done" title="Closed" />
      <p className="mt-3 text-xl">Its log stays. If it comes back, it goes on from here.</p>
      <Button
        className="mt-5 min-h-16 px-8 text-xl"
        onClick={() => log('stage', { stage: 'bench', reason: 'Came back' })}
      >
        Reopen
      </Button>
      <HowItGoes picture={picture} log={log} />
    </section>
  );
}
