import type { ReactElement } from 'react';
import { Button } from '../ui/Button';

/** An odd figure is asked about before it counts: the question, and one tap that stands by it. */
export const IsRight = ({ says, onRight }: { says: string; onRight: () => void }): ReactElement => (
  <div role="alert" className="mt-2 max-w-[58ch]">
    <p className="text-lg font-semibold text-ochre">{says}</p>
    <Button className="mt-2 min-h-14 px-6 text-lg" onClick={onRight}>
      It is right
    </Button>
  </div>
);

/** What is written after a figure on a line to stand by it. */
export const STANDS_BY = ' it is right';
