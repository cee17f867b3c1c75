import type { CauseId, Pace } from '../knowledge';
import { jobsFor, type RepairJob } from './jobs';
import { labourOf, withTax, type Cents } from './money';
import { partsFor, type PricedMachine, type PriceLine } from './priceBook';
import { PROVING_MINUTES, QUEUE_DAYS } from './risks';
import type { ShopRules } from './rules';

/** By what a shop reckons. */
export interface Reckoning {
  rules: ShopRules;
  book: readonly PriceLine[];
  machine: PricedMachine;
  /** How much longer things take in this shop, whoever does them: a price is the shop's. */
  pace?: Pace;
}

/** What putting a set of causes right comes to. */
export interface Quote {
  jobs: readonly RepairJob[];
  /** What the owner pays, tax in. */
  price: Cents;
  /** What of it is labour and parts, before tax and before a smallest charge. */
  labour: Cents;
  parts: Cents;
  /** What it costs the shop: its bench time at its own rate, and the parts as bought. */
  shopCost: Cents;
  minutes: number;
  /** Working days until it is done. */
  days: number;
}

/** What the owner pays for having had it looked at and nothing done, tax in. */
export const feeOf = ({ rules }: Pick<Reckoning, 'rules'>): Cents =>
  withTax(rules.diagnosisFee, rules.taxPermille);

/** What a like machine costs new, tax in. */
export const likeOf = ({ book, machine }: Pick<Reckoning, 'book' | 'machine'>): Cents =>
  partsFor(book, 'like', machine).price;

/**
 * The price of putting these causes right: labour by the minute with tuning and proof, parts by the price book, not less than
 * the smallest charge, the fee for looking where it is not credited, tax on all of it. Where the fee is credited a repair
 * never costs less than the fee did: else looking would be dearer than mending. `besides`: jobs that no cause stands for.
 *
 * @example quote(['plug-failed'], { rules: USUAL_RULES, book: [], machine: { kind: 'chainsaw' } }).price // 3000: 18 min and a plug come to less than the fee
 */
export function quote(
  causes: readonly CauseId[],
  { rules, book, machine, pace }: Reckoning,
  besides: readonly RepairJob[] = [],
): Quote {
  const jobs = [...jobsFor(causes, pace, machine.kind), ...besides];
  const parts = jobs.map((job) => partsFor(book, job.id, machine));
  const sum = (of: (p: (typeof parts)[number]) => number): number => parts.reduce((n, p) => n + of(p), 0);
  const minutes = jobs.length === 0 ? 0 : jobs.reduce((n, j) => n + j.minutes, PROVING_MINUTES);
  const labour = labourOf(minutes, rules.ratePerHour);
  const done = jobs.length === 0 ? 0 : Math.max(rules.smallestCharge, labour + sum((p) => p.price));
  const net =
    rules.feeCredited && jobs.length > 0 ? Math.max(done, rules.diagnosisFee) : done + rules.diagnosisFee;
  return {
    jobs,
    price: withTax(net, rules.taxPermille),
    labour,
    parts: sum((p) => p.price),
    shopCost: labour + sum((p) => p.cost),
    minutes,
    days: QUEUE_DAYS + Math.max(0, ...parts.map((p) => p.waitDays)),
  };
}
