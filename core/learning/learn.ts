import type { Commonness } from '../diagnosis';
import { CAUSE_IDS, type CauseId } from '../knowledge';
import type { MachineFacts } from '../machine';
import { groupOf, type Thousandths } from './lesson';
import type { Taught } from './owner';
import { CHANCE, ENOUGH, FURTHEST, LEAST_PRIOR, STEP, STRENGTH, SURELY } from './parameters';

/** What all that was taught of some machines comes to: thousandths of a job. */
export type Tally = Taught;

/** Tallies of a shop: of each class of machine, and of each model. */
export interface Tallies {
  groups: Readonly<Record<string, Tally>>;
  /** By maker and model in small letters. */
  models: Readonly<Record<string, Tally & { group: string }>>;
}

/** What was learnt of one cause. */
export interface LearntCause {
  /** How much commoner it is here than the trade says, as a factor on its odds. */
  factor: number;
  /** Jobs it was found on, and jobs it would have been expected on by the trade: thousandths. */
  found: number;
  expected: number;
}

/** What was learnt of some machines: of so many jobs (thousandths), by cause. */
export interface LearntOf {
  counts: number;
  causes: Partial<Record<CauseId, LearntCause>>;
}

/** What a shop's closed jobs say against the trade's odds. */
export interface Learnt {
  shop: LearntOf;
  groups: Readonly<Record<string, LearntOf>>;
  models: Readonly<Record<string, LearntOf & { group: string }>>;
}

const sum = (of: Thousandths): number => Object.values(of).reduce((a, b) => a + b, 0);
const bounded = (factor: number): number => Math.min(FURTHEST, Math.max(1 / FURTHEST, factor));
/** In steps of a twentieth: the odds do not stir with every job that is closed. Four decimals: the same on every machine. */
function rounded(factor: number): number {
  const step = Math.round(Math.log(factor) / Math.log(STEP));
  return Math.round(STEP ** step * 10_000) / 10_000;
}

/**
 * What was found, as far as it is more than chance (thousandths): within one spread of what is due it is no news, from `SURELY`
 * spreads on it counts in full, between them in proportion (firm shrinkage, Gao and Bruce 1997). The spread of a count is the root
 * of what is due.
 */
function beyondChance(found: number, due: number): number {
  const spread = Math.sqrt(due / 1000 + 1) * 1000;
  const off = found - due;
  const by = Math.abs(off) / spread;
  const counts = Math.min(by, Math.max(0, (SURELY * (by - CHANCE)) / (SURELY - CHANCE)));
  return due + Math.sign(off) * counts * spread;
}

/** Two tallies together. */
export function addTally(x: Tally, y: Tally): Tally {
  const added = (a: Thousandths, b: Thousandths): Thousandths => {
    const both: Thousandths = { ...a };
    for (const [cause, n] of Object.entries(b) as [CauseId, number][]) both[cause] = (both[cause] ?? 0) + n;
    return both;
  };
  return {
    counts: x.counts + y.counts,
    found: added(x.found, y.found),
    expected: added(x.expected, y.expected),
  };
}

const NOTHING: Tally = { counts: 0, found: {}, expected: {} };

/**
 * What a tally says against what is believed already (`before`, factors on the trade's odds): the mean of a Dirichlet posterior
 * whose prior is worth `strength` jobs, cause by cause, as a factor on the trade's odds. A shop finds less than is there, so only
 * shares are compared: what is expected is scaled to what was found.
 */
function learntOf(tally: Tally, before: (cause: CauseId) => number, strength: number): LearntOf {
  const due = new Map(CAUSE_IDS.map((cause) => [cause, (tally.expected[cause] ?? 0) * before(cause)]));
  const all = sum(tally.found);
  const scale = all / [...due.values()].reduce((a, b) => a + b, 0);
  const causes: LearntOf['causes'] = {};
  for (const cause of CAUSE_IDS) {
    const found = tally.found[cause] ?? 0;
    const expected = tally.expected[cause] ?? 0;
    if (found === 0 && expected === 0) continue;
    // Nothing to compare, or never expected: as common as what is hardly ever expected.
    const share = Number.isFinite(scale) ? Math.max(due.get(cause)! * scale, 1) : 0;
    const prior = all > 0 ? Math.max((strength * 1000 * share) / all, LEAST_PRIOR * 1000) : 0;
    const moved = prior > 0 ? (prior + beyondChance(found, share)) / (prior + share) : 1;
    causes[cause] = { factor: rounded(bounded(before(cause) * moved)), found, expected };
  }
  return { counts: tally.counts, causes };
}

