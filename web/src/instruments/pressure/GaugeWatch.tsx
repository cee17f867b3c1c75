import type { FeedLine, StandIn } from '@rusty-wren/contract';
import {
  beforeAndAfter,
  lineAgainstInlet,
  pressureAgainstVacuum,
  readWatch,
  readPoints,
  TARGETS,
  tooMuch,
  type PressureCheck,
  type Trace,
} from '@rusty-wren/core/pressure';
import { bothPressures, pressureWords, PRESSURE_UNITS, type PressureUnit } from '@rusty-wren/core/units';
import { TriangleAlert, X } from 'lucide-react';
import { lazy, Suspense, useId, useMemo, useState, type FormEvent, type ReactElement } from 'react';
import { unitChosen } from '../../app/settings';
import { useAppDispatch, useAppSelector } from '../../app/store';
import { Guarded } from '../../ui/Guarded';
import { Button } from '../../ui/Button';
import { FigureInput } from '../../ui/FigureInput';
import { useNow } from '../../ui/useNow';
import { useDraft } from '../../ui/useDraft';
import { FromGauge } from '../feed/FromGauge';
import { HeldVolume } from './HeldVolume';
import { TakeTable } from '../../ui/TakeTable';
import { gaugeIn, gaugeWord, noWatch, traceOf, withReading, type Volume, type Watch } from './watch';

/** The chart comes when it is first drawn: most screens have none. */
const WatchChart = lazy(() => import('./WatchChart').then((m) => ({ default: m.WatchChart })));

/** Earlier watches on this job, to compare with. */
export interface EarlierWatches {
  /** The same test before. */
  before?: Trace;
  /** The test that goes with it: line with inlet, pressure with vacuum. */
  partner?: { check: PressureCheck; trace: Trace };
}

/** Stand-in pumps, by how much they leak against what is allowed. */
const standInsFor = (check: PressureCheck): { label: string; standIn: StandIn }[] =>
  [
    ['a tight one', 0.1, 11],
    ['one near the limit', 0.85, 12],
    ['a small leak', 3, 13],
    ['a large leak', 30, 14],
  ].map(([label, leakTimes, seed]) => ({
    label: String(label),
    standIn: { instrument: 'pump', check, leakTimes: Number(leakTimes), seed: Number(seed) },
  }));

const NOTHING_EARLIER: EarlierWatches = {};

/** What this watch says beside earlier ones. */
function comparisons(check: PressureCheck, trace: Trace, earlier: EarlierWatches): string[] {
  const now = readWatch(check, trace);
  const said: (string | null | undefined)[] = [];
  if (earlier.before) said.push(beforeAndAfter(readWatch(check, earlier.before), now)?.says);
  if (earlier.partner) {
    const other = readWatch(earlier.partner.check, earlier.partner.trace);
    if (check === 'line-pressure') said.push(lineAgainstInlet(now, other)?.says);
    if (check === 'inlet-pressure') said.push(lineAgainstInlet(other, now)?.says);
    if (check === 'crankcase-pressure') said.push(pressureAgainstVacuum(now, other));
    if (check === 'crankcase-vacuum') said.push(pressureAgainstVacuum(other, now));
  }
  return said.filter((s): s is string => !!s);
}

