import type { ReactElement } from 'react';
import { Sheet } from '../ui/Sheet';
import { keysNow } from './keys';

const LINE_EXAMPLES = [
  'comp 62 98 117',
  'comp 8 bar',
  'gap top .30 bottom .45',
  'gap 12 thou',
  'spark weak?',
  'no spark',
  'smell fresh; filter clean',
  'idle 2,750',
  'L 1 1/8 H 1',
  'L out 1/8',
  'off recoil',
  'put all back',
  'start cold 4 pops',
  'note waits for kit',
];

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
      <ul className="grid grid-cols-2 gap-x-6 gap-y-1 text-lg">
        {LINE_EXAMPLES.map((example) => (
          <li key={example} className="font-medium text-steel">
            {example}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-soft">A trailing ? is doubtful, ~ fairly sure.</p>
    </Sheet>
  );
}