const factorIn =
  (learnt: LearntOf): ((cause: CauseId) => number) =>
  (cause) =>
    learnt.causes[cause]?.factor ?? 1;

/**
 * What a shop has learnt from its tallies: the whole shop against the trade, each class against the shop, each model against its
 * class, where there are enough (hierarchical shrinkage). Pure: the same tallies, the same to the last digit.
 *
 * @example
 * learn({ groups: {}, models: {} }).shop.counts // 0: the trade's odds stand
 */
export function learn({ groups, models }: Tallies): Learnt {
  const names = Object.keys(groups).sort();
  const shop = learntOf(names.map((name) => groups[name]!).reduce(addTally, NOTHING), () => 1, STRENGTH.shop);
  const learntGroups = Object.fromEntries(
    names
      .filter((name) => groups[name]!.counts >= ENOUGH.group * 1000)
      .map((name) => [name, learntOf(groups[name]!, factorIn(shop), STRENGTH.group)]),
  );
  const learntModels = Object.fromEntries(
    Object.keys(models)
      .sort()
      .filter((model) => models[model]!.counts >= ENOUGH.model * 1000)
      .map((model) => {
        const { group, ...tally } = models[model]!;
        const before = factorIn(learntGroups[group] ?? shop);
        return [model, { ...learntOf(tally, before, STRENGTH.model), group }];
      }),
  );
  return { shop, groups: learntGroups, models: learntModels };
}

/** What was learnt of machines like one, and how like it they are. */
export interface LearntHere extends LearntOf {
  like: 'model' | 'class' | 'shop';
}

/**
 * What a shop has learnt of machines like one: of its model where there are enough, else of its class, else of all. `model`: maker
 * and model in small letters.
 */
export function learntFor(learnt: Learnt, machine: MachineFacts, model: string): LearntHere {
  const ofModel = learnt.models[model];
  if (ofModel) return { like: 'model', counts: ofModel.counts, causes: ofModel.causes };
  const ofClass = learnt.groups[groupOf(machine)];
  return ofClass ? { like: 'class', ...ofClass } : { like: 'shop', ...learnt.shop };
}

/** Tallies as so many hundredths of them count. */
export function weighed({ groups, models }: Tallies, hundredths: number): Tallies {
  const part = (n: number): number => Math.round((n * hundredths) / 100);
  const parts = (of: Thousandths): Thousandths =>
    Object.fromEntries(Object.entries(of).map(([cause, n]) => [cause, part(n)]));
  const all = <T extends Tally>(tallies: Readonly<Record<string, T>>): Record<string, T> =>
    Object.fromEntries(
      Object.entries(tallies).map(([name, tally]) => [
        name,
        { ...tally, counts: part(tally.counts), found: parts(tally.found), expected: parts(tally.expected) },
      ]),
    );
  return { groups: all(groups), models: all(models) };
}

/** Several tallies as one. A model that is of two classes, by its size, goes with the one that was met oftener. */
export function together(several: readonly Tallies[]): Tallies {
  const groups: Record<string, Tally> = {};
  const models: Record<string, Tally & { group: string }> = {};
  for (const one of several) {
    for (const [name, tally] of Object.entries(one.groups))
      groups[name] = addTally(groups[name] ?? NOTHING, tally);
    for (const [name, { group, ...tally }] of Object.entries(one.models)) {
      const known = models[name];
      models[name] = {
        ...addTally(known ?? NOTHING, tally),
        group: known && known.counts >= tally.counts ? known.group : group,
      };
    }
  }
  return { groups, models };
}

/** What was learnt, as the diagnosis takes it; null where nothing was. */
export function commonnessIn({ causes }: LearntOf): Commonness | null {
  const factors = Object.entries(causes).flatMap(([cause, { factor }]) =>
    factor === 1 ? [] : [[cause, factor] as const],
  );
  return factors.length > 0 ? Object.fromEntries(factors) : null;
}
