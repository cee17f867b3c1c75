import type { Commonness } from '../diagnosis';
import { CAUSE_IDS, type CauseId } from '../knowledge';
import type { MachineFacts } from '../machine';
import { groupOf, type Thousandths } from './lesson';
import type { Taught } from './owner';
import { ENOUGH, FURTHEST, STEP } from './parameters';
import { compare, strengthOf } from './strength';

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
  /** Findings that what was believed before of a cause is worth beside theirs; null where nothing is more than chance. */
  strength: number | null;
  causes: Partial<Record<CauseId, LearntCause>>;
}

/** What a shop's closed jobs say against the trade's odds. */
export interface Learnt {
  shop: LearntOf;
  groups: Readonly<Record<string, LearntOf>>;
  models: Readonly<Record<string, LearntOf & { group: string }>>;
}

const bounded = (factor: number): number => Math.min(FURTHEST, Math.max(1 / FURTHEST, factor));
/** In steps of a twentieth: the odds do not stir with every job that is closed. Four decimals: the same on every machine. */
function rounded(factor: number): number {
  const step = Math.round(Math.log(factor) / Math.log(STEP));
  return Math.round(STEP ** step * 10_000) / 10_000;
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
 * What a tally says against what is believed already (`before`, factors on the trade's odds): the mean of the posterior of how much
 * commoner each cause is, what is believed of it worth `strength` findings (Gamma and Poisson), as a factor on the trade's odds.
 */
function learntOf(tally: Tally, before: (cause: CauseId) => number, strength: number | null): LearntOf {
  const { found, due } = compare(tally, before);
  const moved = (cause: CauseId): number =>
    strength === null ? 1 : (strength + found.get(cause)!) / (strength + due.get(cause)!);
  const causes: LearntOf['causes'] = {};
  for (const cause of CAUSE_IDS) {
    const [there, expected] = [tally.found[cause] ?? 0, tally.expected[cause] ?? 0];
    if (there === 0 && expected === 0) continue;
    const factor = rounded(bounded(before(cause) * moved(cause)));
    causes[cause] = { factor, found: there, expected };
  }
  return { counts: tally.counts, strength, causes };
}

const factorIn =
  (learnt: LearntOf): ((cause: CauseId) => number) =>
  (cause) =>
    learnt.causes[cause]?.factor ?? 1;

/** Those of some tallies that are of enough jobs, by name. */
const enough = <T extends Tally>(tallies: Readonly<Record<string, T>>, least: number): [string, T][] =>
  Object.keys(tallies)
    .sort()
    .map((name): [string, T] => [name, tallies[name]!])
    .filter(([, tally]) => tally.counts >= least * 1000);

const asOne = ({ groups }: Tallies): Tally =>
  enough(groups, 0).reduce((all, [, tally]) => addTally(all, tally), NOTHING);

/**
 * What a shop has learnt from its tallies: the whole shop against the trade, each class against the shop, each model against its
 * class, where there are enough (hierarchical shrinkage). `met`: the same with every job counted in full, by which it is judged how far
 * all of it lies from what is believed already. Pure: the same tallies, the same to the last digit.
 *
 * @example
 * learn({ groups: {}, models: {} }).shop.counts // 0: the trade's odds stand
 */
export function learn(tallies: Tallies, met: Tallies = tallies): Learnt {
  const { groups, models } = tallies;
  const shop = learntOf(asOne(tallies), () => 1, strengthOf([compare(asOne(met), () => 1)]));

  const classStrength = strengthOf(
    enough(met.groups, ENOUGH.group).map(([, tally]) => compare(tally, factorIn(shop))),
  );
  const learntGroups = Object.fromEntries(
    enough(groups, ENOUGH.group).map(([name, tally]) => [
      name,
      learntOf(tally, factorIn(shop), classStrength),
    ]),
  );

  const beforeModel = (group: string) => factorIn(learntGroups[group] ?? shop);
  const modelStrength = strengthOf(
    enough(met.models, ENOUGH.model).map(([, tally]) => compare(tally, beforeModel(tally.group))),
  );
  const learntModels = Object.fromEntries(
    enough(models, ENOUGH.model).map(([name, tally]) => [
      name,
      { ...learntOf(tally, beforeModel(tally.group), modelStrength), group: tally.group },
    ]),
  );
  return { shop, groups: learntGroups, models: learntModels };
}

/** Tallies of a shop elsewhere, and what one of its jobs counts here, in hundredths. */
export interface Elsewhere {
  tallies: Tallies;
  weight: number;
}

/** What a shop has learnt from its own jobs and from others', as far as they count. */
export const learnFrom = (own: Tallies, elsewhere: readonly Elsewhere[]): Learnt =>
  learn(
    together([own, ...elsewhere.map(({ tallies, weight }) => weighed(tallies, weight))]),
    together([own, ...elsewhere.map(({ tallies }) => tallies)]),
  );

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
  if (ofModel) {
    const { counts, strength, causes } = ofModel;
    return { like: 'model', counts, strength, causes };
  }
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
