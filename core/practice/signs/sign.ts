import type { CheckId, ResultOf } from '../../knowledge';

/** What the results of a check look, feel, smell or sound like, in words that leave the judging to the reader. */
export type SignsOf<C extends CheckId> = Readonly<Record<ResultOf<C>, string>>;
export type SignsOfChecks = { readonly [C in CheckId]?: SignsOf<C> };
