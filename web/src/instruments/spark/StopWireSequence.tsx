import type { Sureness } from '@rusty-wren/core/knowledge';
import { followStopWire, type StopWireOutcome } from '@rusty-wren/core/spark';
import { useState, type ReactElement } from 'react';
import { Button } from '../../ui/Button';
import { LightsOutStep } from './LightsOutStep';

const ANSWER =
  'min-h-20 min-w-40 flex-1 rounded-md border-2 border-ink bg-card text-3xl font-bold hover:bg-ink hover:text-paper';

/** How sure the whole is: as sure as its least sure answer. */
const ORDER: readonly Sureness[] = ['sure', 'fair', 'doubtful'];
const leastSure = (all: readonly Sureness[]): Sureness =>
  ORDER[Math.max(0, ...all.map((s) => ORDER.indexOf(s)))]!;

/** The stop wire, the switch and the coil told apart step by step: one thing to set up, a spark or none, what it settles. */
export function StopWireSequence({
  onStart,
  onLog,
}: {
  onStart: () => void;
  onLog: (findings: StopWireOutcome['findings'], sureness: Sureness) => void;
}): ReactElement {
  const [answers, setAnswers] = useState<readonly { spark: boolean; sureness: Sureness }[]>([]);
  const at = followStopWire(answers.map((a) => a.spark));
  const answer = (spark: boolean, sureness: Sureness = 'sure'): void => {
    onStart();
    setAnswers([...answers, { spark, sureness }]);
  };
  return (
    <section aria-label="Stop wire, step by step" className="mb-5">
      <ol aria-label="Seen so far" className="text-lg text-soft">
        {answers.map(({ spark }, i) => {
          const step = followStopWire(answers.slice(0, i).map((a) => a.spark));
          return (
            <li key={i}>
              {'does' in step && step.does}{' '}
              <strong className="text-ink">{spark ? 'Spark' : 'Nothing'}</strong>
            </li>
          );
        })}
      </ol>
      <div aria-live="polite">
        {'does' in at ? (
          <p className="mt-2 max-w-[40ch] text-2xl leading-snug font-semibold">
            {answers.length + 1}. {at.does}
          </p>
        ) : (
          <>
            <p className="mt-2 text-3xl font-bold text-rust">{at.says}</p>
            <p className="max-w-[50ch] text-xl">{at.then}</p>
          </>
        )}
      </div>
      {'does' in at ? (
        <>
          <div className="mt-3 mb-3 flex flex-wrap gap-3">
            <button type="button" className={ANSWER} onClick={() => answer(true)}>
              Spark
            </button>
            <button type="button" className={ANSWER} onClick={() => answer(false)}>
              Nothing
            </button>
          </div>
          <LightsOutStep onResult={(result, sureness) => answer(result !== 'none', sureness)} />
        </>
      ) : (
        <Button
          look="rust"
          className="mt-3 min-h-14 px-6 text-lg"
          onClick={() => onLog(at.findings, leastSure(answers.map((a) => a.sureness)))}
        >
          Log it
        </Button>
      )}
      {answers.length > 0 && (
        <Button look="quiet" onClick={() => setAnswers(answers.slice(0, -1))}>
          Take back
        </Button>
      )}
    </section>
  );
}
