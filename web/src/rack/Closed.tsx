import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf } from '@rusty-wren/core/knowledge';
import { nameOfMend } from '@rusty-wren/core/log';
import { format } from 'date-fns';
import { useMemo, useState, type ReactElement } from 'react';
import { Link } from 'react-router';
import { problemWords, useClosedInfiniteQuery } from '../api/api';
import { DataTable, type Column } from '../ui/DataTable';
import { Blank, Loading, NotFetched } from '../ui/State';
import { useSettled } from '../ui/useSettled';

/** A closed job as a row of the table. */
interface Row {
  id: string;
  tag: number;
  machine: string;
  owner: string;
  does: string;
  mended: string;
  came: string;
  closed: string;
}

const rowOf = ({ job, complaints, mended, stageSince }: RackTag): Row => ({
  id: job.id,
  tag: job.tag,
  machine: `${job.machine.maker} ${job.machine.model}`,
  owner: job.customer.name,
  does: complaints.map((c) => behaviourOf(c).label).join(', '),
  mended: mended.map((m) => nameOfMend(m, job.machine.kind)).join(', ') || '–',
  came: job.checkedInAt,
  closed: stageSince ?? job.checkedInAt,
});

const day = (iso: string): string => format(iso, 'd MMM yyyy');

const COLUMNS: readonly Column<Row>[] = [
  {
    id: 'tag',
    name: 'Tag',
    className: 'w-16',
    show: (r) => <strong className="font-tag text-xl">{r.tag}</strong>,
  },
  {
    id: 'machine',
    name: 'Machine',
    className: 'w-auto',
    show: (r) => (
      <Link to={`/job/${r.id}`} className="font-semibold underline-offset-4 hover:underline">
        {r.machine}
      </Link>
    ),
  },
  { id: 'owner', name: 'Owner', className: 'w-auto' },
  { id: 'does', name: 'Complaint', className: 'w-auto', wide: true },
  { id: 'mended', name: 'Mended', className: 'w-auto', wide: true },
  { id: 'came', name: 'Came', className: 'w-32', show: (r) => day(r.came), wide: true },
  { id: 'closed', name: 'Closed', className: 'w-32', show: (r) => day(r.closed) },
];
const NONE: readonly RackTag[] = [];

/** Closed jobs, latest first: when each came, what was mended, when it went; fetched as one goes on, found by the server. */
export function Closed(): ReactElement {
  const [written, setWritten] = useState('');
  const asked = useSettled(written.trim());
  const { data, isLoading, isFetching, error, refetch, hasNextPage, fetchNextPage } =
    useClosedInfiniteQuery(asked);
  const rows = useMemo(() => (data?.pages.flatMap((p) => p.tags) ?? NONE).map(rowOf), [data]);
  if (isLoading && !asked) return <Loading what="Fetching the closed jobs…" />;
  if (!data && !isFetching) return <NotFetched why={problemWords(error)} onRetry={() => void refetch()} />;
  return (
    <div className="flex flex-1 flex-col px-3 py-4 sm:px-5">
      <div className="mb-3 flex flex-wrap items-center gap-x-6 gap-y-2">
        <h1 className="text-3xl font-bold">Closed jobs</h1>
        <input
          aria-label="Find a closed job"
          value={written}
          onChange={(e) => setWritten(e.target.value)}
          placeholder="tag, owner, model, cause"
          maxLength={120}
          className="min-h-11 w-64 rounded-md border-2 border-line bg-card px-3 text-lg"
        />
        <Link
          to="/"
          className="ml-auto flex min-h-11 items-center font-semibold text-soft underline underline-offset-4 hover:text-ink"
        >
          Back to the rack
        </Link>
      </div>
      {rows.length === 0 && !asked ? (
        <Blank title="Nothing closed yet" />
      ) : (
        <DataTable
          label="Closed jobs"
          columns={COLUMNS}
          rows={rows}
          idOf={(r) => r.id}
          empty={isFetching ? 'Looking…' : `No closed job for “${asked}”.`}
          whole={!hasNextPage}
          onEnd={() => {
            if (hasNextPage && !isFetching) void fetchNextPage();
          }}
        />
      )}
    </div>
  );
}
