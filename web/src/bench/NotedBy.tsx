import type { Entry } from '@rusty-wren/core/log';
import { format } from 'date-fns';
import type { ReactElement } from 'react';
import { useAccountsQuery } from '../api/api';

/** When an entry was noted and by whom, and who sent it where that was somebody else: "Idris Pell, 4 May, 10:12". */
export function NotedBy({ entry }: { entry: Entry }): ReactElement {
  const { data: accounts = [] } = useAccountsQuery();
  const nameOf = (id: string | undefined): string | undefined => accounts.find((a) => a.id === id)?.name;
  const words = [
    nameOf(entry.by),
    format(entry.notedAt, 'd MMM, HH:mm'),
    entry.sentBy && `sent by ${nameOf(entry.sentBy) ?? 'somebody else'}`,
  ];
  return <p className="w-full text-soft">{words.filter(Boolean).join(', ')}</p>;
}
