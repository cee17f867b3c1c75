import type { Setting } from '@rusty-wren/contract';
import { format } from 'date-fns';
import { ChevronRight } from 'lucide-react';
import { useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useAccountsQuery, useDayQuery, useShopQuery, useSpecsQuery } from '../api/api';
import { useAppSelector } from '../app/store';
import { OwnOrder } from '../bench/ways/OwnOrder';
import { useWays } from '../bench/ways/useWays';
import { HoursSheet } from '../day/HoursSheet';
import { isLead, noterOf } from '../hands/hands';
import { useLearntQuery } from '../learning/learningApi';
import { jobsIn } from '../learning/words';
import { useMoney } from '../ui/money';
import { Sheet } from '../ui/Sheet';
import { useLastChangesQuery } from './settingsApi';

/** What everybody here goes by: each with what it says now and who changed it last, and the way to where it is set. */
export function ShopWide(): ReactElement {
  const lead = useAppSelector(isLead);
  const me = useAppSelector(noterOf);
  const { data: shop } = useShopQuery();
  const { data: cards } = useSpecsQuery();
  const { data: day } = useDayQuery();
  const { data: accounts } = useAccountsQuery();
  const { own } = useWays();
  const { data: learnt } = useLearntQuery();
  const money = useMoney();
  const [open, setOpen] = useState<'order' | 'hours' | null>(null);
  const close = (): void => setOpen(null);
  return (
    <section aria-label="The shop">
      <h2 className="text-3xl font-bold">The shop</h2>
      <ul className="mt-3 divide-y divide-line border-y border-line">
        <Place
          to="/shop"
          name="Rules and prices"
          of={['rules', 'prices']}
          says={
            shop &&
            `${money.said(shop.rules.ratePerHour)} an hour, asked first under ${shop.rules.floorPsi} psi, ${several(shop.book.length, 'price of our own', 'prices of our own')}`
          }
        />
        <Place
          to="/specs"
          name="Spec cards"
          of={['specs']}
          says={cards && several(cards.length, 'card', 'cards')}
        />
        <Place
          onOpen={() => setOpen('order')}
          name="Our own order"
          of={['own-order']}
          says={own.length > 0 ? several(own.length, 'check', 'checks') : 'none made'}
        />
        <Place
          onOpen={() => setOpen('hours')}
          name="Hours, bath, spots outdoors"
          of={['hours', 'rooms']}
          says={day && `bath ${day.rooms.bath}, outdoors ${day.rooms.outdoors}`}
        />
        <Place
          to="/learnt"
          name="What closed jobs taught"
          of={['learning']}
          says={
            learnt &&
            `${several(jobsIn(learnt.learnt.shop.counts), 'job', 'jobs')}, ${learnt.counts ? 'beside the trade’s odds' : 'not counted'}`
          }
        />
        {lead && (
          <Place to="/people" name="People and devices" of={[]} says="and all that was changed, by whom" />
        )}
      </ul>
      <Sheet title="Our own order" open={open === 'order'} onOpenChange={close}>
        <OwnOrder own={own} onDone={close} />
      </Sheet>
      {open === 'hours' && day && accounts && (
        <HoursSheet day={day} accounts={accounts} me={me} onClose={close} />
      )}
    </section>
  );
}

const several = (n: number, one: string, more: string): string =>
  `${n === 0 ? 'no' : n} ${n === 1 ? one : more}`;

function Place({
  name,
  says,
  of,
  to,
  onOpen,
}: {
  name: string;
  says: string | undefined;
  /** Whose last change is named. */
  of: readonly Setting[];
} & ({ to: string; onOpen?: never } | { onOpen: () => void; to?: never })): ReactElement {
  const { data: changes } = useLastChangesQuery();
  const last = of
    .flatMap((setting) => changes?.[setting] ?? [])
    .toSorted((x, y) => y.at.localeCompare(x.at))[0];
  const words = (
    <>
      <span className="min-w-0">
        <span className="block text-xl font-semibold">{name}</span>
        {says && <span className="block text-lg">{says}</span>}
        {last && (
          <span className="block text-soft">
            {last.who ?? 'Somebody'}, {format(last.at, 'd MMM yyyy, HH:mm')}
          </span>
        )}
      </span>
      <ChevronRight className="shrink-0 text-soft" aria-hidden />
    </>
  );
  const look = 'flex min-h-14 w-full items-center justify-between gap-4 py-3 text-left hover:bg-line';
  return (
    <li>
      {to ? (
        <Link to={to} className={look}>
          {words}
        </Link>
      ) : (
        <button type="button" onClick={onOpen} className={look}>
          {words}
        </button>
      )}
    </li>
  );
}
