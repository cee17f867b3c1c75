import type { MachineFacts } from '@rusty-wren/core/machine';
import { SCREWS, speedBand, type Screw } from '@rusty-wren/core/tuning';
import { Check, Circle, Minus, Plus } from 'lucide-react';
import { lazy, Suspense, useEffect, useMemo, useState, type ReactElement } from 'react';
import { useKeys } from '../app/keys';
import { Guarded } from '../ui/Guarded';
import { Button } from '../ui/Button';
import { OneOf } from '../ui/OneOf';
import { useEngine } from './useEngine';

const SpeedChart = lazy(() => import('../tune/SpeedChart').then((m) => ({ default: m.SpeedChart })));

const MACHINES = [
  { id: 'saw', label: 'Saw', facts: { kind: 'chainsaw', displacementCc: 45 } },
  { id: 'trimmer', label: 'Trimmer', facts: { kind: 'trimmer', displacementCc: 25 } },
  { id: 'blower', label: 'Backpack blower', facts: { kind: 'backpack-blower', displacementCc: 60 } },
] as const satisfies readonly { id: string; label: string; facts: MachineFacts }[];
type MachineId = (typeof MACHINES)[number]['id'];
const NAMES: Readonly<Record<Screw, string>> = { L: 'L', H: 'H', stop: 'Stop' };
/** Keys that lean and richen each screw; the stop: out (slower) and in (faster). */
const KEYS: Readonly<Record<Screw, readonly [string, string]>> = {
  L: ['q', 'w'],
  H: ['j', 'k'],
  stop: ['v', 'b'],
};

