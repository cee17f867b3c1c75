import { TARGETS, type PressureCheck, type Watched } from '@rusty-wren/core/pressure';
import { useState, type ReactElement } from 'react';
import { NumberField } from '../../ui/NumberField';
import type { Volume } from './watch';

const FROM: Readonly<Record<Watched['volumeFrom'], string>> = {
  ordinary: 'as they usually are',
  given: 'as measured',
  pump: 'by the pump',
};

/** What the leak is reckoned from: the ordinary volume, the pump's strokes, or a measured figure. */
export function HeldVolume({
  check,
  watched,
  volume,
  onChange,
}: {
  check: PressureCheck;
  watched: Watched;
  volume: Volume;
  onChange: (volume: Volume) => void;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const pump = volume.from === 'pump' ? volume : { strokes: 0, strokeMl: 0 };
  const pumped = (change: Partial<typeof pump>): void => {
    const { strokes, strokeMl } = { ...pump, ...change };
    onChange(strokes > 0 || strokeMl > 0 ? { from: 'pump', strokes, strokeMl } : { from: 'ordinary' });
  };
  return (
    <div className="mt-2">
      <button
        type="button"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="min-h-11 text-left text-lg text-soft underline-offset-4 hover:underline"
      >
        Holds <strong className="text-ink">{Math.round(watched.volumeMl)} ml</strong>,{' '}
        {FROM[watched.volumeFrom]}
      </button>
      {open && (
        <div className="flex flex-wrap gap-4 pb-2">
          <NumberField
            label="Volume, ml"
            value={volume.from === 'given' ? volume.ml : null}
            placeholder={String(TARGETS[check].volumeMl)}
            min={0.5}
            max={20_000}
            onChange={(ml) => onChange(ml === null ? { from: 'ordinary' } : { from: 'given', ml })}
          />
          <NumberField
            label="or pump strokes"
            value={pump.strokes || null}
            min={0.1}
            max={500}
            onChange={(strokes) => pumped({ strokes: strokes ?? 0 })}
          />
          <NumberField
            label="of ml each"
            value={pump.strokeMl || null}
            min={0.1}
            max={200}
            onChange={(strokeMl) => pumped({ strokeMl: strokeMl ?? 0 })}
          />
        </div>
      )}
    </div>
  );
}
