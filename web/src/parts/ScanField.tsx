import type { Drawer } from '@rusty-wren/contract';
import { ScanBarcode } from 'lucide-react';
import { useMemo, useRef, type ReactElement } from 'react';
import { useKeys } from '../app/keys';
import { useMedia } from '../ui/useMedia';
import { useBooking } from './useBooking';

/** Finds as you type; a scanner types a code and Enter, and what it names is booked in. */
export function ScanField({
  drawer,
  value,
  onChange,
}: {
  drawer: Drawer;
  value: string;
  onChange: (text: string) => void;
}): ReactElement {
  const field = useRef<HTMLInputElement>(null);
  const book = useBooking(drawer);
  const withKeys = useMedia('(pointer: fine)');
  useKeys(useMemo(() => [{ key: '/', does: 'find or scan a part', run: () => field.current?.focus() }], []));
  const coded = drawer.parts.find((p) => p.code !== undefined && p.code === value.trim());
  return (
    <form
      className="mt-4 flex flex-wrap items-center gap-x-4 gap-y-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (coded) void book({ code: coded.code! }).then((taken) => taken && onChange(''));
      }}
    >
      <label className="flex min-w-0 flex-1 basis-72 items-center gap-3 rounded-md border-2 border-line bg-card px-3 focus-within:border-ink">
        <ScanBarcode className="shrink-0" aria-hidden />
        <input
          ref={field}
          // On a phone the keyboard would cover what is to be ordered.
          autoFocus={withKeys}
          aria-label="Find or scan a part"
          placeholder="Find, or scan to book in"
          value={value}
          onChange={(e) => onChange(e.target.value)}
          className="min-h-14 w-full min-w-0 bg-transparent text-2xl font-semibold outline-none placeholder:font-normal placeholder:text-soft"
        />
      </label>
      {coded && (
        <button
          type="submit"
          className="min-h-14 rounded-md border-2 border-ink bg-card px-6 text-lg font-semibold hover:bg-ink hover:text-paper"
        >
          Book one in
        </button>
      )}
    </form>
  );
}
