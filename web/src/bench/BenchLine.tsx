import { checkOf, toOpen } from '@rusty-wren/core/knowledge';
import { partsOff, type Noted, type OffItem, type Picture } from '@rusty-wren/core/log';
import { completions, readShorthand } from '@rusty-wren/core/shorthand';
import {
  useId,
  useMemo,
  useState,
  type FormEvent,
  type KeyboardEvent,
  type ReactElement,
  type Ref,
} from 'react';
import type { Log } from '../job/useLog';

/** What was seen behind a cover says that the cover is off: the openings go with it. */
function withOpenings(entries: readonly Noted[], off: readonly OffItem[]): Noted[] {
  const open = new Set(partsOff({ off }));
  return entries.flatMap((entry): Noted[] => {
    if (entry.kind !== 'finding') return [entry];
    const opened = toOpen(checkOf(entry.body.check).access, open);
    for (const part of opened) open.add(part);
    return [...opened.map((part) => ({ kind: 'took-off', body: { part } }) as const), entry];
  });
}

/** The screws as last counted, while nobody has turned one since. */
function countedIn({ trail }: Pick<Picture, 'trail'>) {
  const live = trail.filter((l) => l.state !== 'struck').map((l) => l.entry);
  const at = live.findLastIndex((e) => e.kind === 'finding' && e.body.check === 'screw-turns');
  const count = live[at];
  const turned = live.slice(at + 1).some((e) => e.kind === 'screw' || e.kind === 'repair');
  return count?.kind === 'finding' && !turned ? count.body.reading?.turns : undefined;
}

/** A word or two may be a check with a slip in it; a sentence is none. */
const isSentence = (text: string): boolean => text.trim().split(/\s+/).length >= 3;

/** Whether a line that is offered is a note. */
const isNote = (line: string, at: Parameters<typeof readShorthand>[1]): boolean => {
  const read = readShorthand(line, at);
  return read.ok && read.entries.every((e) => e.kind === 'note');
};

/** One field that takes shop shorthand, shows what it understood, offers what it may become, and logs it. */
export function BenchLine({
  picture,
  log,
  ref,
}: {
  /** What is off says which of two things a word means, and what cannot be. */
  picture: Pick<Picture, 'off' | 'trail' | 'trayPassed' | 'ledger'>;
  log: Log;
  ref: Ref<HTMLInputElement>;
}): ReactElement {
  const { off, trayPassed, ledger } = picture;
  const [text, setText] = useState('');
  const [failed, setFailed] = useState(false);
  const id = useId();
  const counted = useMemo(() => countedIn(picture), [picture]);
  const at = {
    off,
    trayPassed,
    uncounted: (['L', 'H'] as const).filter((screw) => !ledger.counted.has(screw)),
    ...(counted && { counted }),
  };
  const understood = text.trim() ? readShorthand(text, at) : null;
  // Asked which of two things is meant, those are the choices; else what the line may become.
  const asked = understood && !understood.ok ? understood.choices : undefined;
  const finished = text.trim() && !understood?.ok ? completions(text, at) : [];
  const choices = asked ?? finished;

  const write = (next: string): void => {
    setText(next);
    setFailed(false);
  };
  const take = (line: string): void => {
    const read = readShorthand(line, at);
    if (!read.ok) return write(line);
    log.all(withOpenings(read.entries, off));
    write('');
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!understood) return;
    if (understood.ok) return take(text);
    // Nothing but a note was offered: that is what Enter says.
    const [only, ...more] = asked ?? [];
    if (only && more.length === 0 && isSentence(text) && isNote(only.line, at)) return take(only.line);
    setFailed(true);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>): void => {
    // A result that is asked about is picked, never completed to.
    const [first] = finished;
    if (event.key === 'Tab' && !event.shiftKey && first && first.line.trim() !== text.trim()) {
      event.preventDefault();
      write(first.line);
    }
    if (event.key !== 'Escape') return;
    write('');
    event.currentTarget.blur();
  };

  return (
    <form onSubmit={submit} className="relative flex-1">
      {understood && (
        <div className="absolute right-0 bottom-full left-0 mb-2 rounded-md bg-ink px-3 py-2 text-paper">
          <p
            id={id}
            role={failed ? 'alert' : 'status'}
            className={`text-lg ${understood.ok ? 'font-semibold' : ''}`}
          >
            {understood.says}
          </p>
          {choices.length > 0 && (
            <div role="group" aria-label="It may be" className="mt-1 flex flex-wrap gap-2">
              {choices.map(({ label, line }, n) => (
                <button
                  key={line}
                  type="button"
                  onClick={() => take(line)}
                  className="flex min-h-11 items-center gap-2 rounded-md border-2 border-paper/50 px-3 font-semibold hover:border-paper"
                >
                  {label}
                  {n === 0 && (!asked || (choices.length === 1 && isSentence(text) && isNote(line, at))) && (
                    <kbd className="hidden rounded bg-paper/20 px-1.5 font-sans text-sm lg:inline">
                      {asked ? 'Enter' : 'Tab'}
                    </kbd>
                  )}
                </button>
              ))}
            </div>
          )}
        </div>
      )}
      <input
        ref={ref}
        value={text}
        onChange={(e) => write(e.target.value)}
        onKeyDown={onKeyDown}
        aria-label="Bench line"
        aria-describedby={understood ? id : undefined}
        aria-invalid={failed}
        placeholder="Bench line:  comp 62 98 117   spark weak?   off recoil"
        autoComplete="off"
        autoCapitalize="off"
        spellCheck={false}
        className="min-h-12 w-full rounded-md border-2 border-ink bg-card px-3 text-lg font-medium placeholder:font-normal placeholder:text-soft"
      />
    </form>
  );
}
