import { airAt, ambientFraction, bothPressures, mixtureShift } from '@rusty-wren/core/units';
import { elsewhere, moveInWords, type Screw } from '@rusty-wren/core/tuning';
import { useState, type ReactElement } from 'react';
import { NumberField } from '../ui/NumberField';

/** H a turn out, for an example. */
const ONE_TURN_OUT = { now: { L: 0, H: 8, stop: 0 }, counted: new Set<Screw>(['H']) };

/** What altitude and weather do to the air, to a gauge, and to a mixture tuned elsewhere. */
export function Air(): ReactElement {
  const [here, setHere] = useState<{ m: number | null; c: number | null }>({ m: 0, c: 20 });
  const [tuned, setTuned] = useState<{ m: number | null; c: number | null }>({ m: 0, c: 15 });
  const air = ({ m, c }: typeof here): ReturnType<typeof airAt> => airAt(m ?? 0, c);
  const now = air(here);
  const shift = mixtureShift(air(tuned).density, now.density);
  // What keeps H, a turn out, as rich as it was; screws are turned by sixteenths at the finest.
  const [move] = elsewhere(ONE_TURN_OUT, air(tuned).density, now.density)?.moves ?? [];
  const percent = Math.round(Math.abs(shift) * 1000) / 10;
  return (
    <section aria-label="Air">
      <div className="flex flex-wrap gap-4">
        <NumberField
          label="Works at, m"
          value={here.m}
          min={-450}
          max={6000}
          autoFocus
          onChange={(m) => setHere({ ...here, m })}
        />
        <NumberField
          label="and °C"
          value={here.c}
          min={-40}
          max={55}
          onChange={(c) => setHere({ ...here, c })}
        />
        <NumberField
          label="Was tuned at, m"
          value={tuned.m}
          min={-450}
          max={6000}
          onChange={(m) => setTuned({ ...tuned, m })}
        />
        <NumberField
          label="and °C"
          value={tuned.c}
          min={-40}
          max={55}
          onChange={(c) => setTuned({ ...tuned, c })}
        />
      </div>
      <p className="mt-5 text-5xl font-bold">
        {percent < 0.5 ? 'No change' : `${percent} % ${shift > 0 ? 'richer' : 'leaner'}`}
      </p>
      {percent >= 2 && (
        <p className="mt-1 text-xl">
          Set again here, H first to be looked at{shift < 0 ? ': lean burns pistons' : ''}
        </p>
      )}
      <dl className="mt-5 grid max-w-lg grid-cols-[1fr_auto] text-xl">
        <dt className="border-b border-line py-2 text-soft">Air pressure</dt>
        <dd className="border-b border-line py-2 text-right font-bold">{bothPressures(now.kpa, 'kPa')}</dd>
        <dt className="border-b border-line py-2 text-soft">Density of the standard</dt>
        <dd className="border-b border-line py-2 text-right font-bold">{(now.density * 100).toFixed(1)} %</dd>
        <dt className="border-b border-line py-2 text-soft">A squeeze of 130 psi reads</dt>
        <dd className="border-b border-line py-2 text-right font-bold">
          {Math.round(130 * ambientFraction(here.m ?? 0))} psi
        </dd>
        <dt className="border-b border-line py-2 text-soft">A mixture screw one turn out</dt>
        <dd className="border-b border-line py-2 text-right font-bold">
          {move ? moveInWords(move).replace('H ', '') : 'stays'}
        </dd>
      </dl>
    </section>
  );
}
