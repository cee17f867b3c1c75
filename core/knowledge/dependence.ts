import type { CheckId } from './checks';

/**
 * Two checks whose results hang together beyond the cause: what spoils one spoils the other, or what shows plainly on
 * one shows plainly on the other. Counted as independent they would be believed twice.
 */
export interface Dependence {
  checks: readonly [CheckId, CheckId];
  /**
   * `misreading`: poor conditions, shared by both, make both likely to be read wrong.
   * `plainness`: a fault that shows plainly on one shows plainly on the other, and a slight one on neither.
   */
  shares: 'misreading' | 'plainness';
  why: string;
}

export const DEPENDENCES: readonly Dependence[] = [
  {
    checks: ['spark-tester', 'spark-stop-wire-off'],
    shares: 'misreading',
    why: 'The same light and the same earth: a spark missed once is missed twice.',
  },
  {
    checks: ['crankcase-pressure', 'crankcase-vacuum'],
    shares: 'misreading',
    why: 'The same blanking plates: where they leak, both tests leak.',
  },
  {
    checks: ['plug-look', 'exhaust-smoke'],
    shares: 'plainness',
    why: 'Both tell how rich it ran: a very rich one blackens and smokes, a slightly rich one does neither.',
  },
];

/** The dependence a check stands in, if any. */
export const dependenceOf = (check: CheckId): Dependence | undefined =>
  DEPENDENCES.find((b) => b.checks.includes(check));
