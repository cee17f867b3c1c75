import type { RackTag } from '@rusty-wren/contract';
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type ReactElement } from 'react';
import { Link } from 'react-router';
import { useRackQuery } from '../api/api';
import { useKeys } from '../app/keys';
import { Button } from '../ui/Button';
import { Blank, Loading } from '../ui/State';
import { Tag } from './Tag';

const MINUTE_MS = 60_000;

/** The time, to the minute, kept going. */
function useNow(): string {
  const [now, setNow] = useState(() => new Date().toISOString());
  useEffect(() => {
    const timer = setInterval(() => setNow(new Date().toISOString()), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}

/** A steel rail with its tags hanging in rows, read like a page. */
function Rail({ title, tags, now }: { title: string; tags: readonly RackTag[]; now: string }): ReactElement {
  return (
    <section aria-label={title} className="mb-4">
      <h2 className="mb-1 px-1 text-xl font-bold">
        {title} <span className="font-normal text-soft">{tags.length}</span>
      </h2>
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(15.5rem,1fr))]">
        {tags.map((tag) => (
          <li key={tag.job.id} className="border-t-8 border-rail px-2 pb-5">
            <Tag tag={tag} now={now} />
          </li>
        ))}
      </ul>
    </section>
  );
}

const STEP: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowLeft: -1 };

/** Every open job as a tag on a hook, most pressing first; or the closed ones. */
export function Rack({ show }: { show: 'open' | 'closed' }): ReactElement {
  const { data, isLoading, isError, refetch } = useRackQuery(show);
  const now = useNow();
  const root = useRef<HTMLDivElement>(null);
  const bindings = useMemo(
    () => [
      {
        key: 'ArrowRight',
        does: 'along the rack (and back with ArrowLeft), Enter opens',
        run: () => root.current?.querySelector<HTMLElement>('[data-tag]')?.focus(),
      },
    ],
    [],
  );
  useKeys(bindings);

  const walk = (event: KeyboardEvent): void => {
    const tags = [...(root.current?.querySelectorAll<HTMLElement>('[data-tag]') ?? [])];
    const at = tags.indexOf(document.activeElement as HTMLElement);
    const step = STEP[event.key];
    if (at < 0 || step === undefined) return;
    event.preventDefault();
    tags[at + step]?.focus();
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
  const tags = data ?? [];
  const waiting = tags.filter((t) => t.stage === 'parts' || t.stage === 'answer');
  const hands = tags.filter((t) => !waiting.includes(t));
  return (
    <div ref={root} onKeyDown={walk} className="px-3 py-4 sm:px-5">
      {tags.length === 0 && (
        <Blank title={show === 'open' ? 'Every hook is empty' : 'Nothing closed yet'}>
          {show === 'open' && (
            <Link to="/check-in" className="font-semibold text-rust underline underline-offset-4">
              Check a machine in
            </Link>
          )}
        </Blank>
      )}
      {show === 'closed' ? (
        tags.length > 0 && <Rail title="Closed" tags={tags} now={now} />
      ) : (
        <>
          {hands.length > 0 && <Rail title="Needs a hand" tags={hands} now={now} />}
          {waiting.length > 0 && <Rail title="Waiting on others" tags={waiting} now={now} />}
        </>
      )}
      <p className="px-1 pb-4">
        {show === 'open' ? (
          <Link to="/closed" className="font-semibold text-soft underline underline-offset-4 hover:text-ink">
            Closed jobs
          </Link>
        ) : (
          <Link to="/" className="font-semibold text-soft underline underline-offset-4 hover:text-ink">
            Back to the rack
          </Link>
        )}
      </p>
    </div>
  );
}