/** The pump gauge watched over time: read it, and the leak, its verdict and what it is against come by themselves. */
export function GaugeWatch({
  check,
  earlier = NOTHING_EARLIER,
  draft,
  onStart,
  onLog,
}: {
  check: PressureCheck;
  earlier?: EarlierWatches | undefined;
  /** Where what is typed is kept until it is logged; absent without a job. */
  draft?: string | undefined;
  onStart?: () => void;
  /** Absent when used without a job. */
  onLog?: (reading: { trace: Trace }) => void;
}): ReactElement {
  const dispatch = useAppDispatch();
  const unit = useAppSelector((s) => s.settings.pressureUnit);
  const target = TARGETS[check];
  const [watch, setWatch] = useDraft<Watch>(draft, () => noWatch(unit));
  const [volume, setVolume] = useDraft<Volume>(draft && `${draft} volume`, () => ({ from: 'ordinary' }));
  const [tries, setTries] = useState(0);
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const usable = volume.from !== 'pump' || (volume.strokes > 0 && volume.strokeMl > 0);
  const trace = useMemo(
    () => traceOf(watch, usable ? volume : { from: 'ordinary' }),
    [watch, volume, usable],
  );
  const watched = useMemo(() => readWatch(check, trace), [check, trace]);
  const compared = useMemo(() => comparisons(check, trace, earlier), [check, trace, earlier]);
  const started = watch.points.length > 0;
  /** Readings came by themselves: nobody typed one wrong. */
  const fed = watch.points.length > TYPED_AT_MOST;
  const now = useNow(watch.startedMs !== null, Date.now);
  const seconds = watch.startedMs === null ? 0 : Math.max(0, (now - watch.startedMs) / 1000);
  const lastAt = watch.points.at(-1)?.[0] ?? 0;
  const goal = Math.max(target.watchS, watched.holdS === null ? 0 : lastAt + watched.holdS);
  const left = Math.max(0, Math.ceil(goal - seconds));
  const asked = gaugeIn(text);
  const over = 'gauge' in asked ? tooMuch(check, asked.gauge, watch.unit) : null;

  const add = (event: FormEvent): void => {
    event.preventDefault();
    if ('problem' in asked) return setProblem(asked.problem);
    if (!started) onStart?.();
    setWatch(withReading(watch, asked.gauge, Date.now()));
    setText('');
    setProblem(null);
  };
  const chooseUnit = (next: PressureUnit): void => {
    dispatch(unitChosen(next));
    if (!started) setWatch(noWatch(next));
  };
  const startOver = (): void => {
    setWatch(noWatch(unit));
    // An instrument that still speaks would fill the new watch with the old one.
    setTries(tries + 1);
  };
  const hear = (lines: readonly FeedLine[]): void => {
    const first = lines[0];
    if (!first || first.unit === 'rpm') return;
    if (!started) onStart?.();
    const { unit: read } = first;
    setWatch((w) => ({
      unit: read,
      points: lines.map(
        (line) => [Math.round((line.t - first.t) * 100) / 100, Math.abs(line.value)] as const,
      ),
      startedMs: w.startedMs ?? Date.now(),
      simulated: lines.some((line) => line.simulated),
    }));
  };
  const take = (table: string): string | null => {
    const read = readPoints(table);
    if ('problem' in read) return read.problem;
    onStart?.();
    setWatch({ ...noWatch(read.unit ?? watch.unit), points: read.points });
    return null;
  };

  return (
    <section aria-label={target.name} className="mb-5">
      {!started && (
        <p className="text-2xl font-semibold">
          {target.vacuum ? 'Draw' : 'Pump'} to {bothPressures(target.testKpa, watch.unit)}
        </p>
      )}
      {!onLog && (
        <p className="flex items-center gap-2 text-lg font-semibold text-ochre">
          <TriangleAlert size={20} aria-hidden className="shrink-0" /> Never beyond{' '}
          {bothPressures(target.maxKpa, watch.unit)}
        </p>
      )}
      <form onSubmit={add} className="mt-3 flex flex-wrap items-end gap-3">
        <FigureInput
          id={id}
          label={`${gaugeWord(check)} now, ${watch.unit}`}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setProblem(null);
          }}
          placeholder={pressureWords(target.testKpa, watch.unit).split(' ')[0]}
          invalid={problem !== null}
          describedBy={`${id}-says`}
        />
        <Button
          type="submit"
          look={watched.result && onLog ? 'plain' : 'rust'}
          className="min-h-14 px-6 text-lg"
        >
          {started ? 'Read' : 'Start the watch'}
        </Button>
        {onLog && watched.result !== null && (
          <Button look="rust" className="min-h-14 px-6 text-lg" onClick={() => onLog({ trace })}>
            Log it: {watched.result === 'holds' ? 'holds' : leakWord(watched.result).toLowerCase()}
          </Button>
        )}
        {!started && (
          <select
            aria-label="Unit"
            value={watch.unit}
            onChange={(e) => chooseUnit(e.target.value as PressureUnit)}
            className="min-h-14 rounded-md border-2 border-line bg-card px-2 text-lg"
          >
            {PRESSURE_UNITS.map((u) => (
              <option key={u}>{u}</option>
            ))}
          </select>
        )}
      </form>
      <p id={`${id}-says`} role="alert" className="font-semibold text-rust">
        {problem ?? over}
      </p>
      {started && (
        <>
          <div className="mt-2 flex flex-wrap items-center gap-x-6">
            {watch.startedMs !== null && (
              <p role="timer" aria-label="Time left" className="text-7xl sm:text-8xl leading-none font-bold">
                {left > 0 ? `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}` : 'Time'}
              </p>
            )}
            <div className="min-w-64 flex-1" aria-live="polite">
              <p
                className={`text-3xl leading-tight font-bold ${watched.result === null ? '' : watched.result === 'holds' ? 'text-moss' : 'text-rust'}`}
              >
                {watched.result === null
                  ? 'Watch on'
                  : watched.result === 'holds'
                    ? 'Holds'
                    : leakWord(watched.result)}
              </p>
              <p className="text-lg leading-snug">{watched.says}</p>
              {watch.simulated && <p className="font-semibold text-ochre">Simulated</p>}
            </div>
          </div>
          {watched.tooHigh && (
            <p className="mt-2 font-semibold text-rust">
              That was more than {bothPressures(target.maxKpa, watch.unit)}: seals may have suffered.
            </p>
          )}
          <Guarded what="The drawing">
            <Suspense fallback={<div className="mt-3 h-60" />}>
              <WatchChart check={check} watched={watched} unit={watch.unit} seconds={goal} />
            </Suspense>
          </Guarded>
          {watched.decay && watched.result !== 'holds' && (
            <p className="mt-1 text-lg">
              Leaks {mlAMinute(watched.leak * watched.decay.startKpa)} ml a minute, like a hole of{' '}
              {watched.holeMm.toFixed(watched.holeMm < 0.1 ? 3 : 2)} mm
            </p>
          )}
          {watched.pop && (
            <p className="mt-1 text-lg font-semibold">
              Popped at {bothPressures(watched.pop.popKpa, watch.unit)}, shut at{' '}
              {bothPressures(watched.pop.reseatKpa, watch.unit)}
            </p>
          )}
          {compared.map((says) => (
            <p key={says} className="mt-1 text-lg font-semibold text-steel">
              {says}
            </p>
          ))}
          {!fed && <Readings watch={watch} onChange={setWatch} />}
          <div className="mt-3 flex flex-wrap gap-3">
            <Button className="min-h-14" onClick={startOver}>
              Start over
            </Button>
          </div>
        </>
      )}
      <HeldVolume check={check} watched={watched} volume={volume} onChange={setVolume} />
      <FromGauge key={tries} units={PRESSURE_UNITS} standIns={standInsFor(check)} onReadings={hear} />
      {!started && <TakeTable what="A watch kept as a table: seconds and gauge" onTake={take} />}
    </section>
  );
}

