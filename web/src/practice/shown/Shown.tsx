import { PLAIN, seedOf, soundStream, type SpeedPoint } from '@rusty-wren/core/engine';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { heardOf, type Shows } from '@rusty-wren/core/practice';
import type { Reading } from '@rusty-wren/core/reading';
import type { Trace } from '@rusty-wren/core/pressure';
import { formatTurns, fromKpa, toKpa } from '@rusty-wren/core/units';
import { Volume2 } from 'lucide-react';
import { useMemo, useState, type ReactElement } from 'react';
import { Button } from '../../ui/Button';
import { RATE, sourceOf } from '../samples';
import { Dial } from './Dial';
import { DRAWN } from './drawn';

/** What is read off a watched gauge every quarter of a minute: seconds, psi. */
const glances = ({ points, unit }: Trace): (readonly [number, number])[] =>
  points.filter((_, n) => n % 3 === 0).map(([t, p]) => [t, fromKpa(toKpa(p, unit), 'psi')]);

/** Plays what is heard, once. */
function play(track: readonly SpeedPoint[], seed: number): void {
  const audio = new AudioContext();
  const source = sourceOf(audio, soundStream(PLAIN, RATE, seed)(track));
  source.onended = () => void audio.close();
  source.start();
}

/** A reading in words, as somebody would read it out. */
export function readOut(reading: Reading): string {
  const { psi, mm, rpm, turns, trace } = reading;
  if (psi)
    return `${reading.dryPsi ? `${reading.dryPsi} psi dry. With oil in, after` : 'After'} each pull: ${psi.join(', ')} psi.`;
  if (mm && mm.length > 1) return `Upper leg ${mm[0]!.toFixed(2)} mm, lower leg ${mm[1]!.toFixed(2)} mm.`;
  if (mm) return `${mm[0]! > 0 ? '' : 'minus '}${Math.abs(mm[0]!).toFixed(2)} mm.`;
  if (rpm) return rpm.length > 1 ? `It wanders: ${rpm.join(', ')} rpm.` : `${rpm[0]} rpm.`;
  if (turns) return `L ${formatTurns(turns.L ?? 0)}, H ${formatTurns(turns.H ?? 0)} turns to the seat.`;
  if (trace)
    return `${glances(trace)
      .map(([t, psi]) => `${psi.toFixed(1)} at ${t} s`)
      .join(', ')} (psi).`;
  return '';
}

/** The speed of the engine as it was heard, against time; bands of a thousand turns are ruled. */
function SpeedTrace({ track, label }: { track: readonly SpeedPoint[]; label: string }): ReactElement {
  const seconds = track.at(-1)!.t;
  const most = Math.max(4000, ...track.map((p) => p.rpm));
  const x = (t: number): number => 4 + (392 * t) / seconds;
  const y = (rpm: number): number => 112 - (104 * rpm) / most;
  return (
    <svg viewBox="0 0 400 120" role="img" aria-label={label} className="w-full max-w-xl rounded-md bg-card">
      {Array.from({ length: Math.floor(most / 2000) }, (_, n) => (
        <path key={n} d={`M4 ${y(2000 * (n + 1))}H396`} className="stroke-line" strokeWidth="1" />
      ))}
      <path d="M4 112H396" className="stroke-ink" strokeWidth="2" />
      <path
        d={track.map((p, n) => `${n === 0 ? 'M' : 'L'}${x(p.t).toFixed(1)} ${y(p.rpm).toFixed(1)}`).join('')}
        className="fill-none stroke-steel"
        strokeWidth="3"
        strokeLinejoin="round"
      />
    </svg>
  );
}

/** Something read off a gauge step by step: pull by pull, or as time goes. */
function Stepped({
  many,
  onward,
  children,
}: {
  many: number;
  onward: string;
  children: (at: number) => ReactElement;
}): ReactElement {
  const [at, setAt] = useState(0);
  return (
    <div className="flex flex-wrap items-center gap-5">
      {children(at)}
      <div className="flex flex-col gap-3">
        <Button className="min-h-14 px-6 text-lg" disabled={at >= many - 1} onClick={() => setAt(at + 1)}>
          {onward}
        </Button>
        <Button look="quiet" onClick={() => setAt(0)}>
          From the start
        </Button>
      </div>
    </div>
  );
}

function Instrument({ reading }: { reading: Reading }): ReactElement {
  const { psi, rpm, trace } = reading;
  if (psi)
    return (
      <Stepped many={psi.length + 1} onward="Pull">
        {(at) => (
          <figure className="w-64">
            <Dial value={at === 0 ? 0 : psi[at - 1]!} most={200} tick={5} figure={50} unit="psi" />
            <figcaption className="text-center text-lg font-semibold">
              {at === 0 ? 'before the first pull' : `pull ${at}`}
            </figcaption>
          </figure>
        )}
      </Stepped>
    );
  if (trace) {
    const shown = glances(trace);
    return (
      <Stepped many={shown.length} onward="15 s on">
        {(at) => (
          <figure className="w-64">
            <Dial value={shown[at]?.[1] ?? 0} most={15} tick={0.5} figure={5} unit="psi" red={10} />
            <figcaption className="text-center text-lg font-semibold">after {shown[at]?.[0]} s</figcaption>
          </figure>
        )}
      </Stepped>
    );
  }
  if (rpm)
    return (
      <p className="font-tag text-7xl leading-tight font-bold tabular-nums">
        {rpm.join(' … ')} <span className="text-3xl">rpm</span>
      </p>
    );
  return <p className="text-3xl leading-snug font-bold tabular-nums">{readOut(reading)}</p>;
}

/**
 * What a check shows on the hidden machine: drawn where it is seen, on its gauge where it is read, to be heard where it runs; in words on
 * demand, and where there is nothing to draw.
 */
export function Shown({ shows, machine }: { shows: Shows; machine: MachineFacts }): ReactElement {
  const { check, result, words, reading } = shows;
  const [inWords, setInWords] = useState(false);
  const Drawing = DRAWN[check];
  const track = useMemo(() => heardOf(shows, machine), [shows, machine]);
  const says = reading ? readOut(reading) : (words ?? '');
  // What is heard is drawn as well: speed against time.
  const heard = track && !reading;
  const pictured = (Drawing && result) || heard || reading?.psi || reading?.trace;
  return (
    <section aria-label="What it shows" className="mt-3 border-l-4 border-steel pl-4">
      {Drawing && result && (
        <svg
          viewBox="0 0 200 120"
          role="img"
          aria-label={says}
          className="w-full max-w-96 rounded-md bg-card"
        >
          <Drawing result={result} />
        </svg>
      )}
      {reading && <Instrument reading={reading} />}
      {heard && <SpeedTrace track={track} label={says} />}
      {!reading && !Drawing && !heard && <p className="text-2xl leading-snug font-semibold">{says}</p>}
      <div className="mt-2 flex flex-wrap gap-x-5">
        {track && (
          <Button className="min-h-14 px-5 text-lg" onClick={() => play(track, seedOf(`${check} ${result}`))}>
            <Volume2 aria-hidden /> Hear it
          </Button>
        )}
        {pictured && !inWords && (
          <Button look="quiet" className="!px-0" onClick={() => setInWords(true)}>
            In words
          </Button>
        )}
      </div>
      {pictured && inWords && (
        <p role="status" className="text-xl leading-snug">
          {says}
        </p>
      )}
    </section>
  );
}
