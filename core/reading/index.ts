export type { Judged } from '../verdict';
export { judgeReading, READING_FIELD, SHOWN_IN, type Reading } from './reading';
