import { partOf, type PartId } from '@rusty-wren/core/knowledge';
import type { ReactElement } from 'react';
import { inSentence } from '../../ui/words';

/** The parts that have to come off, or go back on, before a check can be made; nothing where none has to. */
export const PartsFirst = ({
  what,
  parts,
}: {
  what: 'First off' | 'Back on first';
  parts: readonly PartId[];
}): ReactElement | null =>
  parts.length > 0 ? (
    <p className="mt-1 text-lg">
      {what}: <strong>{parts.map((p) => inSentence(partOf(p).name)).join(', ')}</strong>
    </p>
  ) : null;
