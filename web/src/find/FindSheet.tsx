import type { Found } from '@rusty-wren/contract';
import { ScanLine, Search, X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import {
  lazy,
  Suspense,
  useRef,
  useState,
  type KeyboardEvent,
  type ReactElement,
  type ReactNode,
} from 'react';
import { useNavigate } from 'react-router';
import { problemWords, useFindQuery } from '../api/api';
import { useSettled } from '../ui/useSettled';
import { JobRow } from './JobRow';
import { useOpenedAt } from '../ui/useNow';

const ScanTag = lazy(async () => ({ default: (await import('./ScanTag')).ScanTag }));

/** Whether this browser lets a page see at all: over HTTPS, or on this machine. */
const canSee = (): boolean => (navigator.mediaDevices as MediaDevices | undefined) !== undefined;

/** Fewer letters find everything. */
const LEAST = 2;

/** Finds anything by a few words: owners, machines, jobs; up and down through them, Enter opens one. */
export function FindSheet({ onClose }: { onClose: () => void }): ReactElement {
  const [written, setWritten] = useState('');
  const [scanning, setScanning] = useState(false);
  const asked = useSettled(written.trim(), 120);
  const { currentData, isFetching, error } = useFindQuery(asked, { skip: asked.length < LEAST });
  const list = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  /** The hits in order, and the one before or after what has the focus. */
  const move = (event: KeyboardEvent): void => {
    const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
    const hits = [...(list.current?.querySelectorAll<HTMLElement>('[data-hit]') ?? [])];
    if (event.key === 'Enter' && document.activeElement === field.current) hits[0]?.click();
    if (by === 0) return;
    event.preventDefault();
    const at = hits.indexOf(document.activeElement as HTMLElement) + by;
    (at < 0 ? field.current : hits[Math.min(at, hits.length - 1)])?.focus();
  };
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          onKeyDown={move}
          className="fixed inset-x-0 top-0 z-50 mx-auto max-h-dvh w-full max-w-3xl overflow-y-auto bg-paper p-4 shadow-2xl sm:top-8 sm:max-h-[88dvh] sm:rounded-lg sm:p-6"
        >
          <Dialog.Title className="sr-only">Find</Dialog.Title>
          <div className="flex items-center gap-3">
            <Search className="shrink-0" aria-hidden />
            <input
              ref={field}
              // The sheet is for nothing else.
              autoFocus
              aria-label="Find anything"
              placeholder="Tag, owner, phone, model, serial, cause"
              value={written}
              maxLength={120}
              onChange={(e) => setWritten(e.target.value)}
              className="min-h-14 w-full min-w-0 rounded-md border-2 border-line bg-card px-3 text-2xl"
            />
            {canSee() && (
              <button
                type="button"
                className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-line"
                aria-label="Scan a tag"
                onClick={() => setScanning(true)}
              >
                <ScanLine aria-hidden />
              </button>
            )}
            <Dialog.Close
              className="grid size-11 shrink-0 place-items-center rounded-md hover:bg-line"
              aria-label="Close"
            >
              <X aria-hidden />
            </Dialog.Close>
          </div>
          {scanning && (
            <Suspense>
              <ScanTag onFound={onClose} onBack={() => setScanning(false)} />
            </Suspense>
          )}
          <div ref={list} aria-live="polite">
            {error !== undefined && asked.length >= LEAST && (
              <p role="alert" className="mt-4 text-lg font-semibold text-rust">
                {problemWords(error)}
              </p>
            )}
            {currentData && !error ? (
              <Hits found={currentData} asked={asked} onClose={onClose} />
            ) : (
              isFetching && <p className="mt-4 text-lg text-soft">Looking…</p>
            )}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What was found, by kind. */
function Hits({
  found: { owners, machines, jobs, instead },
  asked,
  onClose,
}: {
  found: Found;
  asked: string;
  onClose: () => void;
}): ReactElement {
  const navigate = useNavigate();
  const now = useOpenedAt();
  const go = (to: string) => (): void => {
    onClose();
    void navigate(to);
  };
  const took = instead.filter((i) => i.took.length > 0);
  return (
    <>
      {took.length > 0 && (
        <p className="mt-3 text-lg text-soft">
          {took.map((i) => `Nothing has “${i.word}”: looked for ${i.took.join(' or ')}.`).join(' ')}
        </p>
      )}
      {owners.length + machines.length + jobs.length === 0 && (
        <p className="mt-4 text-xl">Nothing for “{asked}”.</p>
      )}
      <Group name="Owners">
        {owners.map((o) => (
          <Hit key={o.id} onGo={go(`/owners/${o.id}`)}>
            <strong>{o.name}</strong>
            <span className="flex-1 text-soft">{[o.circle, o.phone].filter(Boolean).join(', ')}</span>
            <span>
              {o.machines} {o.machines === 1 ? 'machine' : 'machines'}
              {o.open > 0 && <strong>, {o.open} here</strong>}
            </span>
          </Hit>
        ))}
      </Group>
      <Group name="Machines">
        {machines.map((m) => (
          <Hit key={m.id} onGo={go(`/machines/${m.id}`)}>
            <strong>
              {m.maker} {m.model}
            </strong>
            <span className="flex-1 text-soft">
              {m.owner.name}
              {m.serial && `, ${m.serial}`}
            </span>
            <span>
              {m.jobs} {m.jobs === 1 ? 'job' : 'jobs'}
            </span>
          </Hit>
        ))}
      </Group>
      <Group name="Jobs">
        {jobs.map((tag) => (
          <Hit key={tag.job.id} onGo={go(`/job/${tag.job.id}`)}>
            <JobRow tag={tag} whose="owner and machine" now={now} />
          </Hit>
        ))}
      </Group>
    </>
  );
}

function Group({ name, children }: { name: string; children: readonly ReactNode[] }): ReactElement | null {
  if (children.length === 0) return null;
  return (
    <section aria-label={name} className="mt-4">
      <h2 className="text-lg font-semibold text-soft">{name}</h2>
      <ul>{children}</ul>
    </section>
  );
}

function Hit({ onGo, children }: { onGo: () => void; children: ReactNode }): ReactElement {
  return (
    <li>
      <button
        type="button"
        data-hit=""
        onClick={onGo}
        className="flex min-h-12 w-full flex-wrap items-baseline gap-x-3 border-b border-line py-2 text-left text-lg leading-snug hover:bg-line focus:bg-line"
      >
        {children}
      </button>
    </li>
  );
}
