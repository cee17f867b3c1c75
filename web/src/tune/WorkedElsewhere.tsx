import { elsewhere, moveInWords, type Ledger, type ScrewMove } from '@rusty-wren/core/tuning';
import { airAt } from '@rusty-wren/core/units';
import { useState, type ReactElement } from 'react';
import { useAppSelector } from '../app/store';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';

const METRES = { min: -450, max: 6000 } as const;
const CELSIUS = { min: -40, max: 55 } as const;

/** What a machine tuned here needs where it is worked in other air. */
export function WorkedElsewhere({
  ledger,
  onTurned,
}: {
  ledger: Ledger;
  onTurned: (move: ScrewMove, why: string) => void;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const bench = useAppSelector((s) => s.settings.gauge.altitudeM) ?? 0;
  const [here, setHere] = useState<number | null>(15);
  const [metres, setMetres] = useState<number | null>(null);
  const [celsius, setCelsius] = useState<number | null>(null);
  if (!open)
    return (
      <Button look="quiet" className="mt-1 !px-0" onClick={() => setOpen(true)}>
        Worked in other air?
      </Button>
    );
  const need =
    metres === null ? null : elsewhere(ledger, airAt(bench, here).density, airAt(metres, celsius).density);
  const percent = need && Math.round(Math.abs(need.shift) * 100);
  const why = `For work at ${metres} m`;
  return (
    <section aria-label="Worked elsewhere" className="mt-3">
      <div className="flex flex-wrap gap-4">
        <NumberField label="Worked at, m" value={metres} {...METRES} autoFocus onChange={setMetres} />
        <NumberField label="there, °C" value={celsius} {...CELSIUS} onChange={setCelsius} />
        <NumberField label={`here at ${bench} m, °C`} value={here} {...CELSIUS} onChange={setHere} />
      </div>
      {metres !== null && (
        <div className="mt-3 flex flex-wrap items-center justify-between gap-x-6 gap-y-2">
          <div>
            <p className="text-3xl font-bold">
              {need ? `${percent} % ${need.shift > 0 ? 'richer' : 'leaner'} there` : 'No change to speak of'}
            </p>
            {need && need.moves.length === 0 && (
              <p className="text-xl">
                {ledger.counted.size === 0
                  ? 'Count L and H to their seats, and it says how far.'
                  : 'Less than a sixteenth of a turn.'}
              </p>
            )}
            {need && need.moves.length > 0 && (
              <p className="text-xl">
                <strong>{need.moves.map(moveInWords).join(', ')}</strong>
                {need.turned === 'there'
                  ? ', when it is there: turned here it runs lean'
                  : ', before it goes'}
              </p>
            )}
          </div>
          {need?.turned === 'here' && need.moves.length > 0 && (
            <Button
              look="rust"
              className="min-h-16 px-7 text-xl"
              onClick={() => {
                need.moves.forEach((move) => onTurned(move, why));
                setOpen(false);
              }}
            >
              Turned them
            </Button>
          )}
        </div>
      )}
    </section>
  );
}
