import { CircleAlert, CloudOff, Clock } from 'lucide-react';
import { lazy, Suspense, useState, type ReactElement, type ReactNode } from 'react';
import { useAppSelector } from '../app/store';
import { Sheet } from '../ui/Sheet';
import { offWords, TOLD_FROM_MS } from './clock';

/** Seldom anything is not taken. */
const NotTaken = lazy(async () => ({ default: (await import('./NotTaken')).NotTaken }));

/** How it stands with what was noted: what is only here, what was not taken, and what is wrong with this device. */
export function Standing(): ReactElement {
  const { unsent, checkIns, refused, offline, held, trouble } = useAppSelector((s) => s.outbox);
  const { offMs } = useAppSelector((s) => s.clock);
  const [open, setOpen] = useState(false);
  // In trouble nothing that it says to have is counted on.
  const safe =
    trouble === null ? checkIns.filter((k) => !k.loose).length + unsent.filter((u) => u.safe).length : 0;
  return (
    <>
      {Math.abs(offMs) >= TOLD_FROM_MS && (
        <Line icon={<Clock size={20} className="shrink-0" aria-hidden />}>
          This device’s clock is {offWords(offMs)}. Notes carry the server’s time; set the clock.
        </Line>
      )}
      {refused.length > 0 && (
        <button
          type="button"
          onClick={() => setOpen(true)}
          className="flex min-h-11 items-center gap-2 font-semibold text-rust underline underline-offset-4"
        >
          <CircleAlert size={20} className="shrink-0" aria-hidden />
          <span>
            {refused.length}
            <span className="max-sm:sr-only"> not taken</span>
          </span>
        </button>
      )}
      {(offline || (held && safe > 0)) && (
        <Line icon={<CloudOff size={20} className="shrink-0" aria-hidden />}>
          {safe > 0 ? `${safe} kept here, not sent yet` : 'No server: working from what is here'}
        </Line>
      )}
      <Sheet title="Not taken" open={open && refused.length > 0} onOpenChange={setOpen}>
        <Suspense>
          <NotTaken />
        </Suspense>
      </Sheet>
    </>
  );
}

const Line = ({ icon, children }: { icon: ReactElement; children: ReactNode }): ReactElement => (
  <p role="status" className="flex items-center gap-2 font-semibold text-ochre">
    {icon} <span className="max-sm:sr-only">{children}</span>
  </p>
);
