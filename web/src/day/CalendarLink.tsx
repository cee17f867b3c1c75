import { useState, type ReactElement } from 'react';
import { useCloseCalendarMutation, useOpenCalendarMutation } from '../api/api';
import { Button } from '../ui/Button';
import { toldRefused } from '../ui/refused';

/** A technician's day for their own calendar: an address to subscribe to, told once; a new one ends the old. */
export function CalendarLink({ account }: { account: string }): ReactElement {
  const [open] = useOpenCalendarMutation();
  const [close] = useCloseCalendarMutation();
  const [address, setAddress] = useState<string | null>(null);
  return (
    <section aria-label="Calendar" className="mt-6 border-t-2 border-line pt-4">
      <h3 className="text-lg font-semibold">In a calendar</h3>
      {address && (
        <p className="mt-1">
          <a href={address} className="font-semibold break-all underline underline-offset-4">
            {address}
          </a>
          <span className="block text-soft">
            Whoever has this address sees the day. It is not shown again.
          </span>
        </p>
      )}
      <div className="mt-2 flex flex-wrap gap-3">
        <Button
          onClick={() =>
            void open(account).then((answer) => {
              if (!toldRefused(answer) && answer.data)
                setAddress(`${window.location.origin}/calendar/${answer.data.token}.ics`);
            })
          }
        >
          A new address
        </Button>
        <Button
          look="quiet"
          onClick={() => void close(account).then((answer) => toldRefused(answer) || setAddress(null))}
        >
          Take it back
        </Button>
      </div>
    </section>
  );
}
