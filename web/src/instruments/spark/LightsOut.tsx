import type { Sureness } from '@rusty-wren/core/knowledge';
import { Dialog } from 'radix-ui';
import { useEffect, useState, type ReactElement } from 'react';

/** What a row of pulls in the dark comes to. */
export function sparkSeen(pulls: readonly boolean[]): 'none' | 'intermittent' | 'seen' {
  const seen = pulls.filter(Boolean).length;
  if (seen === 0) return 'none';
  return seen === pulls.length ? 'seen' : 'intermittent';
}

const HUGE = 'grid w-full flex-1 place-items-center rounded-xl border-4 text-6xl font-bold sm:text-8xl';
const ANSWER = 'min-h-20 flex-1 rounded-lg border-4 border-neutral-500 px-4 text-3xl font-bold';
const SURENESS: readonly [Sureness, string][] = [
  ['sure', 'Sure'],
  ['fair', 'Fairly'],
  ['doubtful', 'Doubtful'],
];

/**
 * The screen gone black, so that a faint spark can be seen: one huge answer a pull, as many pulls as wanted, then how
 * it looked and how sure. Keys: space for a spark, n for nothing, Enter when done.
 */
export function LightsOut({
  open,
  onClose,
  onResult,
}: {
  open: boolean;
  onClose: () => void;
  onResult: (result: 'strong' | 'weak' | 'intermittent' | 'none', sureness: Sureness) => void;
}): ReactElement {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed inset-0 z-50 flex flex-col gap-4 bg-black p-4 text-neutral-400 sm:p-6"
        >
          <Dialog.Title className="sr-only">Lights out</Dialog.Title>
          <InTheDark onClose={onClose} onResult={onResult} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function InTheDark({
  onClose,
  onResult,
}: Pick<Parameters<typeof LightsOut>[0], 'onClose' | 'onResult'>): ReactElement {
  const [pulls, setPulls] = useState<readonly boolean[]>([]);
  const [done, setDone] = useState(false);
  const [looked, setLooked] = useState<'strong' | 'weak' | null>(null);
  const seen = sparkSeen(pulls);
  const finished = done && pulls.length > 0;
  const result = seen === 'seen' ? looked : seen;
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      if (finished) return;
      if (event.key === ' ') setPulls((p) => [...p, true]);
      else if (event.key === 'n') setPulls((p) => [...p, false]);
      else if (event.key === 'Enter') setDone(true);
      else return;
      event.preventDefault();
    };
    addEventListener('keydown', onKey);
    return () => removeEventListener('keydown', onKey);
  }, [finished]);

  if (!finished)
    return (
      <>
        <button
          type="button"
          className={`${HUGE} border-neutral-500`}
          onClick={() => setPulls([...pulls, true])}
        >
          Spark
        </button>
        <button
          type="button"
          className={`${HUGE} border-neutral-700`}
          onClick={() => setPulls([...pulls, false])}
        >
          Nothing
        </button>
        <div className="flex flex-wrap items-center gap-x-4 text-2xl">
          <output aria-label="Pulls" className="min-w-full sm:min-w-0 sm:flex-1">
            {pulls.length === 0
              ? 'Pull, and say what you saw'
              : `${pulls.filter(Boolean).length} of ${pulls.length} pulls`}
          </output>
          {pulls.length > 0 && (
            <>
              <button type="button" className="min-h-14 px-3" onClick={() => setPulls(pulls.slice(0, -1))}>
                Take back
              </button>
              <button
                type="button"
                className="min-h-14 rounded-lg border-4 border-neutral-500 px-6 font-bold"
                onClick={() => setDone(true)}
              >
                Done
              </button>
            </>
          )}
          <button type="button" className="min-h-14 px-3" onClick={onClose}>
            Lights on
          </button>
        </div>
      </>
    );
  return (
    <div className="flex flex-1 flex-col justify-center gap-8">
      {seen === 'seen' && looked === null ? (
        <>
          <p className="text-4xl font-bold">A spark at every pull. How was it?</p>
          <div className="flex gap-4">
            <button type="button" className={ANSWER} onClick={() => setLooked('strong')}>
              Strong
            </button>
            <button type="button" className={ANSWER} onClick={() => setLooked('weak')}>
              Weak
            </button>
          </div>
        </>
      ) : (
        <>
          <p className="text-4xl font-bold">
            {seen === 'none'
              ? 'No spark'
              : seen === 'intermittent'
                ? 'Some pulls, not all'
                : `A ${looked} spark`}
            . How sure?
          </p>
          <div className="flex flex-wrap gap-4">
            {SURENESS.map(([id, word]) => (
              <button
                key={id}
                type="button"
                className={ANSWER}
                onClick={() => result && onResult(result, id)}
              >
                {word}
              </button>
            ))}
          </div>
        </>
      )}
      <button
        type="button"
        className="min-h-14 self-start text-2xl"
        onClick={() => {
          setDone(false);
          setLooked(null);
        }}
      >
        More pulls
      </button>
    </div>
  );
}
