import type { Case } from '@rusty-wren/core/diagnosis';
import type { CheckId } from '@rusty-wren/core/knowledge';
import type { OneMore, WorthAsked } from '@rusty-wren/core/worth';
import { useEffect, useState } from 'react';
import { theThinker } from '../bench/thinking/thinker';

/** Checks that could change which choice is best, the best first, once they are worked out; null until then. */
export function useOneMore(
  c: Case,
  asked: Omit<WorthAsked, 'likely'>,
  checks: readonly CheckId[],
): readonly OneMore[] | null {
  const [thought, setThought] = useState<{ about: string; found: readonly OneMore[] } | null>(null);
  const about = JSON.stringify([c, asked, [...(asked.set ?? [])], checks]);
  useEffect(() => {
    let live = true;
    void theThinker()
      .oneMore(c, asked, checks)
      .then((found) => {
        if (live) setThought({ about, found });
      });
    return () => {
      live = false;
    };
    // Told apart by what they say: they are made anew with every drawing.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [about]);
  return thought?.about === about ? thought.found : null;
}
