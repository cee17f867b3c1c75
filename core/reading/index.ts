export type { Judged } from './judged';
export { judgeReading, READING_FIELD, type Reading } from './reading';
