import type { MoneyWords } from './money';
import type { Range } from './choices';

/** An estimate is not said to the cent. */
const wholeDown = (cents: number): number => Math.floor(cents / 100) * 100;
const wholeUp = (cents: number): number => -wholeDown(-cents);

/** Whether a price is a range: its ends are a whole apart. */
const isOpen = ({ low, high }: Range): boolean => high - low >= 1_00;

/** The most a price may come to, whole cents: what an owner agrees to. */
export const mostOf = (price: Range): number => (isOpen(price) ? wholeUp(price.high) : price.mean);

/**
 * A price as it is said everywhere, on the counter, in the headline and on paper: to the cent where it is known, else from the least
 * to the most in wholes.
 *
 * @example priceSaid({ mean: 8312, low: 7950, high: 9390 }, moneyWords('EUR')) // '€79 to €94'
 */
export const priceSaid = (price: Range, { said }: Pick<MoneyWords, 'said'>): string =>
  isOpen(price) ? `${said(wholeDown(price.low))} to ${said(wholeUp(price.high))}` : said(price.mean);
