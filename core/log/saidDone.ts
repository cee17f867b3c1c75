import { priorWorkOf, SAID_BY_WORDS, SAID_EFFECT_WORDS, type SaidDone } from '../knowledge';
import type { EntryOf } from './entry';

const counted = (n: number, what: string): string => `${n} ${what}${n === 1 ? '' : 's'} ago`;
const WEEKS_A_MONTH = 52 / 12;

/**
 * How long ago, as it is said.
 *
 * @example agoWords(0.5); // '2 weeks ago'
 */
function agoWords(months: number): string {
  if (months < 0.2) return 'a few days ago';
  if (months < 1) return counted(Math.round(months * WEEKS_A_MONTH), 'week');
  return months < 24 ? counted(Math.round(months), 'month') : counted(Math.round(months / 12), 'year');
}

/** Work that is said to have been done before, in words. */
export const saidDoneWords = ({ work, by, monthsAgo, effect }: SaidDone): string =>
  [
    priorWorkOf(work).label.toLowerCase(),
    by && SAID_BY_WORDS[by],
    monthsAgo !== undefined && agoWords(monthsAgo),
    effect && SAID_EFFECT_WORDS[effect],
  ]
    .filter(Boolean)
    .join(', ');

/** Work said to have been done before, of each piece what was said last. */
export const readSaidDone = (told: readonly EntryOf<'said-done'>[]): EntryOf<'said-done'>[] => [
  ...new Map(told.map((e) => [e.body.work, e] as const)).values(),
];
