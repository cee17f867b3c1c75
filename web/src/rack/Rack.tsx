import type { RackTag } from '@rusty-wren/contract';
import { behaviourOf } from '@rusty-wren/core/knowledge';
import { Search } from 'lucide-react';
import { useMemo, useRef, useState, type KeyboardEvent, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useRackQuery } from '../api/api';
import { useKeys } from '../app/keys';
import { Button } from '../ui/Button';
import { Blank, Loading } from '../ui/State';
import { useFinder } from '../ui/useFinder';
import { useMedia } from '../ui/useMedia';
import { useMinute } from '../ui/useNow';
import { HungHere } from './HungHere';
import { Tag, TagRow } from './Tag';
import { coldStartDueNow, waits } from './words';

/** How the rack can be looked at: each with the tags it leaves. */
const FILTERS: readonly { id: string; name: string; takes: (tag: RackTag, now: string) => boolean }[] = [
  { id: 'hand', name: 'Needs a hand', takes: (t) => !waits(t) },
  { id: 'waiting', name: 'Waiting', takes: waits },
  { id: 'cold', name: 'Cold start due', takes: coldStartDueNow },
  { id: 'safety', name: 'Safety', takes: (t) => t.safety.length > 0 },
];

/** What a tag is found by. */
const asFound = (tag: RackTag) => ({
  tag,
  number: String(tag.job.tag),
  owner: tag.job.customer.name,
  machine: `${tag.job.machine.maker} ${tag.job.machine.model}`,
  serial: tag.job.machine.serial ?? '',
  does: tag.complaints.map((c) => behaviourOf(c).label),
});
const KEYS = ['number', 'owner', 'machine', 'serial', 'does'];
const NONE: readonly RackTag[] = [];

/** A steel rail with its tags hanging in rows, read like a page; on a phone a plain list. */
function Rail({
  title,
  tags,
  now,
  compact,
}: {
  title: string;
  tags: readonly RackTag[];
  now: string;
  compact: boolean;
}): ReactElement {
  return (
    <section aria-label={title} className="mb-2">
      <h2 className="px-1 text-lg font-bold">
        {title} <span className="font-normal text-soft">{tags.length}</span>
      </h2>
      <ul className={compact ? '' : 'grid grid-cols-[repeat(auto-fill,minmax(14.5rem,1fr))]'}>
        {tags.map((tag) => (
          <li key={tag.job.id} className={compact ? '' : 'border-t-[6px] border-rail px-1.5 pb-2'}>
            {compact ? <TagRow tag={tag} now={now} /> : <Tag tag={tag} now={now} />}
          </li>
        ))}
      </ul>
    </section>
  );
}

const STEP: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowLeft: -1 };

/** Every open job as a tag on a hook, most pressing first. */
export function Rack(): ReactElement {
  const { data, isLoading, isError, refetch } = useRackQuery();
  const now = useMinute();
  const compact = useMedia('(max-width: 640px)');
  const root = useRef<HTMLDivElement>(null);
  const [written, setWritten] = useState('');
  const [filter, setFilter] = useState<string | null>(null);
  const tags = data ?? NONE;
  const listed = useMemo(() => tags.map(asFound), [tags]);
  const found = useFinder(listed, KEYS, written);
  useKeys(
    useMemo(
      () => [
        {
          key: 'ArrowRight',
          does: 'along the rack (and back with ArrowLeft), Enter opens',
          run: () => root.current?.querySelector<HTMLElement>('[data-tag]')?.focus(),
        },
      ],
      [],
    ),
  );

  const walk = (event: KeyboardEvent): void => {
    const hooks = [...(root.current?.querySelectorAll<HTMLElement>('[data-tag]') ?? [])];
    const at = hooks.indexOf(document.activeElement as HTMLElement);
    const step = STEP[event.key];
    if (at < 0 || step === undefined) return;
    event.preventDefault();
    hooks[at + step]?.focus();
  };

  if (isLoading) return <Loading what="Fetching the rack…" />;
  if (isError && !data) {
    return (
      <Blank title="The bench server does not answer">
        <p>Nothing is lost. It will be tried again, or:</p>
        <Button look="rust" className="mt-5" onClick={() => void refetch()}>
          Try now
        </Button>
      </Blank>
    );
  }
  if (tags.length === 0)
    return (
      <Blank title="Every hook is empty">
        <HungHere />
        <Link to="/check-in" className="font-semibold text-rust underline underline-offset-4">
          Check a machine in
        </Link>
        <ClosedLink />
      </Blank>
    );
  const chosen = FILTERS.find((f) => f.id === filter);
  const shown = found.map((f) => f.tag).filter((t) => !chosen || chosen.takes(t, now));
  const rails = [
    ['Needs a hand', shown.filter((t) => !waits(t))],
    ['Waiting on others', shown.filter(waits)],
  ] as const;
  return (
    <div ref={root} onKeyDown={walk} className="px-3 py-2 sm:px-5">
      <h1 className="sr-only">The rack</h1>
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <label className="flex min-h-11 flex-1 items-center gap-2 rounded-md border-2 border-line bg-card px-3 focus-within:border-ink sm:max-w-72">
          <Search size={18} className="shrink-0 text-soft" aria-hidden />
          <input
            aria-label="Find a tag"
            value={written}
            onChange={(e) => setWritten(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Escape') setWritten('');
            }}
            placeholder="tag, owner, model, serial"
            className="min-w-0 flex-1 bg-transparent py-1 text-lg outline-none"
          />
        </label>
        <div
          className="-mx-3 flex overflow-x-auto px-3 sm:mx-0 sm:flex-wrap sm:gap-1 sm:px-0"
          role="group"
          aria-label="Show only"
        >
          {FILTERS.map(({ id, name, takes }) => {
            const count = tags.filter((t) => takes(t, now)).length;
            return (
              <button
                key={id}
                type="button"
                aria-pressed={filter === id}
                disabled={count === 0 && filter !== id}
                onClick={() => setFilter(filter === id ? null : id)}
                className="min-h-11 shrink-0 rounded-md px-3 font-semibold hover:bg-line disabled:opacity-50 aria-pressed:bg-ink aria-pressed:text-paper"
              >
                {name} <span className="font-normal">{count}</span>
              </button>
            );
          })}
        </div>
        {!compact && <ClosedLink />}
      </div>
      <HungHere />
      {rails.map(
        ([title, hung]) =>
          hung.length > 0 && <Rail key={title} title={title} tags={hung} now={now} compact={compact} />,
      )}
      {shown.length === 0 && (
        <p className="py-8 text-center text-xl text-soft">
          No tag{written.trim() && ` for “${written.trim()}”`} here.
        </p>
      )}
      {compact && <ClosedLink />}
    </div>
  );
}

const ClosedLink = (): ReactElement => (
  <Link
    to="/closed"
    className="ml-auto flex min-h-11 items-center px-1 font-semibold text-soft underline underline-offset-4 hover:text-ink"
  >
    Closed jobs
  </Link>
);
