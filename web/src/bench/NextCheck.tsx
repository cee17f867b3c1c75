import {
  causeOf,
  checkOf,
  partOf,
  resultOf,
  type CheckId,
  type MachineFacts,
  type NextCheck as Next,
  type Sureness,
} from '@rusty-wren/core/diagnosis';
import type { Reading } from '@rusty-wren/core/reading';
import { TriangleAlert } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { minutesWords, percent } from '../rack/words';
import { ReadingForm } from './ReadingForm';
import type { Log } from './useJob';
import { SurenessPick } from './SurenessPick';

/** Why this check: what its two most telling results would do to the suspects. */
function Why({ next }: { next: Next }): ReactElement | null {
  const telling = next.outlook
    .filter((o) => o.chance > 0.04 && o.leads.probability > 0.2)
    .sort((x, y) => y.leads.probability - x.leads.probability)
    .filter((o, i, all) => all.findIndex((p) => p.leads.cause === o.leads.cause) === i)
    .slice(0, 2);
  if (telling.length === 0) return null;
  return (
    <ul aria-label="Why" className="mt-3 text-lg leading-snug text-soft">
      {telling.map((o) => (
        <li key={o.result}>
          If <strong className="text-ink">{resultOf(next.check, o.result)?.label}</strong>:{' '}
          {causeOf(o.leads.cause).name.toLowerCase()} {percent(o.leads.probability)}
        </li>
      ))}
    </ul>
  );
}

/** The check to make now: large, with why, how, minutes, caution and one-tap results. */
export function NextCheck({
  checkId,
  next,
  chosen,
  machine,
  log,
  onLogged,
}: {
  checkId: CheckId;
  /** The plan's entry for it; absent when it was picked though the plan sees nothing in it. */
  next: Next | undefined;
  /** Picked by hand rather than by the plan. */
  chosen: boolean;
  machine: MachineFacts;
  log: Log;
  onLogged: () => void;
}): ReactElement {
  const check = checkOf(checkId);
  const [sureness, setSureness] = useState<Sureness>('sure');
  const opens = next?.opens ?? [];

  const record = (body: { result: string } | { reading: Reading }): void => {
    // What had to come off to get there is off now: the tray must know.
    for (const part of opens) log('took-off', { part });
    log('finding', { check: checkId, sureness, ...body });
    onLogged();
  };

  return (
    <section aria-label="Next check">
      <p className="font-semibold text-rust">{chosen ? 'You chose' : 'Do this next'}</p>
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-4xl leading-tight font-bold sm:text-5xl">{check.name}</h2>
        <p className="text-3xl font-bold whitespace-nowrap">{minutesWords(next?.minutes ?? check.minutes)}</p>
      </div>
      {opens.length > 0 && (
        <p className="mt-1 text-lg">
          First off: <strong>{opens.map((p) => partOf(p).name.toLowerCase()).join(', ')}</strong>
        </p>
      )}
      {check.caution && (
        <p className="mt-3 flex items-center gap-2 text-lg font-semibold text-ochre">
          <TriangleAlert className="shrink-0" aria-hidden /> {check.caution}
        </p>
      )}
      <p className="mt-3 max-w-[58ch] text-xl leading-snug">{check.how}</p>
      {next && <Why next={next} />}
      <div className="mt-5">
        {check.reading && (
          <ReadingForm
            check={check}
            machine={machine}
            sureness={sureness}
            onLog={(reading) => record({ reading })}
          />
        )}
        <div className="flex flex-wrap gap-3" role="group" aria-label="Result">
          {check.results.map((result, i) => (
            <button
              key={result.id}
              type="button"
              data-result={i + 1}
              onClick={() => record({ result: result.id })}
              className="min-h-16 min-w-32 rounded-md border-2 border-ink bg-card px-5 py-2 text-xl font-semibold hover:bg-ink hover:text-paper"
            >
              {result.label}
            </button>
          ))}
        </div>
        <div className="mt-4">
          <SurenessPick value={sureness} onChange={setSureness} />
        </div>
      </div>
    </section>
  );
}
