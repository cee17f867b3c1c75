import { Guarded } from '../ui/Guarded';
import { standInOf, standInScrews } from '@rusty-wren/core/engine';
import type { CheckId } from '@rusty-wren/core/knowledge';
import { staleFindings, type Noted } from '@rusty-wren/core/log';
import { speedTable, wavOfClip } from '@rusty-wren/core/sound';
import {
  advise,
  readBlip,
  tuningGate,
  type LedgerLine,
  type ScrewMove,
  type Seen,
} from '@rusty-wren/core/tuning';
import { Download } from 'lucide-react';
import { lazy, Suspense, useMemo, useState, type ReactElement } from 'react';
import { useNavigate } from 'react-router';
import { useKeys } from '../app/keys';
import { JobBar } from '../job/JobBar';
import type { JobAtBench } from '../job/useJob';
import { useLog } from '../job/useLog';
import { WithJob } from '../job/WithJob';
import { AdviceStep } from './AdviceStep';
import { BlipFigures } from './BlipFigures';
import { Gate } from './Gate';
import { GUIDED_TOTAL_S, trackHeard, useListen, type Heard } from './listen/useListen';
import { ListenPanel } from './ListenPanel';
import { saveFile } from '../ui/saveFile';
import { ScrewLedger } from './ScrewLedger';
import { ScrewMap } from './ScrewMap';
import { SeenPick } from './SeenPick';
import { standingTrial, TrialStep } from './Trial';
import { Tachometer } from './Tachometer';
import { WorkedElsewhere } from './WorkedElsewhere';
import { useDraft } from '../ui/useDraft';

const SpeedChart = lazy(() => import('./SpeedChart').then((m) => ({ default: m.SpeedChart })));

/** Tuning: listen, be told which screw, turn it, listen again. */
export const Tune = (): ReactElement => (
  <WithJob show={(atBench) => <Tuning key={atBench.job.id} atBench={atBench} />} />
);

