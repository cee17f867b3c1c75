import type { FeedLine, SqueezeReading, StandIn } from '@rusty-wren/contract';
import {
  fitPlateau,
  gaugeDoubt,
  ratioWithHose,
  USUAL_PULLS,
  type LatelyLow,
  type SqueezeSetting,
} from '@rusty-wren/core/compression';
import type { CheckId } from '@rusty-wren/core/knowledge';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { figuresOf, gaugeOf, ratioFor } from '@rusty-wren/core/machine';
import { judgeReading, type Reading } from '@rusty-wren/core/reading';
import { readShorthand } from '@rusty-wren/core/shorthand';
import { psiToBar } from '@rusty-wren/core/units';
import { useId, useState, type FormEvent, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../app/store';
import { Button } from '../../ui/Button';
import { FigureInput } from '../../ui/FigureInput';
import { useDraft } from '../../ui/useDraft';
import { NumberField } from '../../ui/NumberField';
import { OneOf } from '../../ui/OneOf';
import { FromGauge } from '../feed/FromGauge';
import { IsRight, STANDS_BY } from '../IsRight';
import { GaugeSettings } from './GaugeSettings';
import { PullsDrawing } from './PullsDrawing';
import { SqueezeStrip } from './SqueezeStrip';

const WORDS: Readonly<Record<string, string>> = {
  good: 'Good',
  marginal: 'Marginal',
  low: 'Low',
  rises: 'Rises',
  unchanged: 'Unchanged',
};
const PSI = ['psi'] as const;
/** Stand-in gauges, by the engine they are on. */
const STAND_INS: readonly { label: string; standIn: StandIn }[] = [
  { label: 'a sound engine', standIn: { instrument: 'compression', plateauPsi: 138, seed: 21 } },
  { label: 'a tired one', standIn: { instrument: 'compression', plateauPsi: 104, seed: 22 } },
  { label: 'a worn-out one', standIn: { instrument: 'compression', plateauPsi: 68, seed: 23 } },
];

/** The compression gauge, pull by pull: where it is heading, what this engine should show on this gauge, and the verdict. */
export function SqueezeGauge({
  check,
  machine,
  dryPsi,
  earlier,
  latelyLow = null,
  draft,
  onStart,
  onLog,
}: {
  check: Extract<CheckId, 'compression-gauge' | 'compression-wet'>;
  machine: MachineFacts;
  /** What it read dry, psi, when measuring wet. */
  dryPsi?: number | undefined;
  /** Squeezes this shop measured on the model, and which machine this is. */
  earlier?: { squeezes: readonly SqueezeReading[]; machineId: string };
  /** How squeezes read here lately against before. */
  latelyLow?: LatelyLow | null;
  /** Where what is typed is kept until it is logged; absent without a job. */
  draft?: string | undefined;
  onStart?: () => void;
  onLog?: (reading: Reading) => void;
}): ReactElement {
  const gauge = useAppSelector((s) => s.settings.gauge);
  const [text, setText] = useDraft(draft, () => '');
  const [setting, setSetting] = useState<
    Required<Pick<SqueezeSetting, 'decompressor' | 'throttle' | 'engine'>>
  >({
    decompressor: 'closed',
    throttle: 'open',
    engine: 'warm',
  });
  const [dry, setDry] = useState<number | null>(dryPsi ?? null);
  const [gaugeOpen, setGaugeOpen] = useState(false);
  const [simulated, setSimulated] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const id = useId();
  const read = text.trim() ? readShorthand(`compression-gauge ${text}`) : null;
  const entry = read?.ok ? read.entries[0] : undefined;
  const written = entry?.kind === 'finding' ? entry.body.reading : undefined;
  const psi = written?.psi;
  const wet = check === 'compression-wet';
  const reading: Reading | null = psi
    ? {
        psi,
        ...(written?.in && { in: written.in }),
        ...(written?.confirmed && { confirmed: true }),
        ...setting,
        ...gauge,
        ...(wet && dry !== null && { dryPsi: dry }),
        ...(simulated && { simulated }),
      }
    : null;
  const judged = reading && judgeReading(check, reading, machine);
  const plateau = psi ? fitPlateau(psi) : null;
  const { squeezePsi, sources } = figuresOf(machine);
  const { altitudeM = 0, hoseMl = 0 } = gauge;
  /** What a sound engine shows on this gauge here. */
  const here = (seaLevel: number): number => {
    const ratio = ratioFor(seaLevel);
    const behind =
      hoseMl && machine.displacementCc ? ratioWithHose(ratio, machine.displacementCc, hoseMl) : ratio;
    return gaugeOf(behind, altitudeM);
  };
  const band = [here(squeezePsi[0]), here(squeezePsi[1])] as const;

  const hear = (lines: readonly FeedLine[]): void => {
    onStart?.();
    setText(lines.map((line) => Math.round(line.value)).join(' '));
    setSimulated(lines.some((line) => line.simulated));
    setProblem(null);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!text.trim()) return setProblem('Gauge after each pull: nothing is written.');
    if (read && !read.ok) return setProblem(read.says);
    if (!reading || !judged) return setProblem('Gauge after each pull: give figures, such as 62 98 117 124.');
    onLog?.(reading);
  };
  const result = judged && 'result' in judged ? judged.result : null;

  return (
    <form onSubmit={submit} aria-label="Squeeze" className="mb-5">
      <p className="text-2xl font-semibold">
        Should show {Math.round(band[0])}–{Math.round(band[1])} psi ({psiToBar(band[0]).toFixed(1)}–
        {psiToBar(band[1]).toFixed(1)} bar){' '}
        <span className="text-lg font-normal text-soft">{sources.squeezePsi}</span>
      </p>
      <div className="mt-3 flex flex-wrap items-end gap-3">
        <FigureInput
          id={id}
          label="Gauge after each pull, psi"
          wide
          value={text}
          onChange={(e) => {
            if (e.target.value && !text) onStart?.();
            setText(e.target.value);
            setSimulated(false);
            setProblem(null);
          }}
          placeholder="62 98 117 124"
          invalid={problem !== null}
          describedBy={`${id}-problem`}
        />
        {onLog && (
          <Button type="submit" look={reading ? 'rust' : 'plain'} className="min-h-14 px-6 text-lg">
            Log it
          </Button>
        )}
      </div>
      {read && !read.ok && read.odd && (
        <IsRight says={read.says} onRight={() => setText(`${text.trim()}${STANDS_BY}`)} />
      )}
      <p id={`${id}-problem`} role="alert" className="font-semibold text-rust">
        {read && !read.ok && read.odd ? null : problem}
      </p>
      <div aria-live="polite">
        {judged && 'refused' in judged && (
          <p className="mt-2 text-lg font-semibold text-ochre">{judged.refused}</p>
        )}
        {judged && 'says' in judged && (
          <>
            <p
              className={`mt-2 text-3xl font-bold ${result === 'good' || result === 'unchanged' ? 'text-moss' : 'text-rust'}`}
            >
              {WORDS[judged.result]}
            </p>
            <p className="text-lg">{judged.says}</p>
          </>
        )}
      </div>
      {psi && plateau && (
        <>
          <PullsDrawing
            pulls={psi}
            plateau={plateau.psi}
            band={wet && judged && 'band' in judged ? judged.band : band}
          />
          {!plateau.enough && (
            <p className="text-lg font-semibold">
              Still rising: pull until it stops, {USUAL_PULLS.join(' to ')} pulls.
            </p>
          )}
        </>
      )}
      {latelyLow && gaugeDoubt(latelyLow) !== null && (
        <p className="mt-2 border-l-4 border-ochre pl-3 text-lg font-semibold">
          {latelyLow.low} of the last {latelyLow.of} machines read low here: is it the gauge?{' '}
          <Link to="/tools/gauges" className="underline">
            Hold another beside it
          </Link>
        </p>
      )}
      {earlier && <SqueezeStrip {...earlier} band={squeezePsi} />}
      <div className="mt-3 flex flex-wrap gap-x-4 gap-y-2">
        <OneOf
          label="Throttle"
          options={[
            { id: 'open', label: 'Throttle open' },
            { id: 'shut', label: 'shut' },
          ]}
          value={setting.throttle}
          onChange={(throttle) => setSetting({ ...setting, throttle })}
        />
        <OneOf
          label="Engine"
          options={[
            { id: 'warm', label: 'Warm' },
            { id: 'cold', label: 'cold' },
          ]}
          value={setting.engine}
          onChange={(engine) => setSetting({ ...setting, engine })}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-rust"
            checked={setting.decompressor === 'open'}
            onChange={(e) => setSetting({ ...setting, decompressor: e.target.checked ? 'open' : 'closed' })}
          />
          Starting valve open
        </label>
      </div>
      <FromGauge units={PSI} standIns={STAND_INS} onReadings={hear} />
      {wet && (
        <div className="mt-3">
          <NumberField label="Dry, psi" value={dry} min={1} max={400} onChange={setDry} />
        </div>
      )}
      <button
        type="button"
        aria-expanded={gaugeOpen}
        onClick={() => setGaugeOpen(!gaugeOpen)}
        className="mt-2 min-h-11 text-left text-lg text-soft underline-offset-4 hover:underline"
      >
        This gauge and bench: {hoseMl ? `hose ${hoseMl} ml` : 'check valve at the plug'}, {altitudeM} m
        {gauge.floorPsi ? `, low under ${gauge.floorPsi} psi` : ''}
      </button>
      {gaugeOpen && <GaugeSettings />}
    </form>
  );
}
