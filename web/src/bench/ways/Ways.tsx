import { type Case } from '@rusty-wren/core/diagnosis';
import { Check, ListOrdered, Route } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { wayChosen } from '../../app/settings';
import { useAppDispatch } from '../../app/store';
import { inSentence } from '../../ui/words';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { Working } from '../../ui/Working';
import { OwnOrder } from './OwnOrder';
import { useForecasts } from './useForecasts';
import { useWays } from './useWays';

/** Who says what comes next, and what each way would take on this machine from here. */
export function Ways({ c }: { c: Case }): ReactElement {
  const dispatch = useAppDispatch();
  const { ways, own, chosen } = useWays();
  const [open, setOpen] = useState(false);
  const [ordering, setOrdering] = useState(false);
  const { of, done, working, stop } = useForecasts(c, ways, open && !ordering);
  const most = Math.max(1, ...[...of.values()].map((f) => f.mean));
  const close = (): void => {
    setOpen(false);
    setOrdering(false);
  };
  return (
    <>
      <button
        type="button"
        onClick={() => setOpen(true)}
        className="-ml-2 inline-flex min-h-11 items-center gap-2 rounded-md px-2 font-semibold text-soft hover:bg-line hover:text-ink"
      >
        <Route size={19} aria-hidden /> Follows: {inSentence(chosen.name)}
      </button>
      <Sheet
        title={ordering ? 'Our own order' : 'How to go on from here'}
        open={open}
        onOpenChange={(next) => !next && close()}
      >
        {ordering ? (
          <OwnOrder own={own} onDone={() => setOrdering(false)} />
        ) : (
          <>
            <p className="text-lg">Bench minutes to the right repair, on this machine, from now.</p>
            <ul className="mt-3">
              {ways.map(({ id, name }) => {
                const forecast = of.get(id);
                return (
                  <li key={id}>
                    <button
                      type="button"
                      aria-pressed={id === chosen.id}
                      onClick={() => {
                        dispatch(wayChosen(id));
                        close();
                      }}
                      className="block min-h-16 w-full rounded-md px-2 py-2 text-left hover:bg-line"
                    >
                      <span className="flex items-baseline justify-between gap-4 text-xl">
                        <span className="flex items-center gap-2 font-semibold">
                          {name}
                          {id === chosen.id && <Check size={20} aria-label="in use" />}
                        </span>
                        <span className="shrink-0">
                          {forecast ? (
                            <>
                              <strong className="text-2xl">{Math.round(forecast.mean)} min</strong>
                              <span className="text-soft">, 9 in 10 within {Math.round(forecast.p90)}</span>
                            </>
                          ) : (
                            <span className="text-soft">…</span>
                          )}
                        </span>
                      </span>
                      <span className="mt-1 block h-2 bg-line">
                        <span
                          className={`block h-full ${id === 'computed' ? 'bg-moss' : 'bg-steel'}`}
                          style={{ width: `${((forecast?.mean ?? 0) / most) * 100}%` }}
                        />
                      </span>
                    </button>
                  </li>
                );
              })}
            </ul>
            <div className="mt-3 flex min-h-11 flex-wrap items-center justify-between gap-3">
              <Button onClick={() => setOrdering(true)}>
                <ListOrdered size={19} aria-hidden />{' '}
                {own.length > 0 ? 'Change our order' : 'Make our own order'}
              </Button>
              {working && <Working what="Playing it through" share={done} onStop={stop} />}
            </div>
          </>
        )}
      </Sheet>
    </>
  );
}
