import { ACT_ON, causeOf, skippedBy, WORTH_MAKING, type CheckId } from '@rusty-wren/core/diagnosis';
import { caseOf, partsOff } from '@rusty-wren/core/log';
import { useMemo, useRef, useState, type ReactElement } from 'react';
import { Link, useParams } from 'react-router';
import { problemWords } from '../api/api';
import { useKeys } from '../app/keys';
import { percent } from '../rack/words';
import { Button } from '../ui/Button';
import { Blank, Loading } from '../ui/State';
import { Alternatives } from './Alternatives';
import { BenchLine } from './BenchLine';
import { JobHead } from './JobHead';
import { NextCheck } from './NextCheck';
import { CloseStep, ClosedStep, ProveStep } from './steps/CloseSteps';
import { BehindStep, RepairStep } from './steps/RepairStep';
import { StepHead } from './steps/StepHead';
import { Suspects } from './Suspects';
import { Trail } from './Trail';
import { Tray } from './Tray';
import { useJob, useLog, type JobAtBench, type Log } from './useJob';

/** The main screen: what to do next, the evidence, the suspects, the tray and the bench line. */
export function Bench(): ReactElement {
  const { jobId = '' } = useParams();
  const { atBench, isLoading, error, refetch } = useJob(jobId);
  const log = useLog(jobId);
  if (isLoading) return <Loading what="Fetching the job…" />;
  if (!atBench) {
    return (
      <Blank title={problemWords(error)}>
        <Button look="rust" onClick={() => void refetch()}>
          Try again
        </Button>{' '}
        <Link to="/" className="ml-4 font-semibold underline">
          To the rack
        </Link>
      </Blank>
    );
  }
  return <AtBench key={jobId} atBench={atBench} log={log} />;
}

const STEP = 'step';
/** Presses the n-th of the buttons the present step shows. */
const press = (selector: string, at: number): void =>
  document.getElementById(STEP)?.querySelectorAll<HTMLElement>(selector)[at]?.click();

function AtBench({ atBench, log }: { atBench: JobAtBench; log: Log }): ReactElement {
  const { picture, diagnosis } = atBench;
  const [chosen, setChosen] = useState<CheckId | null>(null);
  const [closing, setClosing] = useState(false);
  const line = useRef<HTMLInputElement>(null);
  const current = chosen ?? diagnosis.next[0]?.check ?? null;

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
      { key: 'b', does: 'back to the computed check', run: () => setChosen(null) },
    ];
  }, []);
  useKeys(bindings);

  const pick = (check: CheckId): void => {
    setChosen(check);
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
            current={current}
            closing={closing}
            setClosing={setClosing}
            onPick={pick}
            onLogged={() => setChosen(null)}
          />
        </div>
        <Suspects
          diagnosis={diagnosis}
          picture={picture}
          onSettle={(cause) => log('verdict', { settles: cause })}
          onRepeat={repeat}
        />
        <Trail picture={picture} log={log} onRepeat={pick} />
      </div>
      <div className="sticky bottom-0 z-20 grid gap-x-5 gap-y-2 border-t-2 border-line bg-paper px-3 py-2 sm:px-5 lg:grid-cols-2">
        <Tray off={picture.off} log={log} />
        <BenchLine ref={line} log={log} />
      </div>
    </div>
  );
}

function Step({
  atBench,
  log,
  chosen,
  current,
  closing,
  setClosing,
  onPick,
  onLogged,
}: {
  atBench: JobAtBench;
  log: Log;
  chosen: CheckId | null;
  current: CheckId | null;
  closing: boolean;
  setClosing: (closing: boolean) => void;
  onPick: (check: CheckId) => void;
  onLogged: () => void;
}): ReactElement {
  const { picture, diagnosis, phase } = atBench;
  if (phase.kind === 'closed') return <ClosedStep log={log} />;
  if (closing) return <CloseStep picture={picture} log={log} onBack={() => setClosing(false)} />;
  if (chosen === null && phase.kind !== 'check') {
    const settled = phase.kind === 'repair' && picture.settled.find((s) => s.cause === phase.cause);
    if (settled) return <RepairStep key={settled.entryId} settled={settled} log={log} />;
    if (phase.kind === 'behind') return <BehindStep cause={phase.cause} open={phase.open} log={log} />;
    if (phase.kind === 'prove')
      return <ProveStep picture={picture} log={log} onClose={() => setClosing(true)} />;
    return <CloseStep picture={picture} log={log} />;
  }
  const lead = diagnosis.suspects[0];
  const planned = diagnosis.next.find((n) => n.check === current);
  const act = lead && (lead.probability >= ACT_ON || (diagnosis.next[0]?.value ?? 0) < WORTH_MAKING);
  return (
    <>
      {lead && act && (
        <div className="mb-6 flex flex-wrap items-center justify-between gap-3 bg-card px-4 py-3">
          <p className="text-xl leading-tight">
            <strong>{causeOf(lead.cause).name}</strong>, {percent(lead.probability)}:{' '}
            {lead.probability >= ACT_ON ? 'enough to act on.' : 'no check left is worth its minutes.'}
          </p>
          <Button look="rust" onClick={() => log('verdict', { settles: lead.cause })}>
            Settle on it
          </Button>
        </div>
      )}
      {current ? (
        <NextCheck
          key={`${current} ${atBench.entryCount}`}
          checkId={current}
          next={planned}
          suspects={diagnosis.suspects}
          off={partsOff(picture)}
          skipped={planned ? skippedBy(planned, diagnosis.next, diagnosis.suspects, caseOf(picture)) : []}
          onPick={onPick}
          chosen={chosen !== null}
          machine={picture.machine}
          log={log}
          onLogged={onLogged}
        />
      ) : (
        <StepHead eyebrow="Nothing left to check" title="Settle on a suspect" />
      )}
      <Alternatives next={diagnosis.next} current={current} onPick={onPick} />
    </>
  );
}
