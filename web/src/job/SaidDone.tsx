import type { SaidDone as Said } from '@rusty-wren/core/knowledge';
import { saidDoneWords, type Picture } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { SaidDonePick } from '../checkin/SaidDonePick';
import { Button } from '../ui/Button';
import { useMay, type Log } from './useLog';

/** What is said to have been done to it before, told later than at check-in as well; taken back by one tap. */
export function SaidDone({
  picture: { machine, saidDone },
  log,
}: {
  picture: Pick<Picture, 'machine' | 'saidDone'>;
  log: Log;
}): ReactElement {
  const may = useMay()('said-done');
  const [adding, setAdding] = useState<Said[] | null>(null);
  const note = (): void => {
    for (const said of adding ?? []) log('said-done', said);
    setAdding(null);
  };
  return (
    <section aria-label="Said to be done before" className="mt-4">
      {(saidDone.length > 0 || adding) && <h3 className="text-lg font-bold">Said to be done before</h3>}
      <ul className="text-xl leading-relaxed">
        {saidDone.map(({ id, body }) => (
          <li key={id} className="flex flex-wrap items-center justify-between gap-x-3">
            <span className="first-letter:uppercase">{saidDoneWords(body)}</span>
            {may && (
              <Button
                look="quiet"
                onClick={() => log('strike', { reason: 'Was not done' }, id)}
                aria-label={`Not done: ${saidDoneWords(body)}`}
              >
                Not done
              </Button>
            )}
          </li>
        ))}
      </ul>
      {may && !adding && (
        <Button className="mt-1" onClick={() => setAdding([])}>
          Somebody worked on it before
        </Button>
      )}
      {adding && (
        <div className="mt-2 grid gap-3">
          <SaidDonePick value={adding} onChange={setAdding} on={machine.kind} />
          <div className="flex gap-2">
            <Button look="rust" disabled={adding.length === 0} onClick={note}>
              Note it
            </Button>
            <Button look="quiet" onClick={() => setAdding(null)}>
              Leave it
            </Button>
          </div>
        </div>
      )}
    </section>
  );
}
