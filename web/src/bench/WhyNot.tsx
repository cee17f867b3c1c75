import { CAUSES, causeOf, type CauseId } from '@rusty-wren/core/knowledge';
import { useState, type ReactElement } from 'react';
import { percent } from '../rack/words';
import { Button } from '../ui/Button';
import { RowButton } from '../ui/RowButton';
import { Sheet } from '../ui/Sheet';
import { Reasons } from './Reasons';
import type { JobAtBench } from './useJob';

/** "Why not the coil?": any cause of the list, however faint, with what speaks for and against it. */
export function WhyNot({
  atBench,
  onEntry,
}: {
  atBench: JobAtBench;
  onEntry: (ref: string) => void;
}): ReactElement {
  const [open, setOpen] = useState(false);
  const [cause, setCause] = useState<CauseId | null>(null);
  const [written, setWritten] = useState('');
  const { causes } = atBench.diagnosis;
  const wanted = written.trim().toLowerCase();
  const listed = CAUSES.map(({ id, name }, i) => ({ id, name, p: causes[i] ?? 0 }))
    .filter(({ name }) => name.toLowerCase().includes(wanted))
    .sort((x, y) => y.p - x.p);
  const close = (): void => {
    setOpen(false);
    setCause(null);
    setWritten('');
  };
  return (
    <>
      <Button look="quiet" className="mt-1 !px-0" onClick={() => setOpen(true)}>
        Why not something else?
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
              onEntry={(ref) => {
                close();
                onEntry(ref);
              }}
            />
            <Button className="mt-4" onClick={() => setCause(null)}>
              Another
            </Button>
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
            <ul className="mt-2">
              {listed.map(({ id, name, p }) => (
                <li key={id}>
                  <RowButton
                    onClick={() => setCause(id)}
                    aside={<span className="text-soft">{p >= 0.01 ? percent(p) : ''}</span>}
                  >
                    <strong className="font-semibold">{name}</strong>
                  </RowButton>
                </li>
              ))}
              {listed.length === 0 && <li className="py-3 text-lg text-soft">No cause of that name.</li>}
            </ul>
          </>
        )}
      </Sheet>
    </>
  );
}
