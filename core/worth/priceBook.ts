import { classOf, type ClassId, type MachineFacts, type MachineKind } from '../machine';
import type { FamilyId } from '../knowledge';
import { PRICED_IDS, type PricedId } from './jobs';
import type { Cents } from './money';
import { usualLike } from './rules';

/** What a price book has lines for. */
export const BOOK_IDS: readonly (PricedId | 'like')[] = ['like', ...PRICED_IDS];
/** No price of this trade is higher, in cents. */
export const MOST_CENTS: Cents = 10_000_00;
/** Nothing is waited for longer, working days. */
export const MOST_WAIT_DAYS = 365;

/** What parts a job takes, or what a like machine costs, for one model, one family of carburettors, one kind of machine, or all. */
export interface PriceLine {
  what: PricedId | 'like';
  kind?: MachineKind;
  family?: FamilyId;
  maker?: string;
  model?: string;
  /** What the owner pays for the parts before tax; of a like machine: what it costs new, tax in. */
  price: Cents;
  /** What the parts cost the shop. */
  cost?: Cents;
  /** Working days until they are here; 0: from the drawer. */
  waitDays: number;
}

/** Parts of a job: what they come to, and how long they take to come. */
export interface PartsPrice {
  price: Cents;
  cost: Cents;
  waitDays: number;
  /** Whose figure it is: the shop's for the model, family, kind or all, or an ordinary one. */
  from: 'model' | 'family' | 'kind' | 'shop' | 'usual';
}

/** A machine as a price book looks it up. */
export interface PricedMachine extends MachineFacts {
  maker?: string;
  model?: string;
  /** Its carburettor's family, where somebody said it. */
  family?: FamilyId;
}

type Usual = readonly [price: Cents, waitDays: number];