/** A mistuned machine to bring right by ear and screws: judged on the result, the turns and the time above the limit. */
export function TuneByEar(): ReactElement {
  const [seed, setSeed] = useState(1);
  const [which, setWhich] = useState<MachineId>('saw');
  const { facts, label } = MACHINES.find((m) => m.id === which)!;
  const { shown, open, turn, pull, seconds } = useEngine(facts, seed);
  const [held, setHeld] = useState(false);
  const hold = (on: boolean): void => {
    setHeld(on);
    open(on ? 1 : 0);
  };
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      // A button that can be pressed is pressed by it; the cord's stays in focus once it is pulled.
      if (event.key !== ' ' || event.repeat || (event.target as HTMLElement).matches('button:enabled'))
        return;
      event.preventDefault();
      const on = event.type === 'keydown';
      setHeld(on);
      open(on ? 1 : 0);
    };
    addEventListener('keydown', onKey);
    addEventListener('keyup', onKey);
    return () => {
      removeEventListener('keydown', onKey);
      removeEventListener('keyup', onKey);
    };
  }, [open]);
  useKeys(
    useMemo(
      () => [
        { key: 'p', does: 'pull the cord', run: pull },
        ...SCREWS.flatMap((screw) =>
          KEYS[screw].map((key, i) => ({
            key,
            does: `${NAMES[screw]} ${(i === 1) === (screw !== 'stop') ? 'out' : 'in'} an eighth`,
            run: () => turn(screw, i === 1 ? 1 : -1),
          })),
        ),
      ],
      [pull, turn],
    ),
  );
  if (!shown) return <div className="flex-1" />;
  const [, limit] = speedBand('full', facts);
  const tooFast = shown.rpm > limit;
  const done = shown.idleGood && shown.fullGood;

  return (
    <div className="grid flex-1 content-start gap-x-10 gap-y-5 px-3 py-5 sm:px-5 lg:grid-cols-[minmax(0,7fr)_minmax(0,4fr)]">
      <section aria-label="Engine">
        <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <h1 className="text-3xl font-bold">By ear: somebody has been at it</h1>
          <OneOf label="Machine" options={MACHINES} value={which} onChange={setWhich} />
        </div>
        <div
          className={`mt-2 flex flex-wrap items-end gap-x-6 ${tooFast ? 'bg-rust px-3 text-on-rust' : ''}`}
        >
          <output aria-label="Speed now" className="text-8xl leading-none font-bold tabular-nums">
            {shown.running ? Math.round(shown.rpm / 10) * 10 : '–'}
          </output>
          <span className="pb-2 text-3xl font-semibold">
            {!shown.running ? 'stopped' : tooFast ? 'over the limit!' : 'rpm'}
          </span>
        </div>
        <div className="mt-3">
          <Guarded what="The drawing">
            <Suspense fallback={<div className="h-60" />}>
              <SpeedChart track={shown.track} blip={null} machine={facts} seconds={seconds} />
            </Suspense>
          </Guarded>
        </div>
        <div className="mt-3 flex flex-wrap gap-3">
          <Button
            look={shown.running ? 'plain' : 'rust'}
            className="min-h-16 px-7 text-xl"
            disabled={shown.running}
            onClick={pull}
          >
            Pull the cord
          </Button>
          <Button
            look={held ? 'rust' : 'plain'}
            aria-pressed={held}
            className="min-h-16 flex-1 touch-none px-7 text-xl select-none"
            onPointerDown={() => hold(true)}
            onPointerUp={() => hold(false)}
            onPointerLeave={() => held && hold(false)}
            onKeyDown={(e) => e.key === ' ' && !e.repeat && hold(true)}
            onKeyUp={(e) => e.key === ' ' && hold(false)}
          >
            Hold for full throttle
          </Button>
        </div>
      </section>
      <section aria-label="Practice screws">
        <ul>
          {SCREWS.map((screw) => (
            <li key={screw} className="flex items-center justify-between gap-3 border-b border-line py-2">
              <span className="w-16 text-3xl font-bold">{NAMES[screw]}</span>
              {([-1, 1] as const).map((eighths) => {
                const out = eighths > 0 === (screw !== 'stop');
                return (
                  <Button
                    key={eighths}
                    className="min-h-16 flex-1 text-xl"
                    aria-label={`${NAMES[screw]} ${out ? 'out' : 'in'} an eighth`}
                    onClick={() => turn(screw, eighths)}
                  >
                    {eighths < 0 ? <Minus aria-hidden /> : <Plus aria-hidden />}
                    {out ? 'out' : 'in'}
                  </Button>
                );
              })}
            </li>
          ))}
        </ul>
        <ul className="mt-4 text-xl">
          {(
            [
              [shown.idleGood, 'Idle in band, held'],
              [shown.fullGood, 'Full speed in band, held'],
            ] as const
          ).map(([good, words]) => (
            <li key={words} className="flex min-h-11 items-center gap-3 font-semibold">
              {good ? (
                <Check className="text-moss" aria-label="done" />
              ) : (
                <Circle className="text-soft" aria-label="not yet" />
              )}
              {words}
            </li>
          ))}
        </ul>
        <dl className="mt-3 flex gap-8">
          {(
            [
              ['Turns', String(shown.moves)],
              ['Over the limit', `${shown.over.toFixed(1)} s`],
              ['Time', `${Math.floor(shown.seconds)} s`],
            ] as const
          ).map(([name, value]) => (
            <div key={name}>
              <dt className="text-soft">{name}</dt>
              <dd
                className={`text-3xl font-bold tabular-nums ${name === 'Over the limit' && shown.over > 0.05 ? 'text-rust' : ''}`}
              >
                {value}
              </dd>
            </div>
          ))}
        </dl>
        {done && (
          <p role="status" className="mt-4 text-3xl font-bold text-moss">
            Tuned in {shown.moves} {shown.moves === 1 ? 'turn' : 'turns'}
            {shown.over > 0.05 ? `, but ${shown.over.toFixed(1)} s over the limit` : ', never over the limit'}
          </p>
        )}
        <Button className="mt-4 min-h-14 text-lg" onClick={() => setSeed(seed + 1)}>
          Another {label.toLowerCase()}
        </Button>
      </section>
    </div>
  );
}
