import { addBusinessDays, format, parseISO } from 'date-fns';
import { isPriced, partsFor, usualCost, type Cents, type PricedMachine, type PriceLine } from '../worth';
import { fitsOn, freeOf, servesFor, type PartUse, type Source, type Stocked } from './part';

/** One way to come by a part. */
export interface Way {
  kind: 'drawer' | 'instead' | 'donor' | 'order';
  /** Null: none is on the books; it has to be looked for. */
  part: Stocked | null;
  /** What has to be seen to: of a part in another's place, or of a donor's. */
  condition?: string;
  source?: Source;
  /** Working days until it is in hand, and that day (ISO). */
  days: number;
  arrives: string;
  /** What the owner pays before tax, and what the shop pays. */
  price: Cents;
  cost: Cents;
  /** The machine can be ready on the day it was promised for; null where none was. */
  inTime: boolean | null;
}

/** So many working days later, ISO days. */
export const workingDaysOn = (today: string, days: number): string =>
  format(addBusinessDays(parseISO(today), days), 'yyyy-MM-dd');

/** In hand before it is promised: with the part in the house in the morning, it can be ready that day. */
const inTimeFor = (arrives: string, promisedFor: string | null): boolean | null =>
  promisedFor === null ? null : arrives <= promisedFor;

/** Of ways that all keep the promise, or all break it, which comes first. */
const RANK: Readonly<Record<Way['kind'], number>> = { drawer: 0, order: 1, instead: 2, donor: 3 };

/**
 * The ways to come by what is wanted, the best first: what lies in the drawer; then what keeps the promise, the right part
 * before one in its place and before a donor's; among orders the sooner, then the cheaper. A part in another's place is worth
 * having where the right one comes too late.
 */
export function waysFor(
  use: PartUse,
  {
    machine,
    parts,
    book,
    today,
    promisedFor,
  }: {
    machine: PricedMachine;
    parts: readonly Stocked[];
    book: readonly PriceLine[];
    today: string;
    promisedFor: string | null;
  },
): Way[] {
  const right = parts.filter((p) => servesFor(p, use) && fitsOn(p, machine));
  const way = (
    kind: Way['kind'],
    part: Stocked,
    days: number,
    more: Partial<Pick<Way, 'condition' | 'source'>> = {},
  ): Way => {
    const arrives = workingDaysOn(today, days);
    return {
      kind,
      part,
      days,
      arrives,
      price: part.price,
      cost: more.source?.cost ?? part.cost ?? usualCost(part.price),
      inTime: inTimeFor(arrives, promisedFor),
      ...more,
    };
  };
  const byId = new Map(parts.map((p) => [p.id, p]));
  const ways = right.flatMap((part): Way[] => [
    ...(freeOf(part) > 0
      ? [part.donor ? way('donor', part, 0, { condition: part.donor.condition }) : way('drawer', part, 0)]
      : []),
    ...part.sources.map((source) => way('order', part, source.waitDays, { source })),
    ...part.instead.flatMap(({ part: id, condition }) => {
      const other = byId.get(id);
      return other && freeOf(other) > 0 && !right.includes(other)
        ? [way('instead', other, 0, { condition })]
        : [];
    }),
  ]);
  if (!ways.some((w) => w.kind === 'order' || w.kind === 'drawer')) {
    const usual = isPriced(use) ? partsFor(book, use, machine) : { price: 0, cost: 0, waitDays: 3 };
    const arrives = workingDaysOn(today, Math.max(1, usual.waitDays));
    ways.push({
      kind: 'order',
      part: null,
      days: Math.max(1, usual.waitDays),
      arrives,
      price: usual.price,
      cost: usual.cost,
      inTime: inTimeFor(arrives, promisedFor),
    });
  }
  const late = (w: Way): number => (w.inTime === false ? 1 : 0);
  return ways.sort(
    (x, y) =>
      late(x) - late(y) ||
      // All come too late: what gets it going soonest.
      (late(x) ? x.days - y.days : 0) ||
      RANK[x.kind] - RANK[y.kind] ||
      x.days - y.days ||
      x.cost - y.cost,
  );
}
