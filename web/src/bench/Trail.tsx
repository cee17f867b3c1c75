import { entryWords, staleFindings, type Photo, type Picture, type TrailLine } from '@rusty-wren/core/log';
import type { CheckId } from '@rusty-wren/core/knowledge';
import { format, isSameDay } from 'date-fns';
import { useEffect, useRef, useState, type ReactElement } from 'react';
import { PhotoRow } from '../photos/Photos';
import { TakePhoto } from '../photos/TakePhoto';
import { Button } from '../ui/Button';
import { OneLine } from '../ui/OneLine';
import { Sheet } from '../ui/Sheet';
import { NotedBy } from './NotedBy';
import { SURENESS_WORDS } from './SurenessPick';
import { useKindInHand } from '../job/tradeWords';
import { useMay, type Log } from '../job/useLog';

const REASONS = ['Read wrong', 'Poor light', 'Wrong machine', 'Typed wrong'];

/** Everything logged, newest first; what no longer counts stays readable, struck through, with its reason. */
export function Trail({
  picture,
  jobId,
  log,
  pointed,
  onRepeat,
}: {
  picture: Picture;
  jobId: string;
  log: Log;
  /** An entry somebody asked to see: `n` grows with every asking. */
  pointed: { ref: string; n: number } | null;
  onRepeat: (check: CheckId) => void;
}): ReactElement {
  const [open, setOpen] = useState<string | null>(null);
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    const line = pointed && list.current?.querySelector<HTMLElement>(`[data-id="${pointed.ref}"]`);
    if (!line) return;
    line.scrollIntoView({ block: 'center', behavior: 'smooth' });
    line.querySelector('button')?.focus({ preventScroll: true });
  }, [pointed]);
  const [striking, setStriking] = useState<TrailLine | null>(null);
  const stale = staleFindings(picture);
  const lines = picture.trail.filter((l) => l.entry.kind !== 'strike').toReversed();
  return (
    <section aria-label="Evidence so far">
      <h2 className="text-2xl font-bold">So far</h2>
      {lines.length === 0 && <p className="mt-2 text-lg text-soft">Nothing logged yet.</p>}
      <ol ref={list} className="mt-2">
        {lines.map((line, i) => {
          const before = lines[i - 1];
          const newDay = !before || !isSameDay(before.entry.notedAt, line.entry.notedAt);
          return (
            <li key={line.entry.id}>
              {newDay && <p className="pt-2 text-soft">{format(line.entry.notedAt, 'EEEE d MMMM')}</p>}
              <Line
                line={line}
                pointed={pointed?.ref === line.entry.id}
                stale={stale.has(line.entry.id)}
                open={open === line.entry.id}
                onToggle={() => setOpen(open === line.entry.id ? null : line.entry.id)}
                onStrike={() => setStriking(line)}
                onUnstrike={() => unstrike(picture, line, log)}
                onRepeat={onRepeat}
                photos={picture.photos}
                jobId={jobId}
                log={log}
              />
            </li>
          );
        })}
      </ol>
      <StrikeSheet
        key={striking?.entry.id}
        line={striking}
        onClose={() => setStriking(null)}
        onStrike={(reason) => {
          if (striking) log('strike', { reason }, striking.entry.id);
          setStriking(null);
          setOpen(null);
        }}
      />
    </section>
  );
}

/** Strikes the strike: the entry counts again. */
function unstrike(picture: Picture, line: TrailLine, log: Log): void {
  const strike = picture.trail.findLast((l) => l.state === 'live' && l.entry.strikes === line.entry.id);
  if (strike) log('strike', { reason: 'Taken back' }, strike.entry.id);
}

/** Whether a photo belongs to a line of the trail: it is that line, as it was noted last, or was taken of it. */
const isOf = (photo: Photo, entry: TrailLine['entry']): boolean =>
  photo.id === entry.id || (photo.of !== undefined && 'entry' in photo.of && photo.of.entry === entry.id);

function Line({
  line,
  pointed,
  stale,
  open,
  onToggle,
  onStrike,
  onUnstrike,
  onRepeat,
  photos,
  jobId,
  log,
}: {
  line: TrailLine;
  photos: readonly Photo[];
  jobId: string;
  log: Log;
  pointed: boolean;
  stale: boolean;
  open: boolean;
  onToggle: () => void;
  onStrike: () => void;
  onUnstrike: () => void;
  onRepeat: (check: CheckId) => void;
}): ReactElement {
  const { entry, state, reason } = line;
  const { about, says } = entryWords(line, useKindInHand());
  const may = useMay();
  const gone = state !== 'live';
  const sureness =
    entry.kind === 'finding' && entry.body.sureness !== 'sure'
      ? SURENESS_WORDS[entry.body.sureness].toLowerCase()
      : null;
  return (
    <div
      className={`border-b border-line ${gone ? 'text-soft' : ''} ${pointed ? '-mx-2 border-l-4 border-l-steel bg-card px-2' : ''}`}
      data-id={entry.id}
      data-state={state}
      data-entry={entry.kind}
    >
      <button
        type="button"
        aria-expanded={open}
        onClick={onToggle}
        className="flex min-h-11 w-full items-baseline gap-3 py-1.5 text-left leading-snug"
      >
        <span className="shrink-0 text-soft">{format(entry.notedAt, 'HH:mm')}</span>
        <span className="min-w-0">
          <span className={gone ? 'line-through' : ''}>
            {about}: <strong className="font-semibold">{says}</strong>
            {sureness && <span className="text-ochre"> ({sureness})</span>}
          </span>
          {gone && reason && <span className="block italic">{reason}</span>}
          {stale && <span className="block text-soft italic">before the repair; may look different now</span>}
          {entry.seq === null && <span className="text-ochre"> not sent yet</span>}
        </span>
      </button>
      <PhotoRow shown={photos.filter((p) => isOf(p, entry))} photos={photos} log={log} />
      {open && (
        <div className="flex flex-wrap gap-2 pb-3">
          <NotedBy entry={entry} />
          {!gone && entry.kind !== 'photo' && may('photo') && (
            <TakePhoto jobId={jobId} log={log} of={{ of: { entry: entry.id } }} />
          )}
          {entry.kind === 'finding' && may('finding') && (
            <Button onClick={() => onRepeat(entry.body.check)}>Repeat it</Button>
          )}
          {may(entry.kind) &&
            may('strike') &&
            (state === 'struck' ? (
              <Button onClick={onUnstrike}>Let it count again</Button>
            ) : (
              <Button onClick={onStrike}>Strike it out</Button>
            ))}
        </div>
      )}
    </div>
  );
}

function StrikeSheet({
  line,
  onClose,
  onStrike,
}: {
  line: TrailLine | null;
  onClose: () => void;
  onStrike: (reason: string) => void;
}): ReactElement {
  const kind = useKindInHand();
  const words = line ? entryWords(line, kind) : null;
  return (
    <Sheet title="Why does this not count?" open={line !== null} onOpenChange={(open) => !open && onClose()}>
      <p className="text-xl">
        {words?.about}: <strong>{words?.says}</strong>
      </p>
      <div className="mt-4 flex flex-wrap gap-2">
        {REASONS.map((r) => (
          <Button key={r} onClick={() => onStrike(r)}>
            {r}
          </Button>
        ))}
      </div>
      <OneLine label="Reason" placeholder="or in your own words" most={500} done="Strike" onDone={onStrike} />
    </Sheet>
  );
}
