import { HardDrive } from 'lucide-react';
import type { ReactElement } from 'react';
import { useAppSelector } from '../app/store';

/** What this device cannot keep, or soon not, across the page: nobody walks off without having read it. Nothing where all is well. */
export function Trouble(): ReactElement | null {
  const { unsent, checkIns, offline, trouble, tight } = useAppSelector((s) => s.outbox);
  const waiting = unsent.length + checkIns.length;
  const says = trouble
    ? `${trouble} ${
        waiting > 0
          ? `${waiting} not sent yet, lost if this page closes: leave it open.`
          : 'Notes go straight to the server.'
      }`
    : tight
      ? `This device is nearly full: make room${offline ? ', or what is noted next may not be kept.' : ' before the server is ever away.'}`
      : null;
  if (says === null) return null;
  return (
    <p
      role="status"
      className="flex items-center gap-3 border-b-2 border-rust px-3 py-2 text-lg font-semibold text-rust sm:px-5 print:hidden"
    >
      <HardDrive size={24} className="shrink-0" aria-hidden /> {says}
    </p>
  );
}
