import type { Drawer } from '@rusty-wren/contract';
import type { ReactElement } from 'react';
import { useCancelOrderMutation } from '../api/api';
import { Button } from '../ui/Button';
import { toldRefused } from '../ui/refused';
import { useBooking } from './useBooking';
import { dayWords } from '../ui/words';
import { todayIs } from './words';

/** What is on its way, the soonest first: booked in with one tap. */
export function OnTheWay({ drawer }: { drawer: Drawer }): ReactElement | null {
  const book = useBooking(drawer);
  const [cancel] = useCancelOrderMutation();
  if (drawer.orders.length === 0) return null;
  const today = todayIs();
  return (
    <section aria-label="On the way">
      <h2 className="text-2xl font-bold">On the way</h2>
      <ul className="mt-1 text-lg leading-snug">
        {drawer.orders.map((o) => {
          const name = drawer.parts.find((p) => p.id === o.part)?.name ?? 'A part';
          const tags = drawer.needs
            .filter((n) => n.state === 'ordered' && n.part === o.part)
            .map((n) => n.tag);
          const late = o.expected !== null && o.expected < today;
          return (
            <li key={o.id} className="border-b border-line py-2">
              <p>
                <strong className="tabular-nums">{o.count}</strong> {name}
                {tags.length > 0 && <strong> for {tags.join(', ')}</strong>}
              </p>
              <div className="mt-1 flex flex-wrap items-center justify-between gap-x-4">
                <span className={late ? 'font-semibold text-ochre' : 'text-soft'}>
                  {[o.source, o.expected && `${late ? 'was due' : 'due'} ${dayWords(o.expected)}`]
                    .filter(Boolean)
                    .join(', ')}
                </span>
                <span className="flex items-center gap-3">
                  <Button
                    look="quiet"
                    className="!px-1"
                    aria-label={`Take back the order: ${name}`}
                    onClick={() => void cancel(o.id).then(toldRefused)}
                  >
                    Take back
                  </Button>
                  <Button aria-label={`Book in: ${name}`} onClick={() => void book({ order: o.id })}>
                    Book in
                  </Button>
                </span>
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
