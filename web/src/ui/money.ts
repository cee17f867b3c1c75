import { useShopQuery } from '../api/api';

/** How amounts of a currency are written: to the cent, or to the whole where a figure is an estimate. */
export interface MoneyWords {
  exact: (cents: number) => string;
  about: (cents: number) => string;
}

/** Writes whole cents of a currency (ISO 4217). */
export function moneyWords(currency: string): MoneyWords {
  const as = (digits: number) =>
    new Intl.NumberFormat('en-IE', {
      style: 'currency',
      currency,
      minimumFractionDigits: digits,
      maximumFractionDigits: digits,
    });
  const [cents, whole] = [as(2), as(0)];
  return { exact: (n) => cents.format(n / 100), about: (n) => whole.format(n / 100) };
}

/** The shop's own money. */
export const useMoney = (): MoneyWords => moneyWords(useShopQuery().data?.rules.currency ?? 'EUR');
