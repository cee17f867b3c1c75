import type { Program } from './telling';
/** An old fault put back. */
export interface Planted {
  name: string;
  program: Program;
}
export const PLANTED: readonly Planted[] = [];
