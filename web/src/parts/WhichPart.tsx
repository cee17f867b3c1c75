import type { Drawer } from '@rusty-wren/contract';
import { freeOf } from '@rusty-wren/core/parts';
import { useState, type ReactElement } from 'react';
import { RowButton } from '../ui/RowButton';
import { useFinder } from '../ui/useFinder';
import { FIELD } from './Chips';

const BY = ['name', 'code'] as const;
/** So many are shown. */
const MOST = 5;

/** Which part of the catalogue something is that was put down in words. */
export function WhichPart({
  name,
  parts,
  onTake,
}: {
  /** As it was put down. */
  name: string;
  parts: Drawer['parts'];
  onTake: (part: string) => void;
}): ReactElement {
  const [text, setText] = useState('');
  const found = useFinder(parts, BY, text);
  return (
    <>
      <input
        aria-label={`Which part is “${name}”?`}
        placeholder="Which of the catalogue?"
        maxLength={120}
        value={text}
        onChange={(e) => setText(e.target.value)}
        className={`${FIELD} mt-1 w-full`}
      />
      {text.trim() && (
        <ul aria-label="Parts that may be it">
          {found.slice(0, MOST).map((part) => (
            <li key={part.id}>
              <RowButton
                onClick={() => onTake(part.id)}
                aside={freeOf(part) > 0 ? `${freeOf(part)} free` : 'to order'}
              >
                {part.name}
              </RowButton>
            </li>
          ))}
          {found.length === 0 && <li className="py-2 text-soft">None has that name or code.</li>}
        </ul>
      )}
    </>
  );
}
