export const CHOICE_IDS = ['as-it-is', 'bare', 'mend', 'top-end', 'short-block', 'replace', 'parts'] as const;
/** What an owner can be offered. */
export type ChoiceId = (typeof CHOICE_IDS)[number];

/** What each is called, on the counter and on paper. */
export const CHOICE_NAMES: Readonly<Record<ChoiceId, string>> = {
  'as-it-is': 'As it is',
  bare: 'Make it run',
  mend: 'Mend it',
  'top-end': 'Top end',
  'short-block': 'Short block',
  replace: 'Another machine',
  parts: 'Leave it for parts',
};

/** After these nothing is mended. */
export const NOT_MENDED: ReadonlySet<ChoiceId> = new Set(['as-it-is', 'replace', 'parts']);

export const TOLD_HOW = ['counter', 'phone', 'letter', 'page'] as const;
/** How an owner gave an answer: at the counter, by phone, by letter, on the page of their own. */
export type ToldHow = (typeof TOLD_HOW)[number];
