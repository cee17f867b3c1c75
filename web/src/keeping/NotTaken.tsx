import { entryWords, unnumbered, type NewEntry } from '@rusty-wren/core/log';
import { useState, type ReactElement } from 'react';
import { Link, useNavigate } from 'react-router';
import { useAppDispatch, useAppSelector } from '../app/store';
import { Button } from '../ui/Button';
import { noterOf } from '../hands/hands';
import { checkInKey, keepDraft } from '../ui/useDraft';
import { sentAgain, thrownAway, type Aside } from './outbox';
import { checkInWords } from './shelf';

/** Fields of an entry that somebody wrote, and may write otherwise. */
const WRITTEN = ['text', 'thing', 'other', 'words', 'note', 'drill', 'why', 'reason', 'waitingFor'] as const;

const writtenIn = (entry: NewEntry): [field: string, text: string][] =>
  WRITTEN.flatMap((field) => {
    const text = (entry.body as Record<string, unknown>)[field];
    return typeof text === 'string' ? [[field, text]] : [];
  });

/** What a thing says, in a line. */
function wordsOf(kept: Aside): string {
  if (kept.kind === 'check-in') return `Check-in: ${checkInWords(kept.checkIn)}`;
  const { about, says } = entryWords({ entry: unnumbered(kept.entry) });
  return `${about}: ${says}`;
}

/**
 * What the server did not take: each with its reason, kept until it is corrected, sent again or thrown away. `jobId`: only
 * that job's.
 */
export function NotTaken({ jobId }: { jobId?: string }): ReactElement | null {
  const refused = useAppSelector((s) => s.outbox.refused);
  const shown = refused.filter((k) => jobId === undefined || k.jobId === jobId);
  if (shown.length === 0) return null;
  return (
    <section
      aria-label="Not taken"
      className={
        jobId === undefined ? '' : 'max-h-60 overflow-y-auto border-b-2 border-line px-3 py-2 sm:px-5'
      }
    >
      {jobId !== undefined && (
        <h2 className="text-xl font-bold text-rust">
          {shown.length === 1 ? 'One thing was not taken' : `${shown.length} things were not taken`}
        </h2>
      )}
      <ul>
        {shown.map((kept) => (
          <Aside key={kept.id} kept={kept} link={jobId === undefined} />
        ))}
      </ul>
    </section>
  );
}

function Aside({ kept, link }: { kept: Aside; link: boolean }): ReactElement {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const by = useAppSelector(noterOf);
  const [correcting, setCorrecting] = useState(false);
  const [sure, setSure] = useState(false);
  const written = kept.kind === 'entry' ? writtenIn(kept.entry) : [];
  const correct = (): void => {
    if (kept.kind === 'entry') return setCorrecting(!correcting);
    keepDraft(checkInKey(by), { draft: kept.draft, jobId: kept.jobId });
    dispatch(thrownAway(kept.id));
    void navigate('/check-in');
  };
  return (
    <li
      data-aside={kept.id}
      className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 border-b border-line py-1 last:border-0"
    >
      <p className="min-w-64 flex-1 text-lg leading-snug">
        <strong className="line-clamp-2">{wordsOf(kept)}</strong>
        <span className="text-soft">Because: {kept.refused}</span>
      </p>
      <div className="flex flex-wrap items-center gap-2">
        {(kept.kind === 'check-in' || written.length > 0) && (
          <Button aria-expanded={correcting} onClick={correct}>
            Correct it
          </Button>
        )}
        <Button onClick={() => dispatch(sentAgain({ kept }))}>Send it again</Button>
        <Button look="quiet" onClick={() => (sure ? void dispatch(thrownAway(kept.id)) : setSure(true))}>
          {sure ? 'Really throw it away' : 'Throw it away'}
        </Button>
        {link && (
          <Link to={`/job/${kept.jobId}`} className="px-2 py-2 font-semibold underline">
            To its job
          </Link>
        )}
      </div>
      {correcting && kept.kind === 'entry' && (
        <Rewrite
          written={written}
          onDone={(body) =>
            dispatch(
              sentAgain({
                kept: {
                  ...kept,
                  entry: { ...kept.entry, body: { ...kept.entry.body, ...body } } as NewEntry,
                },
              }),
            )
          }
        />
      )}
    </li>
  );
}

/** The words of an entry, to be written otherwise. */
function Rewrite({
  written,
  onDone,
}: {
  written: readonly (readonly [field: string, text: string])[];
  onDone: (body: Record<string, string>) => void;
}): ReactElement {
  const [texts, setTexts] = useState(() => Object.fromEntries(written));
  return (
    <form
      className="flex w-full flex-wrap items-end gap-2 pb-2"
      onSubmit={(e) => {
        e.preventDefault();
        onDone(Object.fromEntries(Object.entries(texts).map(([field, text]) => [field, text.trim()])));
      }}
    >
      {written.map(([field]) => (
        <textarea
          key={field}
          aria-label="What it should say"
          value={texts[field]}
          onChange={(e) => setTexts({ ...texts, [field]: e.target.value })}
          rows={2}
          className="min-h-12 min-w-64 flex-1 rounded-md border-2 border-line bg-card px-3 py-2 text-lg"
        />
      ))}
      <Button type="submit" look="rust" className="min-h-12">
        Send it
      </Button>
    </form>
  );
}
