import { CAUTIONS } from '@rusty-wren/core/knowledge';
import type { Picture, ProofStep } from '@rusty-wren/core/log';
import { format } from 'date-fns';
import { Check, Circle, TriangleAlert } from 'lucide-react';
import type { ReactElement } from 'react';
import { Link } from 'react-router';
import type { Log } from '../../job/useLog';
import { Button, BUTTON_LOOKS } from '../../ui/Button';
import { useDraft } from '../../ui/useDraft';
import { useNow } from '../../ui/useNow';
import { StepHead } from './StepHead';

/** A minute that was begun so long ago was forgotten. */
const FORGOTTEN_MS = 10 * 60_000;

/** One step of the proof: said with a tap, timed for a minute, or made at the starting drill. */
function ProveIt({
  jobId,
  step,
  log,
  start,
  first,
}: {
  jobId: string;
  step: ProofStep;
  log: Log;
  start: string;
  /** It is the one to do now. */
  first: boolean;
}): ReactElement {
  const { by } = step;
  const look = first ? 'rust' : 'plain';
  // Kept while another screen is looked at: a minute goes on by itself.
  const [timed, setTiming, dropTiming] = useDraft<number | null>(
    by.kind === 'proved' ? `${jobId} ${by.step} timed` : undefined,
    () => null,
  );
  const now = useNow(timed !== null || (by.kind === 'start' && step.notBefore !== undefined), Date.now);
  const timing = timed !== null && now - timed < FORGOTTEN_MS ? timed : null;
  if (by.kind === 'start') {
    const wait = step.notBefore && Date.parse(step.notBefore) > now ? step.notBefore : null;
    return wait ? (
      <span className="text-lg text-soft">not before {format(wait, 'EEE HH:mm')}</span>
    ) : (
      <span className="flex flex-wrap items-center gap-2">
        <Link
          to={`${start}?${by.state}`}
          className={`inline-flex min-h-11 items-center rounded-md px-4 py-2 font-semibold ${BUTTON_LOOKS[look]}`}
        >
          Start it
        </Link>
        <span className="flex items-center gap-1" role="group" aria-label={`${step.label}: it ran after`}>
          <span className="mr-1 text-lg text-soft">ran after</span>
          {FEW_PULLS.map((pulls) => (
            <button
              key={pulls}
              type="button"
              aria-label={pulls === 1 ? '1 pull' : `${pulls} pulls`}
              onClick={() => log('start', { state: by.state, pulls, outcome: 'runs' })}
              className="size-11 rounded-md border-2 border-line text-xl font-bold hover:border-ink"
            >
              {pulls}
            </button>
          ))}
        </span>
      </span>
    );
  }
  const proved = (): void => {
    dropTiming();
    void (by.kind === 'finding'
      ? log('finding', { check: by.check, result: by.wants, sureness: 'sure' })
      : log('proved', { step: by.step }));
  };
  if (by.kind === 'proved' && by.step === 'idle-minute') {
    const left = timing === null ? null : Math.min(60, Math.ceil(60 - (now - timing) / 1000));
    if (left === null || left > 0)
      return (
        <Button
          look={left === null ? look : 'plain'}
          onClick={() => setTiming(left === null ? Date.now() : null)}
        >
          {left === null ? 'Time it' : <span role="timer">{left} s, stop</span>}
        </Button>
      );
  }
  return (
    <Button look={look} onClick={proved}>
      Proved
    </Button>
  );
}

/** Pulls that need no counting: more of them are counted at the starting drill. */
const FEW_PULLS = [1, 2, 3, 4, 5];

/** Whether a step can be made now: the second of two cold starts waits for the first. */
function isUp({ by, id }: ProofStep, proof: readonly ProofStep[]): boolean {
  if (by.kind !== 'start') return true;
  return proof.find((s) => !s.done && s.by.kind === 'start' && s.by.state === by.state)?.id === id;
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
  const first = picture.proof.find((s) => !s.done)?.id;
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
            {!step.done && isUp(step, picture.proof) && (
              <ProveIt jobId={jobId} step={step} log={log} start={start} first={step.id === first} />
            )}
          </li>
        ))}
      </ul>
      {touched && (
        <p className="mt-3 text-lg font-semibold text-ochre">
          Work begins anew what it touches; a turn of a screw, all of it.
        </p>
      )}
      <Button look="quiet" className="mt-2 !px-0" onClick={onClose}>
        Close it as it is
      </Button>
    </section>
  );
}
