import { checkOf, toOpen } from '@rusty-wren/core/knowledge';
import { partsOff, type OffItem } from '@rusty-wren/core/log';
import { readShorthand } from '@rusty-wren/core/shorthand';
import { forwardRef, useId, useState, type FormEvent } from 'react';
import type { Log } from './useJob';

/** One field that takes shop shorthand, shows what it understood, and logs it. */
export const BenchLine = forwardRef<
  HTMLInputElement,
  {
    /** What is off: it says which of two things a word means, and what cannot be. */
    off: readonly OffItem[];
    log: Log;
  }
>(function BenchLine({ off, log }, ref) {
  const [text, setText] = useState('');
  const [failed, setFailed] = useState(false);
  const id = useId();
  const understood = text.trim() ? readShorthand(text, { off }) : null;

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!understood) return;
    if (!understood.ok) return setFailed(true);
    const open = new Set(partsOff({ off }));
    for (const entry of understood.entries) {
      // What was seen behind a cover says that the cover is off.
      if (entry.kind === 'finding')
        for (const part of toOpen(checkOf(entry.body.check).access, open)) {
          open.add(part);
          log('took-off', { part });
        }
      log(entry.kind, entry.body);
    }
    setText('');
    setFailed(false);
  };

  return (
    <form onSubmit={submit} className="relative flex-1">
      {understood && (
        <p
          id={id}
          role={failed ? 'alert' : 'status'}
          className={`absolute right-0 bottom-full left-0 mb-2 rounded-md bg-ink px-3 py-2 text-lg text-paper ${understood.ok ? 'font-semibold' : ''}`}
        >
          {understood.says}
        </p>
      )}
      <input
        ref={ref}
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setFailed(false);
        }}
        onKeyDown={(e) => {
          if (e.key !== 'Escape') return;
          setText('');
          e.currentTarget.blur();
        }}
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
});
