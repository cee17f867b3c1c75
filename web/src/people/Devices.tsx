import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { Button } from '../ui/Button';
import { useDevicesQuery, useEndDeviceMutation } from './peopleApi';

/** Devices that are signed in, and the way to sign one out that was lost. */
export function Devices(): ReactElement {
  const { data: devices = [] } = useDevicesQuery();
  const [end] = useEndDeviceMutation();
  return (
    <section aria-label="Devices">
      <h2 className="text-2xl font-bold">Signed in</h2>
      <ul className="mt-3 divide-y divide-line border-y border-line">
        {devices.map(({ id, name, device, address, seenAt, locked, here }) => (
          <li key={id} className="flex flex-wrap items-center gap-x-3 py-2">
            <div className="min-w-48 flex-1">
              <p className="text-lg font-semibold">
                {name}
                {locked && ', locked'}
              </p>
              <p className="text-soft">
                {device}, {address}, {format(seenAt, 'd MMM HH:mm')}
              </p>
            </div>
            {here ? (
              <span className="text-soft">this one</span>
            ) : (
              <Button onClick={() => void end(id)}>Sign it out</Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
