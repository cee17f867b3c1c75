import { TooLong } from '../ui/TooLong';
import { CAUSES, type CauseId } from '@rusty-wren/core/knowledge';
import { useState, type ReactElement } from 'react';
import type { JobAtBench } from '../job/useJob';
import type { Log } from '../job/useLog';
import { Button, type ButtonLook } from '../ui/Button';
import { useFinder } from '../ui/useFinder';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';
import { percent, tooLong } from '../ui/words';
import { Reasons } from './Reasons';
import { useTradeWords } from '../job/tradeWords';

const LISTED = CAUSES.map(({ id, name, remedy }, at) => ({ id, name, remedy, at }));
const KEYS = ['name', 'remedy', 'id'];

const MOST = 200;

/** "Why not the coil?": any cause of the list, however faint, with what speaks for and against it, to be settled on; or one in own words. */
export function OtherCause({
  atBench,
  log,
  look = 'quiet',
  onEntry,
}: {
  atBench: JobAtBench;
  log: Log;
  look?: ButtonLook;
  onEntry?: (ref: string) => void;
}): ReactElement {
  const { causeOf } = useTradeWords();
  const [open, setOpen] = useState(false);
  const [cause, setCause] = useState<CauseId | null>(null);
  const [written, setWritten] = useState('');
  const { causes } = atBench.diagnosis;
  const found = useFinder(LISTED, KEYS, written);
  const listed = written.trim()
    ? found
    : LISTED.toSorted((x, y) => (causes[y.at] ?? 0) - (causes[x.at] ?? 0));
  const close = (): void => {
    setOpen(false);
    setCause(null);
    setWritten('');
  };
  return (
    <>
      <Button
        look={look}
        className={look === 'quiet' ? 'mt-1 !px-0' : 'mt-5 min-h-14 px-6 text-lg'}
        onClick={() => setOpen(true)}
      >
        {look === 'quiet' ? 'Why not something else?' : 'Settle on a cause'}
      </Button>
      <Sheet
        title={cause ? `Why not: ${causeOf(cause).name}` : 'Why not…'}
        open={open}
        onOpenChange={(next) => !next && close()}
      >
        {cause ? (
          <>
            <Reasons
              cause={cause}
              atBench={atBench}
              onEntry={
                onEntry &&
                ((ref) => {
                  close();
                  onEntry(ref);
                })
              }
            />
            <div className="mt-4 flex gap-3">
              <Button
                onClick={() => {
                  log('verdict', { settles: cause });
                  close();
                }}
              >
                Settle on this
              </Button>
              <Button look="quiet" onClick={() => setCause(null)}>
                Another
              </Button>
            </div>
          </>
        ) : (
          <>
            <input
              aria-label="Which cause"
              value={written}
              onChange={(e) => setWritten(e.target.value)}
              placeholder="coil, seal, filter"
              className="min-h-12 w-full rounded-md border-2 border-line bg-card px-3 text-lg"
            />
            <TooLong text={written} most={MOST} />
            <ul className="mt-2">
              {listed.map(({ id, name, at }) => (
                <li key={id}>
                  <RowButton
                    onClick={() => setCause(id)}
                    aside={
                      <span className="text-soft">
                        {(causes[at] ?? 0) >= 0.01 ? percent(causes[at] ?? 0) : ''}
                      </span>
                    }
                  >
                    <strong className="font-semibold">{name}</strong>
                  </RowButton>
                </li>
              ))}
            </ul>
            {listed.length === 0 && <p className="py-3 text-lg text-soft">No cause of that name.</p>}
            {written.trim().length > 2 && !tooLong(written.trim(), MOST) && (
              <Button
                className="mt-4"
                onClick={() => {
                  log('verdict', { other: written.trim() });
                  close();
                }}
              >
                It is something else: “{written.trim()}”
              </Button>
            )}
          </>
        )}
      </Sheet>
    </>
  );
}
