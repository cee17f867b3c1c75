import { CAUTIONS } from '@rusty-wren/core/knowledge';
import { offToStart, type Picture, type ProofStep } from '@rusty-wren/core/log';
import { format } from 'date-fns';
import { Check, Circle, TriangleAlert } from 'lucide-react';
import { useState, type FormEvent, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useNow } from '../../instruments/useNow';
import { Button } from '../../ui/Button';
import { OwnersCard } from '../../start/OwnersCard';
import type { JobAtBench, Log } from '../useJob';
import { PutBackFirst } from './PutBackFirst';
import { StepHead } from './StepHead';

/** One step of the proof: said with a tap, timed for a minute, or made at the starting drill. */
function ProveIt({ step, log, start }: { step: ProofStep; log: Log; start: string }): ReactElement {
  const { by } = step;
  const [timing, setTiming] = useState<number | null>(null);
  const now = useNow(timing !== null || (by.kind === 'start' && step.notBefore !== undefined), Date.now);
  if (by.kind === 'start') {
    const wait = step.notBefore && Date.parse(step.notBefore) > now ? step.notBefore : null;
    return wait ? (
      <span className="text-lg text-soft">not before {format(wait, 'EEE HH:mm')}</span>
    ) : (
      <Link
        to={`${start}?${by.state}`}
        className="inline-flex min-h-11 items-center rounded-md bg-rust px-4 py-2 font-semibold text-on-rust hover:brightness-110"
      >
        Start it
      </Link>
    );
  }
  const proved = (): void =>
    void (by.kind === 'finding'
      ? log('finding', { check: by.check, result: by.wants, sureness: 'sure' })
      : log('proved', { step: by.step }));
  if (by.kind === 'proved' && by.step === 'idle-minute') {
    const left = timing === null ? null : Math.min(60, Math.ceil(60 - (now - timing) / 1000));
    if (left === null || left > 0)
      return (
        <Button
          look={left === null ? 'rust' : 'plain'}
          onClick={() => setTiming(left === null ? Date.now() : null)}
        >
          {left === null ? 'Time it' : <span role="timer">{left} s, stop</span>}
        </Button>
      );
  }
  return (
    <Button look="rust" onClick={proved}>
      Proved
    </Button>
  );
}

/** What is left first, what is done after it. */
const byOpen = (proof: readonly ProofStep[]): ProofStep[] => proof.toSorted((x, y) => +x.done - +y.done);

/** The proof run: each step since the last touch, and two cold starts on different occasions. */
export function ProveStep({
  jobId,
  picture,
  log,
  onClose,
}: {
  jobId: string;
  picture: Picture;
  log: Log;
  onClose: () => void;
}): ReactElement {
  const start = `/job/${jobId}/start`;
  const touched = picture.proof.some((s) => s.done);
  const off = offToStart(picture);
  if (off.length > 0)
    return (
      <section aria-label="Proof run">
        <StepHead eyebrow="Mended" title="Put it together" />
        <PutBackFirst off={off} log={log} />
      </section>
    );
  return (
    <section aria-label="Proof run">
      <StepHead eyebrow="Mended" title="Now prove it" />
      <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
        <TriangleAlert className="shrink-0" aria-hidden /> {CAUTIONS.running}
      </p>
      <ul className="mt-3 max-w-2xl">
        {byOpen(picture.proof).map((step) => (
          <li
            key={step.id}
            className={`flex flex-wrap items-center justify-between gap-3 border-b border-line ${step.done ? 'min-h-11' : 'min-h-16 py-2'}`}
          >
            <span
              className={`flex items-center gap-3 ${step.done ? 'text-lg text-soft' : 'text-xl font-semibold'}`}
            >
              {step.done ? (
                <Check className="text-moss" aria-label="done" />
              ) : (
                <Circle className="text-soft" aria-label="not yet" />
              )}
              {step.label}
            </span>
            {!step.done && <ProveIt step={step} log={log} start={start} />}
          </li>
        ))}
      </ul>
      {touched && (
        <p className="mt-3 text-lg font-semibold text-ochre">
          Any turn of a screw or repair begins this anew.
        </p>
      )}
      <Button look="quiet" className="mt-2 !px-0" onClick={onClose}>
        Close it as it is
      </Button>
    </section>
  );
}

/** Closing: freely when nothing is open, otherwise only with a written reason. */
export function CloseStep({
  atBench: { job, picture },
  log,
  onBack,
}: {
  atBench: Pick<JobAtBench, 'job' | 'picture'>;
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
      <OwnersCard job={job} picture={picture} />
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
