import type { ChoiceId } from '../../knowledge';

/** What each choice is called on paper. */
export const PLAIN_CHOICE: Readonly<Record<ChoiceId, string>> = {
  'as-it-is': 'Leave it as it is',
  bare: 'Make it run, and no more',
  mend: 'Mend what is wrong',
  'top-end': 'New piston, ring and cylinder',
  'short-block': 'New engine block',
  replace: 'A new machine',
  parts: 'Leave it here for its parts',
};
