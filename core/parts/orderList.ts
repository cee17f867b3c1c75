import type { Cents } from '../worth';
import type { Part, Source, Stocked } from './part';

/** A part to be ordered for a job. */
export interface ToOrder {
  part: string;
  count: number;
  /** Where the technician would have it from; null: where it comes from soonest. */
  source: string | null;
}

/** One line of an order. */
export interface OrderLine {
  part: Stocked;
  /** For jobs, and to fill the drawer up. */
  forJobs: number;
  forDrawer: number;
  each: Cents;
}

/** What goes to one source. */
export interface SourceOrder {
  source: string;
  waitDays: number;
  lines: readonly OrderLine[];
  total: Cents;
}

/** Where a part is had soonest, then cheapest; null where nobody wrote down where. */
export const bestSource = (part: Pick<Part, 'sources' | 'cost' | 'price'>): Source | null =>
  part.sources.toSorted(
    (x, y) => x.waitDays - y.waitDays || (x.cost ?? part.cost ?? 0) - (y.cost ?? part.cost ?? 0),
  )[0] ?? null;

/** A part nobody wrote a source down for. */
export const NO_SOURCE = '';

/**
 * What is to be ordered now, by source: what jobs want, and what brings the drawer back to its least count. `onTheWay`: how many
 * of each part are ordered already; they count as lying there, those for jobs aside.
 */
export function orderList(
  parts: readonly Stocked[],
  wanted: readonly ToOrder[],
  onTheWay: ReadonlyMap<string, number>,
): SourceOrder[] {
  const orders = new Map<string, OrderLine[]>();
  const waits = new Map<string, number>();
  for (const part of parts) {
    const best = bestSource(part);
    const mine = wanted.filter((w) => w.part === part.id);
    const short = part.donor
      ? 0
      : Math.max(0, part.least - (part.onHand - part.held) - (onTheWay.get(part.id) ?? 0));
    const bySource = new Map<string, { forJobs: number; forDrawer: number }>();
    const add = (source: string, forJobs: number, forDrawer: number): void => {
      const known = bySource.get(source) ?? { forJobs: 0, forDrawer: 0 };
      bySource.set(source, { forJobs: known.forJobs + forJobs, forDrawer: known.forDrawer + forDrawer });
    };
    for (const w of mine) add(w.source ?? best?.name ?? NO_SOURCE, w.count, 0);
    if (short > 0) add(best?.name ?? NO_SOURCE, 0, short);
    for (const [name, counts] of bySource) {
      const source = part.sources.find((s) => s.name === name);
      const each = source?.cost ?? part.cost ?? part.price;
      orders.set(name, [...(orders.get(name) ?? []), { part, each, ...counts }]);
      waits.set(name, Math.max(waits.get(name) ?? 0, source?.waitDays ?? 0));
    }
  }
  return [...orders]
    .map(([source, lines]) => ({
      source,
      waitDays: waits.get(source) ?? 0,
      lines,
      total: lines.reduce((sum, l) => sum + l.each * (l.forJobs + l.forDrawer), 0),
    }))
    .sort((x, y) => x.source.localeCompare(y.source));
}
