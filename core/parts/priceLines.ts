import { isPriced, type PriceLine } from '../worth';
import { freeOf, type Stocked } from './part';
import { bestSource } from './orderList';

/**
 * The catalogue as lines of a price book, what is to be had soonest first: what a repair's part costs and how long it takes to
 * come, by what lies in the drawer now.
 */
const catalogueLines = (parts: readonly Stocked[]): PriceLine[] =>
  parts
    .filter((p) => !p.donor)
    .flatMap((p) => {
      const waitDays = freeOf(p) > 0 ? 0 : (bestSource(p)?.waitDays ?? 0);
      const { price, cost } = p;
      const fits = p.fits.length > 0 ? p.fits : [{}];
      return p.uses.filter(isPriced).flatMap((what) =>
        fits.map((fit): PriceLine => ({
          what,
          ...fit,
          price,
          ...(cost !== undefined && { cost }),
          waitDays,
        })),
      );
    })
    .sort((x, y) => x.waitDays - y.waitDays || x.price - y.price);

/** What a line of a price book is for. */
const scopeOf = ({ what, kind, family, maker, model }: PriceLine): string =>
  JSON.stringify([what, kind, family, maker?.toLowerCase(), model?.toLowerCase()]);

/**
 * The price book with the drawer in it: where the book has a price it stands, and is here as soon as the drawer has it; what the
 * book has none for costs what the catalogue says.
 */
export function bookWithDrawer(book: readonly PriceLine[], parts: readonly Stocked[]): PriceLine[] {
  const lines = catalogueLines(parts);
  const soonest = new Map<string, number>();
  for (const l of lines) if (!soonest.has(scopeOf(l))) soonest.set(scopeOf(l), l.waitDays);
  const own = book.map((l) => ({ ...l, waitDays: soonest.get(scopeOf(l)) ?? l.waitDays }));
  return [...own, ...lines];
}