const TAKES_NONE: Usual = [0, 0];
/** Parts of a household machine as the trade's ordinary prices go; null: it takes none. */
const USUAL: Readonly<Record<PricedId, Usual | null>> = {
  'safety-part': [12_00, 2],
  'stale-fuel': [3_00, 0],
  'water-in-fuel': [3_00, 0],
  'no-oil-in-fuel': [3_00, 0],
  'oil-heavy-mix': [7_00, 0],
  'fuel-filter-clogged': [4_00, 0],
  'fuel-filter-off': [4_00, 0],
  'fuel-line-leak': [8_00, 0],
  'fuel-line-blocked': [8_00, 0],
  'tank-or-grommet-leak': [9_00, 2],
  'tank-dirty': [4_00, 0],
  'tank-vent-blocked': [5_00, 1],
  'primer-faulty': [6_00, 0],
  'inlet-screen-clogged': [2_00, 0],
  'carb-tampered': [42_00, 3],
  'carburettor-whole': [42_00, 3],
  'pump-diaphragm-stiff': [14_00, 1],
  'impulse-fault': [5_00, 1],
  'needle-not-sealing': [7_00, 1],
  'metering-diaphragm-stiff': [9_00, 1],
  'metering-diaphragm-proud': [9_00, 1],
  'metering-diaphragm-torn': [9_00, 1],
  'needle-stuck-shut': [7_00, 1],
  'metering-lever-high': [2_00, 0],
  'metering-lever-low': [2_00, 0],
  'idle-circuit-blocked': [6_00, 1],
  'main-circuit-blocked': [6_00, 1],
  'carburettor-rebuild': [16_00, 1],
  'choke-stuck': [2_00, 0],
  'throttle-linkage-fault': [12_00, 3],
  'air-filter-clogged': [9_00, 1],
  'intake-leak': [14_00, 3],
  'crank-seal-leak': [16_00, 4],
  'base-gasket-leak': [9_00, 4],
  'reseal-case': [22_00, 4],
  'spark-screen-clogged': [4_00, 1],
  'spark-screen-missing': [6_00, 1],
  'muffler-loose': [4_00, 1],
  'exhaust-port-carboned': [6_00, 2],
  'clean-exhaust': [8_00, 2],
  'plug-fouled': [5_00, 0],
  'plug-failed': [5_00, 0],
  'new-plug': [5_00, 0],
  'fresh-mix': [7_00, 0],
  'line-and-filter': [11_00, 0],
  'stop-circuit-grounded': [6_00, 1],
  'stop-circuit-open': [6_00, 1],
  'mend-stop-wire': [7_00, 1],
  'coil-failed': [38_00, 4],
  'magnets-weak': [45_00, 7],
  'flywheel-key-sheared': [6_00, 3],
  'plug-lead-loose': [5_00, 0],
  'piston-heat-scored': [88_00, 5],
  'piston-dirt-worn': [88_00, 5],
  'ring-stuck': [88_00, 5],
  'top-end': [88_00, 5],
  'bottom-end-worn': [165_00, 10],
  'bottom-end': [165_00, 10],
  'decompressor-leak': [16_00, 3],
  'decompressor-stuck': [16_00, 3],
  'recoil-jammed': [12_00, 2],
  'clutch-slips': [24_00, 4],
  'chain-dull': [8_00, 0],
  'drive-drag': [10_00, 2],
  'engine-flooded': [5_00, 0],
  'fuel-lines-swapped': null,
  'low-screw-lean': null,
  'low-screw-rich': null,
  'high-screw-lean': null,
  'high-screw-rich': null,
  'idle-stop-wrong': null,
  'choke-not-closing': null,
  'cooling-fins-blocked': null,
  'coil-gap-wide': null,
  'coil-gap-tight': null,
  'starting-drill-wrong': null,
  'set-low-screw': null,
  'set-high-screw': null,
  'set-coil-gap': null,
  'own-words': null,
};
/** Of a class's parts, as a share of a household machine's, in hundredths. */
const SCALE: Readonly<Record<ClassId, number>> = {
  light: 85,
  hedge: 100,
  blower: 100,
  backpack: 140,
  household: 100,
  farm: 160,
};
/** What the shop pays of an ordinary price, in hundredths. */
const COST_SHARE = 65;
/** What the shop pays for a part where nobody wrote it down. */
export const usualCost = (price: Cents): Cents => Math.round((price * COST_SHARE) / 100);
/** A like machine is had in so many days. */
const LIKE_DAYS = 3;

/** Whether two names are the same but for letter case and blanks at their ends; none is the same as none. */
export const sameName = (x: string | undefined, y: string | undefined): boolean =>
  x !== undefined && y !== undefined && x.trim().toLowerCase() === y.trim().toLowerCase();

/**
 * What parts of a job come to on a machine: by its model, else its carburettor's family, else its kind, else for all, as the
 * shop wrote it down; else an ordinary price of its class.
 */
export function partsFor(
  book: readonly PriceLine[],
  what: PriceLine['what'],
  machine: PricedMachine,
): PartsPrice {
  const lines = book.filter((line) => line.what === what);
  const byModel = lines.find((l) => sameName(l.maker, machine.maker) && sameName(l.model, machine.model));
  const byFamily = lines.find((l) => l.family !== undefined && l.family === machine.family);
  const byKind = lines.find((l) => !l.model && l.kind === machine.kind);
  const forAll = lines.find((l) => !l.model && !l.family && !l.kind);
  const line = byModel ?? byFamily ?? byKind ?? forAll;
  if (line)
    return {
      price: line.price,
      cost: line.cost ?? usualCost(line.price),
      waitDays: line.waitDays,
      from: line === byModel ? 'model' : line === byFamily ? 'family' : line === byKind ? 'kind' : 'shop',
    };
  if (what === 'like')
    return { price: usualLike(machine), cost: usualLike(machine), waitDays: LIKE_DAYS, from: 'usual' };
  const [usual, waitDays] = USUAL[what] ?? TAKES_NONE;
  const price = Math.round((usual * SCALE[classOf(machine).id]) / 100);
  return { price, cost: usualCost(price), waitDays, from: 'usual' };
}
