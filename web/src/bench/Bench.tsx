import { nextInOrder, skippedBy, type NextCheck as NextPlan } from '@rusty-wren/core/diagnosis';
import { type CheckId } from '@rusty-wren/core/knowledge';
import { offToStart, partsOff } from '@rusty-wren/core/log';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { useKeys } from '../app/keys';
import { Working } from '../ui/Working';
import { Alternatives } from './Alternatives';
import { BenchLine } from './BenchLine';
import { JobHead } from './JobHead';
import { NextCheck } from './NextCheck';
import { CloseStep, ClosedStep, ProveStep } from './steps/CloseSteps';
import { BehindStep, RepairStep } from './steps/RepairStep';
import { StepHead } from './steps/StepHead';
import { StopStep } from './steps/StopStep';
import { Suspects } from './Suspects';
import { useAhead, type Ahead } from './thinking/useAhead';
import { Trail } from './Trail';
import { Tray } from './Tray';
import { useLog, type JobAtBench, type Log } from './useJob';
import { WithJob } from './WithJob';
import { useWays, Ways } from './ways/Ways';

/** The main screen: what to do next, the evidence, the suspects, the tray and the bench line. */
export const Bench = (): ReactElement => (
  <WithJob show={(atBench) => <AtBench key={atBench.job.id} atBench={atBench} />} />
);

const STEP = 'step';
/** Presses the n-th of the buttons the present step shows. */
const press = (selector: string, at: number): void =>
  document.getElementById(STEP)?.querySelectorAll<HTMLElement>(selector)[at]?.click();

