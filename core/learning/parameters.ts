/**
 * Spreads of chance that what a shop found has to lie further from what was due, all causes together, before anything of it is believed.
 * Found by drawing shops (`npm run bench -- --learning-only`): with 1, some that are like any other learn something; with more, one that
 * differs is believed too late.
 */
export const CAUTION = 2;
/** What is believed already of a cause is worth so many findings at least, however much a shop differs: one closing with the wrong thing moves little. */
export const LEAST_STRENGTH = 2;
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
/** What a cure was so faintly is not learnt from: thousandths. */
export const FAINTEST_FOUND = 120;
