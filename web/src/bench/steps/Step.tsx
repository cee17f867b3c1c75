import { nextInOrder, skippedBy, type NextCheck as Plan } from '@rusty-wren/core/diagnosis';
import type { CheckId } from '@rusty-wren/core/knowledge';
import { offToStart, partsOff, unsafeToRun, type Phase } from '@rusty-wren/core/log';
import type { ReactElement } from 'react';
import type { JobAtBench } from '../../job/useJob';
import type { Log } from '../../job/useLog';
import { KnownHere } from '../../specs/KnownHere';
import { PartsAtHand } from '../../parts/PartsAtHand';
import { Working } from '../../ui/Working';
import { Alternatives } from '../Alternatives';
import { NextCheck } from '../NextCheck';
import { useAhead } from '../thinking/useAhead';
import type { ChosenCheck } from '../useChosenCheck';
import { useWays } from '../ways/useWays';
import { Ways } from '../ways/Ways';
import { BehindStep } from './BehindStep';
import { CloseStep, ClosedStep } from './CloseStep';
import { LeftStep } from './LeftStep';
import { ProveStep } from './ProveStep';
import { TogetherStep } from './PutBackFirst';
import { RepairStep } from './RepairStep';
import { SafetyStep } from './SafetyStep';
import { SetRightStep } from './SetRightStep';
import { SettleStep } from './SettleStep';
import { StopStep } from './StopStep';
import { TryStep } from './TryStep';
import { Guarded } from '../../ui/Guarded';

interface AtStep {
  atBench: JobAtBench;
  log: Log;
  check: ChosenCheck;
  closing: boolean;
  onClosing: (closing: boolean) => void;
}

/** What the job asks for now: one thing, in one place. */
export function Step(at: AtStep): ReactElement {
  const { atBench, log, check, closing, onClosing } = at;
  const { phase, picture } = atBench;
  if (phase.kind === 'closed') return <ClosedStep picture={picture} log={log} />;
  if (closing) return <CloseStep atBench={atBench} log={log} onBack={() => onClosing(false)} />;
  const asked = check.chosen ?? check.measured;
  // Mended: no check is proposed any more, but one that somebody asks for can be made.
  if (asked === null) {
    const step = afterLooking(phase, at);
    const off = partsOff(picture).map((part) => `part/${part}` as const);
    const puttingBack = off.length > 0 && (phase.kind === 'repair' || phase.kind === 'together');
    if (step)
      return (
        <>
          {step}
          {puttingBack && <KnownHere atBench={atBench} places={off} />}
        </>
      );
  }
  return <Looking {...at} asked={asked} />;
}

/** The steps from the repair on; null while it is being looked for. */
function afterLooking(phase: Phase, { atBench, log, onClosing }: AtStep): ReactElement | null {
  const { picture, job } = atBench;
  switch (phase.kind) {
    case 'repair':
      return (
        <RepairStep
          key={phase.settled.entryId}
          jobId={job.id}
          settled={phase.settled}
          off={offToStart(picture)}
          unsafe={unsafeToRun(picture)}
          parts={<PartsAtHand atBench={atBench} />}
          log={log}
        />
      );
    case 'set-right':
      return <SetRightStep what={phase.what} picture={picture} log={log} />;
    case 'safety':
      return <SafetyStep fault={phase.fault} log={log} onClose={() => onClosing(true)} />;
    case 'stop':
      // Found in the middle of the proof: nothing is looked for any more.
      return picture.cured && phase.stop.why !== 'try' ? (
        <StopStep atBench={atBench} stop={phase.stop} log={log} onClose={() => onClosing(true)} />
      ) : null;
    case 'behind':
      return <BehindStep cause={phase.cause} open={phase.open} log={log} />;
    case 'together':
      return <TogetherStep off={phase.off} log={log} />;
    case 'prove':
      return <ProveStep jobId={job.id} picture={picture} log={log} onClose={() => onClosing(true)} />;
    case 'close':
      return <CloseStep atBench={atBench} log={log} />;
    default:
      return null;
  }
}