const leakWord = (result: string): string =>
  ({ 'slow-leak': 'Slow leak', 'fast-leak': 'Fast leak' })[result] ?? 'Leaks';

const mlAMinute = (mlPerS: number): string => {
  const ml = mlPerS * 60;
  return ml < 10 ? ml.toFixed(1) : String(Math.round(ml));
};

const SHOWN = 8;
/** Nobody types more in one watch. */
const TYPED_AT_MOST = 24;

/** The readings made so far; a tap takes one out. */
function Readings({ watch, onChange }: { watch: Watch; onChange: (watch: Watch) => void }): ReactElement {
  const shown = watch.points.slice(-SHOWN);
  return (
    <ul aria-label="Readings" className="mt-2 flex flex-wrap gap-2">
      {watch.points.length > SHOWN && (
        <li className="self-center text-soft">{watch.points.length} readings, last</li>
      )}
      {shown.map(([t, p]) => (
        <li key={t}>
          <button
            type="button"
            onClick={() => onChange({ ...watch, points: watch.points.filter(([at]) => at !== t) })}
            aria-label={`Take out ${p} at ${t} s`}
            className="flex min-h-11 items-center gap-1 rounded-md border-2 border-line px-2 hover:border-ink"
          >
            <span className="text-soft">{Math.round(t)} s</span> <strong>{p}</strong>
            <X size={16} aria-hidden />
          </button>
        </li>
      ))}
    </ul>
  );
}
