export type { Judged } from '../verdict';
export { judgeReading, READING_FIELD, type Reading } from './reading';
