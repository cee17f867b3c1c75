import { CircleAlert, CloudOff, Clock, HardDrive } from 'lucide-react';
import { lazy, Suspense, useState, type ReactElement, type ReactNode } from 'react';
import { useAppSelector } from '../app/store';
import { Sheet } from '../ui/Sheet';
import { offWords, TOLD_FROM_MS } from './clock';

/** Seldom anything is not taken. */
const NotTaken = lazy(async () => ({ default: (await import('./NotTaken')).NotTaken }));

/** How it stands with what was noted: what is only here, what was not taken, and what is wrong with this device. */
export function Standing(): ReactElement {
  const { unsent, checkIns, refused, offline, held, trouble, tight } = useAppSelector((s) => s.outbox);
  const { offMs } = useAppSelector((s) => s.clock);
  const [open, setOpen] = useState(false);
  const waiting = unsent.length + checkIns.length;
  // In trouble nothing that it says to have is counted on.
  const safe =
    trouble === null ? checkIns.filter((k) => !k.loose).length + unsent.filter((u) => u.safe).length : 0;
  return (
    <>
      {trouble && (
        <Line icon={<HardDrive size={20} className="shrink-0" aria-hidden />} danger>
          {trouble}{' '}
          {waiting > 0
            ? `${waiting} not sent yet, lost if this page closes: leave it open.`
            : 'Notes go straight to the server.'}
        </Line>
      )}
      {tight && !trouble && (
        <Line icon={<HardDrive size={20} className="shrink-0" aria-hidden />} danger>
          This device is nearly full: make room
          {offline ? ', or what is noted next may not be kept.' : ' before the server is ever away.'}
        </Line>
      )}
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

const Line = ({
  icon,
  danger = false,
  children,
}: {
  icon: ReactElement;
  danger?: boolean;
  children: ReactNode;
}): ReactElement => (
  <p role="status" className={`flex items-center gap-2 font-semibold ${danger ? 'text-rust' : 'text-ochre'}`}>
    {icon} <span className={danger ? '' : 'max-sm:sr-only'}>{children}</span>
  </p>
);
