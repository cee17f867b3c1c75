import { entryWords, makeEntry, unnumbered } from '@rusty-wren/core/log';
import { Undo2 } from 'lucide-react';
import { useCallback, useEffect, useMemo, type ReactElement } from 'react';
import { v4 as uuid } from 'uuid';
import { settledDown } from '../api/lastNoted';
import { noted } from '../keeping/outbox';
import { useKeys } from './keys';
import { useAppDispatch, useAppSelector } from './store';
import { serverNow } from '../keeping/clock';
import { noterOf } from '../hands/hands';

/** How long an entry can be taken back with one key. */
const SECONDS = 10;

/** Says what was noted, and for ten seconds takes it back with one tap or key: a stray key is harmless. */
export function TakeBack(): ReactElement | null {
  const dispatch = useAppDispatch();
  const { entries } = useAppSelector((s) => s.lastNoted);
  const by = useAppSelector(noterOf);
  const clock = useAppSelector((s) => s.clock);
  const takeBack = useCallback(() => {
    if (entries.length === 0) return;
    const notedAt = new Date(serverNow(clock)).toISOString();
    dispatch(
      noted(
        entries.toReversed().map(({ jobId, entry }) => ({
          jobId,
          entry: makeEntry(
            { kind: 'strike', body: { reason: 'Slip' } },
            { id: uuid(), notedAt, by, strikes: entry.id },
          ),
        })),
      ),
    );
  }, [dispatch, entries, by, clock]);
  useEffect(() => {
    if (entries.length === 0) return;
    const over = setTimeout(() => dispatch(settledDown()), SECONDS * 1000);
    return () => clearTimeout(over);
  }, [dispatch, entries]);
  const last = entries.at(-1);
  const keys = useMemo(
    () => (last ? [{ key: 'z', does: 'take back the last entry', run: takeBack }] : []),
    [last, takeBack],
  );
  useKeys(keys);
  if (!last) return null;
  const { about, says } = entryWords({ entry: unnumbered(last.entry) });
  return (
    <div className="flex min-w-11 items-center gap-2" role="status">
      <span className="hidden min-w-0 truncate lg:block lg:max-w-96">
        {about}: <strong>{says}</strong>
      </span>
      <button
        type="button"
        onClick={takeBack}
        aria-label={`Take back ${about}: ${says}`}
        className="flex min-h-11 shrink-0 items-center gap-2 rounded-md border-2 border-ink px-2 font-semibold hover:bg-line sm:px-3"
      >
        <Undo2 size={20} aria-hidden />
        <span className="hidden sm:inline">Take it back</span>
        <kbd className="hidden rounded bg-line px-1.5 lg:inline">z</kbd>
      </button>
    </div>
  );
}
