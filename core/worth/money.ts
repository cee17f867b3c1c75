/** Money in whole cents of the shop's currency. */
export type Cents = number;

/** The part of an amount that so many minutes at an hourly rate come to, in whole cents. */
export const labourOf = (minutes: number, ratePerHour: Cents): Cents =>
  Math.round((minutes * ratePerHour) / 60);

/** An amount with tax on it, in whole cents; halves go up. `taxPermille`: 200 is twenty per cent. */
export const withTax = (net: Cents, taxPermille: number): Cents =>
  net + Math.floor((net * taxPermille + 500) / 1000);
