import { FORMS, readShorthand } from '@rusty-wren/core/shorthand';
import type { ReactElement } from 'react';
import { Sheet } from '../ui/Sheet';
import { keysNow } from './keys';

/** The keyboard map of the screen that is up. */
export function KeyList({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}): ReactElement {
  return (
    <Sheet title="Keys" open={open} onOpenChange={onOpenChange}>
      <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-5 gap-y-2 text-lg">
        {keysNow().map(({ key, does }) => (
          <div key={key + does} className="contents">
            <dt>
              <kbd className="inline-block min-w-9 rounded border-2 border-line bg-card px-2 text-center font-sans font-bold">
                {key}
              </kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mt-6 mb-2 text-lg font-bold">The bench line understands</h3>
      <ul className="leading-snug">
        {FORMS.map((line) => (
          <li key={line} className="flex flex-wrap justify-between gap-x-4 border-b border-line py-1">
            <span className="text-lg font-semibold text-steel">{line}</span>
            <span className="text-soft">{readShorthand(line).says}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-soft">
        A trailing ? is doubtful, ~ fairly sure. Tab finishes the word; slips of spelling are forgiven.
      </p>
    </Sheet>
  );
}
