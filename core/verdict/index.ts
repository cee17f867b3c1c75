export type { Judged } from './judged';
