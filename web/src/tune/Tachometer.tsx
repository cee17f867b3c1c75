import { checkOf } from '@rusty-wren/core/knowledge';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { useState, type ReactElement } from 'react';
import { Figures } from '../instruments/Figures';
import type { Log } from '../job/useLog';
import { dropDraft } from '../ui/useDraft';

const SPEEDS = ['idle-speed', 'full-speed'] as const;

/** Speeds read off a tachometer and typed: judged and logged like those that were heard. */
export function Tachometer({
  machine,
  jobId,
  log,
}: {
  machine: MachineFacts;
  jobId: string;
  log: Log;
}): ReactElement {
  // A box that was logged is a new one: what was typed is on the log now.
  const [logged, setLogged] = useState(0);
  return (
    <section aria-label="By tachometer" className="mt-5">
      <h2 className="text-xl font-bold">By tachometer</h2>
      <div className="mt-2 grid gap-x-8 gap-y-2 sm:grid-cols-2">
        {SPEEDS.map((check) => (
          <Figures
            key={`${check} ${logged}`}
            check={checkOf(check)}
            machine={machine}
            feed={false}
            draft={`${jobId} tune ${check}`}
            onLog={(reading) => {
              log('finding', { check, reading, sureness: 'sure' });
              dropDraft(`${jobId} tune ${check}`);
              setLogged(logged + 1);
            }}
          />
        ))}
      </div>
    </section>
  );
}
