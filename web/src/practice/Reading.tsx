import { checkOf, type Sureness } from '@rusty-wren/core/knowledge';
import type { MachineFacts } from '@rusty-wren/core/machine';
import type { Noted, Shows } from '@rusty-wren/core/practice';
import type { Reading as Read } from '@rusty-wren/core/reading';
import { useState, type ReactElement } from 'react';
import { Instrument } from '../instruments/Instrument';
import { ResultPick } from '../bench/ResultPick';
import { StepHead } from '../bench/steps/StepHead';
import { SurenessPick } from '../bench/SurenessPick';
import type { JobAtBench } from '../job/useJob';
import { Shown } from './shown/Shown';

/** The practice gauge has no hose and stands by the sea, whatever this device's own bench does. */
const asHere = ({ hoseMl: _, altitudeM: __, floorPsi: ___, ...reading }: Read): Read => reading;

/** A check that was made: what it shows, and what the trainee makes of it. */
export function Reading({
  shows,
  machine,
  atBench,
  onNote,
}: {
  shows: Shows;
  machine: MachineFacts;
  atBench: JobAtBench;
  onNote: (noted: Noted) => void;
}): ReactElement {
  const check = checkOf(shows.check);
  const [sureness, setSureness] = useState<Sureness>('sure');
  const reads = check.reading !== undefined && check.reading !== 'trace' && shows.reading !== null;
  return (
    <section aria-label="What you make of it">
      <StepHead eyebrow="What do you make of it?" title={check.name} />
      <Shown shows={shows} machine={machine} />
      <div className="mt-5">
        {reads && (
          <Instrument
            check={check}
            atBench={atBench}
            onStart={() => undefined}
            onLog={(reading) => onNote({ reading: asHere(reading), sureness })}
          />
        )}
        <ResultPick check={check} onPick={(result) => onNote({ result, sureness })} />
        <div className="mt-4">
          <SurenessPick value={sureness} onChange={setSureness} />
        </div>
      </div>
    </section>
  );
}
