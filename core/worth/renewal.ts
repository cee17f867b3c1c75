import type { RenewalPrices } from '../rebuild';
import { partsFor } from './priceBook';
import type { Reckoning } from './quote';

/** A gasket, a pin, a spring: what no repair is priced for, cents. */
const SMALL_PART = 2_00;

/** What renewing costs on a machine by the shop's price book and rate: whole cents before tax. */
export function renewalPrices({ rules, book, machine, pace }: Reckoning): RenewalPrices {
  const price = (what: Parameters<typeof partsFor>[1]): number => partsFor(book, what, machine).price;
  return {
    kit: price('carburettor-rebuild'),
    whole: price('carburettor-whole'),
    layer: (repair) => (repair === null ? SMALL_PART : price(repair)),
    minute: rules.ratePerHour / 60,
    ...(pace && { pace }),
  };
}
