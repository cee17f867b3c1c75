import type { ReactElement } from 'react';
import { tooLong } from './words';

/** Says that a text is longer than can be kept; nothing while it is not. */
export function TooLong({ text, most }: { text: string; most: number }): ReactElement | null {
  const says = tooLong(text.trim(), most);
  return says ? (
    <p role="alert" className="mt-1 font-semibold text-rust">
      {says}
    </p>
  ) : null;
}
