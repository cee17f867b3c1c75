export type { Judged } from '../verdict';
export { questionOf } from './plausible';
export { judgeReading, READING_FIELD, SHOWN_IN, type Reading } from './reading';
