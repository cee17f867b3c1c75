/** Money in whole cents of the shop's currency. */
export type Cents = number;

/** The part of an amount that so many minutes at an hourly rate come to, in whole cents. */
export const labourOf = (minutes: number, ratePerHour: Cents): Cents =>
  Math.round((minutes * ratePerHour) / 60);

/** An amount with tax on it, in whole cents; halves go up. `taxPermille`: 200 is twenty per cent. */
export const withTax = (net: Cents, taxPermille: number): Cents =>
  net + Math.floor((net * taxPermille + 500) / 1000);

/** How amounts of a currency are written. */
export interface MoneyWords {
  /** To the cent. */
  exact: (cents: Cents) => string;
  /** To the whole: an estimate. */
  about: (cents: Cents) => string;
  /** To the cent only where there are any. */
  said: (cents: Cents) => string;
}

/** Writes whole cents of a currency (ISO 4217). */
export function moneyWords(currency: string): MoneyWords {
  const as = (digits: number) => {
    const format = new Intl.NumberFormat('en-IE', {
      style: 'currency',
      currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
    return (cents: Cents): string => format.format(cents / 100);
  };
  const [exact, about] = [as(2), as(0)];
  return { exact, about, said: (cents) => (cents % 100 === 0 ? about(cents) : exact(cents)) };
}
