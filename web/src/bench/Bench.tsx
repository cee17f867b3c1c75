import { checkOf } from '@rusty-wren/core/knowledge';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { isFreeFor, pressIn, useKeys } from '../app/keys';
import { useAppSelector } from '../app/store';
import { isTechnician } from '../hands/hands';
import { JobHead } from '../job/JobHead';
import type { JobAtBench } from '../job/useJob';
import { useLog } from '../job/useLog';
import { NotTaken } from '../keeping/NotTaken';
import { WithJob } from '../job/WithJob';
import { Guarded } from '../ui/Guarded';
import { Glance } from './Glance';
import { AtTheCounter } from './AtTheCounter';
import { BenchLine } from './BenchLine';
import { Step } from './steps/Step';
import { Suspects } from './Suspects';
import { Trail } from './Trail';
import { Tray } from '../tray/Tray';
import { useChosenCheck } from './useChosenCheck';

/**
 * The main screen: what to do next, the evidence, the suspects, the tray and the bench line; how the job stands, for whoever does
 * not work at the bench.
 */
export function Bench(): ReactElement {
  const works = useAppSelector(isTechnician);
  const Place = works ? AtBench : AtTheCounter;
  return (
    <WithJob
      show={(atBench) => <Place key={atBench.job.id} atBench={atBench} />}
      waiting={(jobId) => <Glance jobId={jobId} />}
    />
  );
}

const STEP = 'step';
const step = (): HTMLElement | null => document.getElementById(STEP);
const press = pressIn(STEP);

/** A number is a result only while the step has the focus, or nothing has: never beside another button. */
function pressResult(at: number): void {
  if (isFreeFor(step())) press('[data-result]', at);
}

function AtBench({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { picture, job } = atBench;
  const log = useLog(job.id);
  const navigate = useNavigate();
  const chosen = useChosenCheck();
  const [closing, setClosing] = useState(false);
  const [pointed, setPointed] = useState<{ ref: string; n: number } | null>(null);
  const line = useRef<HTMLInputElement>(null);

  const { clear } = chosen;
  const bindings = useMemo(() => {
    return [
      { key: '/', does: 'write on the bench line', run: () => line.current?.focus() },
      ...[1, 2, 3, 4, 5].map((n) => ({
        key: String(n),
        does: `result ${n}`,
        run: () => pressResult(n - 1),
      })),
      { key: 's', does: 'sure', run: () => press('[aria-label="How sure"] button', 0) },
      { key: 'w', does: 'fairly sure', run: () => press('[aria-label="How sure"] button', 1) },
      { key: 'q', does: 'doubtful', run: () => press('[aria-label="How sure"] button', 2) },
      { key: 'o', does: 'the other check, next best', run: () => press('[data-alternative]', 0) },
      { key: 'a', does: 'any check, found by typing', run: () => press('[data-any-check]', 0) },
      { key: 'b', does: 'back to the computed check', run: clear },
      { key: 'm', does: 'the cause map', run: () => void navigate(`/job/${job.id}/map`) },
      { key: 'u', does: 'tuning', run: () => void navigate(`/job/${job.id}/tune`) },
      { key: 'p', does: 'starting', run: () => void navigate(`/job/${job.id}/start`) },
    ];
  }, [navigate, job.id, clear]);
  useKeys(bindings);

  const pick: typeof chosen.pick = (check) => {
    chosen.pick(check);
    setClosing(false);
    scrollTo({ top: 0 });
  };
  const repeat = (ref: string): void => {
    const finding = picture.findings.find((f) => f.entryId === ref);
    if (finding) pick(finding.check);
  };
  // An instrument in use takes the middle of the screen as well: what it draws must be seen whole.
  const wide = chosen.measured !== null && checkOf(chosen.measured).reading !== undefined;

  return (
    <div className="flex flex-1 flex-col">
      <JobHead atBench={atBench} log={log} brief={wide} onClose={() => setClosing(true)} />
      <NotTaken jobId={job.id} />
      <div
        className={`grid flex-1 gap-x-9 gap-y-8 px-3 py-4 sm:px-5 ${
          wide
            ? 'lg:grid-cols-[minmax(0,18fr)_minmax(0,7fr)]'
            : 'lg:grid-cols-[minmax(0,11fr)_minmax(0,7fr)_minmax(0,7fr)]'
        }`}
      >
        <div id={STEP} className="scroll-mb-32">
          <Guarded what="This step">
            <Step
              atBench={atBench}
              log={log}
              check={{ ...chosen, pick }}
              closing={closing}
              onClosing={setClosing}
            />
          </Guarded>
        </div>
        {!wide && (
          <Guarded what="The list of suspects">
            <Suspects
              atBench={atBench}
              log={log}
              onRepeat={repeat}
              onEntry={(ref) => setPointed((p) => ({ ref, n: (p?.n ?? 0) + 1 }))}
            />
          </Guarded>
        )}
        <Guarded what="The evidence">
          <Trail picture={picture} jobId={job.id} log={log} pointed={pointed} onRepeat={pick} />
        </Guarded>
      </div>
      <div
        className={`sticky bottom-0 z-20 grid gap-x-5 gap-y-2 border-t-2 border-line bg-paper px-3 py-2 sm:px-5 lg:grid-cols-2 ${wide ? 'max-sm:hidden' : ''}`}
      >
        <Tray picture={picture} jobId={job.id} log={log} />
        <BenchLine ref={line} picture={picture} log={log} />
      </div>
    </div>
  );
}
