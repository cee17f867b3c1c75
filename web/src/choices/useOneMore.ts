import type { Case } from '@rusty-wren/core/diagnosis';
import type { CheckId, ChoiceId } from '@rusty-wren/core/knowledge';
import type { ChoiceSet, OneMore, WorthAsked } from '@rusty-wren/core/worth';
import { useEffect, useState } from 'react';
import { theThinker } from '../bench/thinking/thinker';

type Asked = Omit<WorthAsked, 'likely'>;
/** The question as it is written down. */
type Asking = [Case, Omit<Asked, 'set'> & { set: [ChoiceId, ChoiceSet][] }, CheckId[]];

/** Checks that could change which choice is best, the best first, once they are worked out; null until then. */
export function useOneMore(c: Case, asked: Asked, checks: readonly CheckId[]): readonly OneMore[] | null {
  const [thought, setThought] = useState<{ about: string; found: readonly OneMore[] } | null>(null);
  // As text: the same question, made anew with every drawing, is asked once.
  const about = JSON.stringify([c, { ...asked, set: [...(asked.set ?? [])] }, checks]);
  useEffect(() => {
    let live = true;
    const [aCase, { set, ...rest }, some] = JSON.parse(about) as Asking;
    void theThinker()
      .oneMore(aCase, { ...rest, set: new Map(set) }, some)
      .then((found) => {
        if (live) setThought({ about, found });
      });
    return () => {
      live = false;
    };
  }, [about]);
  return thought?.about === about ? thought.found : null;
}