function Tuning({ atBench }: { atBench: JobAtBench }): ReactElement {
  const { job, picture } = atBench;
  const { machine, ledger } = picture;
  const log = useLog(job.id);
  const navigate = useNavigate();
  const [seen, setSeen] = useState<readonly Seen[]>([]);
  // Asked once a job: what was passed knowingly is not asked again after every look elsewhere.
  const [passed, setPassed] = useDraft(`${job.id} tuned all the same`, () => false);
  const [kept, setKept] = useState<Heard | null>(null);
  const standInName = job.machine.serial ?? `${job.machine.maker} ${job.machine.model}`;

  const take = (heard: Heard): void => {
    const track = trackHeard(heard.readings);
    setKept(heard);
    setSeen([]);
    if (track.length === 0) return;
    const seconds = Math.round((heard.readings.at(-1)?.t ?? 0) * 100) / 100;
    // What was heard is evidence, and proof, like any other reading; one act, taken back as one.
    const { idle, full } = readBlip(track, seconds);
    const simulated = heard.by === 'stand-in' && { simulated: true };
    const read = (check: 'idle-speed' | 'full-speed', rpm: number): Noted => ({
      kind: 'finding',
      body: { check, reading: { rpm: [Math.round(rpm)], ...simulated }, sureness: 'sure' },
    });
    log.all([
      { kind: 'heard', body: { track, seconds, by: heard.by } },
      ...(idle ? [read('idle-speed', idle.mean)] : []),
      ...(full ? [read('full-speed', full.mean)] : []),
    ]);
  };
  const listen = useListen(machine, take);
  const stale = staleFindings(picture);
  const gate = tuningGate(
    picture.findings.map(({ check, result, entryId }) => ({ check, result, overtaken: stale.has(entryId) })),
  );
  const trial = standingTrial(ledger);
  const open = gate.some((m) => m.state !== 'right') && !passed && !trial && ledger.heard.length === 0;
  const advice = advise(ledger, machine, seen);
  const last = ledger.heard.at(-1);
  const lastTrack = useMemo(() => {
    const line = picture.trail.findLast((l) => l.entry.kind === 'heard' && l.state === 'live');
    return line?.entry.kind === 'heard' ? line.entry.body : null;
  }, [picture]);
  const check = (id: CheckId): void => void navigate(`/job/${job.id}`, { state: { check: id } });
  const turned = (move: ScrewMove, why?: string): void =>
    void log('screw', { ...move, ...(why && { why: why.slice(0, 300) }) });
  const putBack = ({ screw, eighths }: LedgerLine): void =>
    turned({ screw, eighths: -eighths }, 'Put back after the trial');
  const standIn = (): void =>
    void listen.standIn(
      standInName,
      standInScrews(standInOf(machine, standInName).make, ledger),
      ledger.heard.length + 1,
    );
  const bindings = useMemo(
    () => [
      { key: 'b', does: 'back to the bench', run: () => void navigate(`/job/${job.id}`) },
      { key: 'e', does: 'listen', run: () => void listen.microphone() },
      {
        key: 'x',
        does: 'turned it as advised',
        run: () => document.querySelector<HTMLElement>('[aria-label="Advice"] button')?.click(),
      },
    ],
    [navigate, job.id, listen],
  );
  useKeys(bindings);
  const live = listen.state.phase === 'live';
  const track = listen.state.phase === 'live' ? trackHeard(listen.state.readings) : (lastTrack?.track ?? []);
  const seconds = live ? GUIDED_TOTAL_S : (lastTrack?.seconds ?? GUIDED_TOTAL_S);

  return (
    <div className="flex flex-1 flex-col">
      <JobBar job={job} other={{ to: 'start', words: 'Starting' }} />
      {open ? (
        <div className="px-3 py-5 sm:px-5">
          <Gate
            matters={gate}
            onCheck={check}
            onPass={() => setPassed(true)}
            onTry={(screw, eighths) => void log('screw', { screw, eighths, trial: true })}
          />
        </div>
      ) : (
        <div className="grid flex-1 gap-x-9 gap-y-6 px-3 py-4 sm:px-5 lg:grid-cols-[minmax(0,7fr)_minmax(0,3fr)]">
          <div>
            {!live &&
              listen.state.phase !== 'reading' &&
              (trial ? (
                <TrialStep
                  trial={trial}
                  onJudged={(id, result) => {
                    log('finding', { check: id, result, sureness: 'sure' });
                    putBack(trial);
                  }}
                  onBack={() => putBack(trial)}
                />
              ) : (
                <>
                  <AdviceStep advice={advice} onTurned={turned} onCheck={check} />
                  {advice.kind === 'done' && <WorkedElsewhere ledger={ledger} onTurned={turned} />}
                </>
              ))}
            <div className="mt-3">
              <ListenPanel
                listen={listen}
                machine={machine}
                onStandIn={standIn}
                urge={advice.kind === 'listen'}
              />
            </div>
            <Tachometer machine={machine} jobId={job.id} log={log} />
            {(track.length > 0 || live) && (
              <div className="mt-4">
                {!live && last && <BlipFigures blip={last.blip} machine={machine} />}
                <Guarded what="The drawing">
                  <Suspense fallback={<div className="h-65" />}>
                    <SpeedChart
                      track={track}
                      blip={live ? null : (last?.blip ?? null)}
                      machine={machine}
                      seconds={seconds}
                    />
                  </Suspense>
                </Guarded>
              </div>
            )}
            {kept && !live && (
              <div className="mt-1 flex flex-wrap gap-x-4">
                <button
                  type="button"
                  className="flex min-h-11 items-center gap-2 font-semibold text-soft hover:underline"
                  onClick={() => saveFile(`speed-${job.tag}.csv`, speedTable(kept.readings), 'text/csv')}
                >
                  <Download size={18} aria-hidden /> Trace, CSV
                </button>
                <button
                  type="button"
                  className="flex min-h-11 items-center gap-2 font-semibold text-soft hover:underline"
                  onClick={() => saveFile(`sound-${job.tag}.wav`, wavOfClip(kept.clip), 'audio/wav')}
                >
                  <Download size={18} aria-hidden /> Sound, WAV
                </button>
              </div>
            )}
            {ledger.heard.length > 0 && !live && (
              <div className="mt-4">
                <SeenPick seen={seen} onChange={setSeen} />
              </div>
            )}
          </div>
          <div>
            <ScrewLedger
              ledger={ledger}
              onMove={(move) => turned(move)}
              onBack={(moves, to) => moves.forEach((move) => turned(move, `Put back: ${to}`))}
            />
            <ScrewMap ledger={ledger} machine={machine} />
          </div>
        </div>
      )}
    </div>
  );
}
