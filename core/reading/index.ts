export type { Judged } from '../verdict';
export { questionOf } from './plausible';
export { judgeReading, READING_FIELD } from './reading';
export { SHOWN_IN, type Reading } from './shown';
