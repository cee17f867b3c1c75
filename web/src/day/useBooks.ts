import { useAccountsQuery, useDayQuery, useDrawerQuery, useRackQuery } from '../api/api';
import type { Books } from './work';

/** What the day is planned from, once all of it is here; else what failed, and how to try again. */
export function useBooks(): { books: Books | null; failed: unknown; retry: () => void } {
  const rack = useRackQuery();
  const drawer = useDrawerQuery(null);
  const day = useDayQuery();
  const accounts = useAccountsQuery();
  const all = [rack, drawer, day, accounts];
  const books =
    rack.data && drawer.data && day.data && accounts.data
      ? {
          tags: rack.data,
          drawer: drawer.data,
          day: day.data,
          accounts: accounts.data,
        }
      : null;
  return {
    books,
    failed: all.find((q) => q.isError)?.error,
    retry: () => all.forEach((q) => void q.refetch()),
  };
}
