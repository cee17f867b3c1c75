/**
 * How much a shop's own jobs count beside the trade's experience, in jobs: the pseudo-counts of a Dirichlet prior. Found by
 * drawing shops (`npm run bench -- --learning-only`): with less, 200 jobs of a shop like any other lead astray; with more, a shop
 * that differs is believed too late.
 */
export const STRENGTH = {
  /** What all of the shop's jobs say against the trade's word. */
  shop: 400,
  /** What a class of machine says against the whole shop. */
  group: 600,
  /** What a model says against its class. */
  model: 150,
} as const;
/** However rare a cause is, the trade's word on it is worth so many jobs. */
export const LEAST_PRIOR = 1;
/**
 * Spreads of chance within which what was found is no news, and from which on it counts in full: a shop like any other learns next
 * to nothing.
 */
export const CHANCE = 1;
export const SURELY = 2.5;
/** A class, and a model, has a say from so many jobs on. */
export const ENOUGH = { group: 12, model: 8 } as const;
/** Nothing is learnt to be more than so many times commoner, or rarer, than the trade says. */
export const FURTHEST = 6;
/** What is learnt is told in steps of this factor. */
export const STEP = 1.05;
/** What a closing counts that was not proved, or was waived, against one that was: thousandths of a job. */
export const PROVED = 1000;
export const UNPROVED = 400;
/** Machines that drank from one can within so many days teach its fuel once. */
export const ONE_CAN_DAYS = 45;
/** Fainter than this, an expectation is left out: thousandths. */
export const FAINTEST = 1;
