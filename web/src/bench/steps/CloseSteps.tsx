import { CAUTIONS } from '@rusty-wren/core/diagnosis';
import type { Picture } from '@rusty-wren/core/log';
import { Check, Circle, TriangleAlert } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import { Button } from '../../ui/Button';
import type { Log } from '../useJob';
import { StepHead } from './StepHead';

/** The proof run: each step one tap, all of them since the last repair. */
export function ProveStep({
  picture,
  log,
  onClose,
}: {
  picture: Picture;
  log: Log;
  onClose: () => void;
}): ReactElement {
  return (
    <section aria-label="Proof run">
      <StepHead eyebrow="Mended" title="Now prove it" />
      <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
        <TriangleAlert className="shrink-0" aria-hidden /> {CAUTIONS.running}
      </p>
      <ul className="mt-3 max-w-2xl">
        {picture.proof.map((step) => (
          <li
            key={step.id}
            className="flex min-h-16 flex-wrap items-center justify-between gap-3 border-b border-line py-2"
          >
            <span className="flex items-center gap-3 text-xl font-semibold">
              {step.done ? (
                <Check className="text-moss" aria-label="done" />
              ) : (
                <Circle className="text-soft" aria-label="not yet" />
              )}
              {step.label}
            </span>
            {!step.done && (
              <Button
                look="rust"
                onClick={() => log('finding', { check: step.check, result: step.wants, sureness: 'sure' })}
              >
                Proved
              </Button>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-3 text-lg text-soft">
        With a tachometer, write it on the bench line: idle 2750, full 12400.
      </p>
      <Button look="quiet" className="mt-2 !px-0" onClick={onClose}>
        Close it as it is
      </Button>
    </section>
  );
}

/** Closing: freely when nothing is open, otherwise only with a written reason. */
export function CloseStep({
  picture,
  log,
  onBack,
}: {
  picture: Picture;
  log: Log;
  onBack?: () => void;
}): ReactElement {
  const [reason, setReason] = useState('');
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
      <form onSubmit={submit} className="mt-5 max-w-2xl">
        {!free && (
          <label className="block">
            <span className="font-semibold">Why it leaves like this, for the record</span>
            <input
              value={reason}
              onChange={(e) => setReason(e.target.value)}
              maxLength={1000}
              className="mt-1 min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
            />
          </label>
        )}
        <div className="mt-4 flex flex-wrap gap-3">
          <Button
            type="submit"
            look={free ? 'rust' : 'plain'}
            disabled={!free && !reason.trim()}
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
export function ClosedStep({ log }: { log: Log }): ReactElement {
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
    </section>
  );
}