/** Finding the cause: the next check, or what to do because enough is known; and the checks next best. */
function Looking({
  atBench,
  log,
  check,
  asked,
  onClosing,
}: AtStep & { asked: CheckId | null }): ReactElement {
  const { picture, benchCase, diagnosis, phase } = atBench;
  const ahead = useAhead(benchCase);
  const { chosen: way } = useWays();
  const plan = ahead.next ?? diagnosis.next;
  const byPlan = plan[0]?.check ?? null;
  const byWay = way.way === 'computed' ? byPlan : nextInOrder(way.way, benchCase);
  // Enough is known: what is to be done is the one call, unless a check was asked for, or a school goes on looking.
  const enough = asked === null && (byWay === null || (way.way === 'computed' && phase.kind !== 'check'));
  const current = enough ? null : (asked ?? byWay);
  return (
    <>
      <div
        aria-busy={ahead.thinking}
        className={`-mt-3 flex min-h-11 flex-wrap items-center justify-between gap-x-4 ${check.measured ? 'hidden' : ''}`}
      >
        <Guarded what="How to go on">
          <Ways c={benchCase} />
        </Guarded>
        {ahead.progress && (
          <Working
            what="Looking two checks ahead"
            share={ahead.progress.done / ahead.progress.of}
            onStop={ahead.cancel}
          />
        )}
      </div>
      {current ? (
        <CheckNow atBench={atBench} log={log} check={check} current={current} plan={plan} />
      ) : (
        <Enough atBench={atBench} log={log} onClosing={onClosing} />
      )}
      <Alternatives
        heading={current ? 'Or' : 'Before it is done with'}
        next={plan}
        current={current}
        benchCase={atBench.benchCase}
        findings={picture.findings}
        onPick={check.pick}
      />
    </>
  );
}

/** Enough is known: what to do about it. */
function Enough({ atBench, log, onClosing }: Pick<AtStep, 'atBench' | 'log' | 'onClosing'>): ReactElement {
  const { phase, picture } = atBench;
  if (phase.kind === 'left')
    return <LeftStep causes={phase.causes} picture={picture} log={log} onClose={() => onClosing(true)} />;
  if (phase.kind !== 'stop') return <SettleStep atBench={atBench} log={log} />;
  if (phase.stop.why === 'try') return <TryStep atBench={atBench} causes={phase.stop.causes} log={log} />;
  return <StopStep atBench={atBench} stop={phase.stop} log={log} onClose={() => onClosing(true)} />;
}

/** The check that is up: the plan's, a school's, or one somebody asked for. */
function CheckNow({
  atBench,
  log,
  check,
  current,
  plan,
}: Pick<AtStep, 'atBench' | 'log' | 'check'> & { current: CheckId; plan: readonly Plan[] }): ReactElement {
  const { picture, benchCase, diagnosis } = atBench;
  const { chosen: way } = useWays();
  const byPlan = plan[0];
  // Named from the plan that is there at once: the list must not change under a finger once the look ahead is through.
  const opening = diagnosis.next.find((n) => n.check === current);
  const madeAt = picture.findings.find((f) => f.check === current && f.result !== null)?.entryId ?? '';
  const planSays = madeAt ? 'Do this again' : 'Do this next';
  return (
    <NextCheck
      key={`${current} ${madeAt}`}
      checkId={current}
      next={plan.find((n) => n.check === current)}
      suspects={diagnosis.suspects}
      off={partsOff(picture)}
      skipped={opening ? skippedBy(opening, diagnosis.next, diagnosis.suspects, benchCase) : []}
      onPick={check.pick}
      says={check.chosen !== null ? 'You chose' : way.way === 'computed' ? planSays : `${way.name}: next`}
      instead={byPlan && check.chosen === null && byPlan.check !== current ? byPlan : undefined}
      atBench={atBench}
      log={log}
      measuring={check.measured === current}
      onMeasuring={() => check.measure(current)}
      onLogged={check.clear}
    />
  );
}