function AtBench({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { picture, benchCase, job } = atBench;
  const log = useLog(job.id);
  const navigate = useNavigate();
  const { state } = useLocation() as { state: { check?: CheckId } | null };
  const [chosen, setChosen] = useState<CheckId | null>(state?.check ?? null);
  /** The check being measured: it stays up until it is logged or left, whatever the plan says meanwhile. */
  const [measured, setMeasured] = useState<CheckId | null>(null);
  const [closing, setClosing] = useState(false);
  const [pointed, setPointed] = useState<{ ref: string; n: number } | null>(null);
  const line = useRef<HTMLInputElement>(null);
  const ahead = useAhead(picture.stage === 'closed' ? null : benchCase);
  const plan = ahead.next ?? atBench.diagnosis.next;

  const bindings = useMemo(() => {
    return [
      { key: '/', does: 'write on the bench line', run: () => line.current?.focus() },
      ...[1, 2, 3, 4, 5].map((n) => ({
        key: String(n),
        does: `result ${n}`,
        run: () => press('[data-result]', n - 1),
      })),
      { key: 's', does: 'sure', run: () => press('[aria-label="How sure"] button', 0) },
      { key: 'f', does: 'fairly sure', run: () => press('[aria-label="How sure"] button', 1) },
      { key: 'q', does: 'doubtful', run: () => press('[aria-label="How sure"] button', 2) },
      { key: 'o', does: 'the other check, next best', run: () => press('[data-alternative]', 0) },
      {
        key: 'b',
        does: 'back to the computed check',
        run: () => {
          setChosen(null);
          setMeasured(null);
        },
      },
      { key: 'm', does: 'the cause map', run: () => void navigate(`/job/${job.id}/map`) },
      { key: 'u', does: 'tuning', run: () => void navigate(`/job/${job.id}/tune`) },
      { key: 'p', does: 'starting', run: () => void navigate(`/job/${job.id}/start`) },
    ];
  }, [navigate, job.id]);
  useKeys(bindings);

  const pick = (check: CheckId): void => {
    setChosen(check);
    setMeasured(null);
    setClosing(false);
    scrollTo({ top: 0 });
  };
  const repeat = (ref: string): void => {
    const finding = picture.findings.find((f) => f.entryId === ref);
    if (finding) pick(finding.check);
  };

  return (
    <div className="flex flex-1 flex-col">
      <JobHead atBench={atBench} log={log} onClose={() => setClosing(true)} />
      <div className="grid flex-1 gap-x-9 gap-y-8 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,11fr)_minmax(0,7fr)_minmax(0,7fr)]">
        <div id={STEP}>
          <Step
            atBench={atBench}
            log={log}
            chosen={chosen}
            plan={plan}
            ahead={ahead}
            closing={closing}
            setClosing={setClosing}
            onPick={pick}
            measured={measured}
            onMeasuring={setMeasured}
            onLogged={() => {
              setChosen(null);
              setMeasured(null);
            }}
          />
        </div>
        <Suspects
          atBench={atBench}
          onSettle={(cause) => log('verdict', { settles: cause })}
          onRepeat={repeat}
          onEntry={(ref) => setPointed((p) => ({ ref, n: (p?.n ?? 0) + 1 }))}
        />
        <Trail picture={picture} log={log} pointed={pointed} onRepeat={pick} />
      </div>
      <div className="sticky bottom-0 z-20 grid gap-x-5 gap-y-2 border-t-2 border-line bg-paper px-3 py-2 sm:px-5 lg:grid-cols-2">
        <Tray off={picture.off} log={log} />
        <BenchLine ref={line} off={picture.off} log={log} />
      </div>
    </div>
  );
}

function Step({
  atBench,
  log,
  chosen,
  plan,
  ahead,
  closing,
  setClosing,
  onPick,
  measured,
  onMeasuring,
  onLogged,
}: {
  atBench: JobAtBench;
  log: Log;
  chosen: CheckId | null;
  plan: readonly NextPlan[];
  ahead: Ahead;
  closing: boolean;
  setClosing: (closing: boolean) => void;
  onPick: (check: CheckId) => void;
  measured: CheckId | null;
  onMeasuring: (check: CheckId) => void;
  onLogged: () => void;
}): ReactElement {
  const { picture, benchCase, diagnosis, phase } = atBench;
  const { chosen: way } = useWays();
  if (phase.kind === 'closed') return <ClosedStep log={log} />;
  if (closing) return <CloseStep atBench={atBench} log={log} onBack={() => setClosing(false)} />;
  if (chosen === null && measured === null && phase.kind !== 'check') {
    const settled = phase.kind === 'repair' && picture.settled.find((s) => s.cause === phase.cause);
    if (settled)
      return <RepairStep key={settled.entryId} settled={settled} off={offToStart(picture)} log={log} />;
    if (phase.kind === 'behind') return <BehindStep cause={phase.cause} open={phase.open} log={log} />;
    if (phase.kind === 'prove')
      return (
        <ProveStep jobId={atBench.job.id} picture={picture} log={log} onClose={() => setClosing(true)} />
      );
    return <CloseStep atBench={atBench} log={log} />;
  }
  const byPlan = plan[0]?.check ?? null;
  const byWay = way.way === 'computed' ? byPlan : nextInOrder(way.way, benchCase);
  // Enough is known: what is to be done is the one call, unless a check was asked for.
  const stop = chosen === null && measured === null && way.way === 'computed' ? diagnosis.stop : null;
  const current = stop ? null : (chosen ?? measured ?? byWay);
  const planned = plan.find((n) => n.check === current);
  // Named from the plan that is there at once: the list must not change under a finger once the look ahead is through.
  const opening = diagnosis.next.find((n) => n.check === current);
  const madeAt = picture.findings.find((f) => f.check === current && f.result !== null)?.entryId ?? '';
  const planSays = madeAt ? 'Do this again' : 'Do this next';
  return (
    <>
      <div className="-mt-3 flex min-h-11 flex-wrap items-center justify-between gap-x-4">
        <Ways c={benchCase} />
        {ahead.progress && (
          <Working
            what="Looking two checks ahead"
            share={ahead.progress.done / ahead.progress.of}
            onStop={ahead.cancel}
          />
        )}
      </div>
      {stop && (
        <StopStep
          stop={stop}
          diagnosis={diagnosis}
          onSettle={(cause, remedy) => log('verdict', { settles: cause, ...(remedy && { remedy }) })}
        />
      )}
      {!stop && !current && <StepHead eyebrow="Nothing left to check" title="Settle on a suspect" />}
      {current && (
        <NextCheck
          key={`${current} ${madeAt}`}
          checkId={current}
          next={planned}
          suspects={diagnosis.suspects}
          off={partsOff(picture)}
          skipped={opening ? skippedBy(opening, diagnosis.next, diagnosis.suspects, benchCase) : []}
          onPick={onPick}
          says={chosen !== null ? 'You chose' : way.way === 'computed' ? planSays : `${way.name}: next`}
          instead={byPlan !== null && chosen === null && byPlan !== current ? plan[0] : undefined}
          atBench={atBench}
          log={log}
          measuring={measured === current}
          onMeasuring={() => onMeasuring(current)}
          onLogged={onLogged}
        />
      )}
      <Alternatives
        heading={stop ? 'Before it is done with' : 'Or'}
        next={plan}
        current={current}
        onPick={onPick}
      />
    </>
  );
}
