import { readShorthand } from '@rusty-wren/core/shorthand';
import { forwardRef, useId, useState, type FormEvent } from 'react';
import type { Log } from './useJob';

/** One field that takes shop shorthand, shows what it understood, and logs it. */
export const BenchLine = forwardRef<HTMLInputElement, { log: Log }>(function BenchLine({ log }, ref) {
  const [text, setText] = useState('');
  const [failed, setFailed] = useState(false);
  const id = useId();
  const understood = text.trim() ? readShorthand(text) : null;

  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (!understood) return;
    if (!understood.ok) return setFailed(true);
    log(understood.entry.kind, understood.entry.body);
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
