import { behaviourOf, CAUTIONS } from '@rusty-wren/core/knowledge';
import { proofLeft, type Picture, type ProofStep } from '@rusty-wren/core/log';
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

/** When a run that begins with an engine that has stood can be made, if not yet. */
function useWaits({ notBefore }: ProofStep): string | null {
  const now = useNow(notBefore !== undefined, Date.now);
  return notBefore && Date.parse(notBefore) > now ? notBefore : null;
}

/** The way to where a run is made. */
const Go = ({ to, look, words }: { to: string; look: 'rust' | 'plain'; words: string }): ReactElement => (
  <Link
    to={to}
    className={`inline-flex min-h-11 items-center rounded-md px-4 py-2 font-semibold ${BUTTON_LOOKS[look]}`}
  >
    {words}
  </Link>
);

/** A start: made at the starting drill, or said with one tap where the pulls need no counting. */
function StartIt({
  label,
  state,
  log,
  start,
  look,
}: {
  label: string;
  state: 'cold' | 'warm';
  log: Log;
  start: string;
  look: 'rust' | 'plain';
}): ReactElement {
  return (
    <span className="flex flex-wrap items-center gap-2">
      <Go to={`${start}?${state}`} look={look} words="Start it" />
      <span className="flex items-center gap-1" role="group" aria-label={`${label}: it ran after`}>
        <span className="mr-1 text-lg text-soft">ran after</span>
        {FEW_PULLS.map((pulls) => (
          <button
            key={pulls}
            type="button"
            aria-label={pulls === 1 ? '1 pull' : `${pulls} pulls`}
            onClick={() => log('start', { state, pulls, outcome: 'runs' })}
            className="size-11 rounded-md border-2 border-line text-xl font-bold hover:border-ink"
          >
            {pulls}
          </button>
        ))}
      </span>
    </span>
  );
}

/** One run of the proof: said with a tap, timed for a minute, measured, or made at the starting drill. */
function ProveIt({
  jobId,
  step,
  log,
  first,
}: {
  jobId: string;
  step: ProofStep;
  log: Log;
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
  const now = useNow(timed !== null, Date.now);
  const waits = useWaits(step);
  const timing = timed !== null && now - timed < FORGOTTEN_MS ? timed : null;
  if (waits) return <span className="text-lg text-soft">not before {format(waits, 'EEE HH:mm')}</span>;
  if (by.kind === 'start')
    return (
      <StartIt label={step.label} state={by.state} log={log} start={`/job/${jobId}/start`} look={look} />
    );
  if (by.kind === 'finding' && by.check === 'compression-gauge')
    return <Go to={`/job/${jobId}?check=${by.check}`} look={look} words="Measure it" />;
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
      {step.times > 1 && !step.inOneGo ? 'Ran right' : 'Proved'}
    </Button>
  );
}

/** Pulls that need no counting: more of them are counted at the starting drill. */
const FEW_PULLS = [1, 2, 3, 4, 5];

/** What is left first, what is done after it. */
const byOpen = (proof: readonly ProofStep[]): ProofStep[] => proof.toSorted((x, y) => +x.done - +y.done);

/** How far a run that is made several times has come. */
function timesWords({ times, clean, inOneGo, enough }: ProofStep): string | null {
  if (times === 1) return null;
  if (inOneGo) return times > 2 ? `${times} times over` : 'twice over';
  return enough ? `${clean} of ${times}, taken for enough` : `${clean} of ${times}`;
}

/** A run that is left: how it is made where it is the one to make, and how sure it is by now where it takes several. */
function RunLeft({
  jobId,
  step,
  first,
  log,
}: {
  jobId: string;
  step: ProofStep;
  first: boolean;
  log: Log;
}): ReactElement {
  const { id, label, how, caution, clean, proves, sure } = step;
  const times = timesWords(step);
  return (
    <>
      <span className="flex min-w-0 flex-1 basis-48 items-center gap-3">
        <Circle className="shrink-0 text-soft" aria-label="not yet" />
        <span className="min-w-0">
          <span className="text-xl font-semibold">
            {label}
            {times && <span className="ml-3 font-bold whitespace-nowrap tabular-nums">{times}</span>}
          </span>
          {first && how && <span className="block text-lg">{how}</span>}
          {first && caution && <span className="block text-lg font-semibold text-ochre">{caution}</span>}
          {clean > 0 && sure !== null && (
            <span className="flex flex-wrap items-center gap-x-3 text-lg">
              {proves.map((c) => behaviourOf(c).label).join(', ')}: {Math.floor(sure * 100)} in 100 cured
              <Button onClick={() => log('proved', { enough: id, sure })}>That is enough</Button>
            </span>
          )}
        </span>
      </span>
      <ProveIt jobId={jobId} step={step} log={log} first={first} />
    </>
  );
}

/** Bench minutes of what is left; where nothing can be run now, that it has to stand. */
function leftWords(proof: readonly ProofStep[]): string {
  const { minutes } = proofLeft(proof);
  return minutes > 0 ? `about ${Math.max(1, Math.round(minutes))} min` : 'it has to stand';
}

/** The proof: what shows each complaint again if it still stands, and what the work touched. */
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
  const touched = picture.proof.some((s) => s.clean > 0);
  const first = picture.proof.find((s) => !s.done)?.id;
  return (
    <section aria-label="Proof run">
      <StepHead eyebrow="Mended" title="Now prove it" aside={leftWords(picture.proof)} />
      <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
        <TriangleAlert className="shrink-0" aria-hidden /> {CAUTIONS.running}
      </p>
      <ul className="mt-3 max-w-2xl">
        {byOpen(picture.proof).map((step) => (
          <li
            key={step.id}
            className={`flex flex-wrap items-center justify-between gap-x-3 gap-y-2 border-b border-line ${step.done ? 'min-h-11' : 'min-h-16 py-2'}`}
          >
            {step.done ? (
              <span className="flex items-center gap-3 text-lg text-soft">
                <Check className="shrink-0 text-moss" aria-label="done" />
                {step.label}
                {step.enough && ` (${timesWords(step)})`}
              </span>
            ) : (
              <RunLeft jobId={jobId} step={step} first={step.id === first} log={log} />
            )}
          </li>
        ))}
      </ul>
      {touched && (
        <p className="mt-3 text-lg font-semibold text-ochre">
          Work begins anew what it touches; a turn of a screw, all of it.
        </p>
      )}
      {picture.complaints.length > 0 && (
        <div className="mt-3 flex flex-wrap items-center gap-2" role="group" aria-label="It did it again">
          <span className="text-lg font-semibold">It did it again</span>
          {picture.complaints.map(({ complaint }) => (
            <Button key={complaint} onClick={() => log('complaint', { complaint })}>
              {behaviourOf(complaint).label}
            </Button>
          ))}
        </div>
      )}
      <Button look="quiet" className="mt-2 !px-0" onClick={onClose}>
        Close it as it is
      </Button>
    </section>
  );
}
