import {
  causeOf,
  CHECKS,
  PARTS,
  REMEDIES,
  type CauseId,
  type LayerTask,
  type TaskId,
} from '@rusty-wren/core/knowledge';
import type { LearntCause, LearntHere, LearntOf } from '@rusty-wren/core/learning';

const LIKE: Readonly<Record<LearntHere['like'], string>> = {
  model: 'of this model',
  class: 'of its class',
  shop: 'of any kind',
};

/** Thousandths of a job as jobs. */
export const jobsIn = (thousandths: number): number => Math.round(thousandths / 1000);

/** "9 of 41; the trade: 6 in 100", of a cause on so many jobs. */
export function sharesWords({ found, expected }: LearntCause, { counts }: LearntOf): string {
  const inHundred = (100 * expected) / counts;
  const trade =
    inHundred >= 1 ? Math.round(inHundred) : inHundred >= 0.1 ? inHundred.toFixed(1) : 'under 0.1';
  return `${jobsIn(found)} of ${jobsIn(counts)}; the trade: ${trade} in 100`;
}

/** What this shop says of a cause on a machine: "This shop, of its class: 9 of 41; the trade: 6 in 100"; null where it has nothing to say. */
export function shopSays(learnt: LearntHere | null, cause: keyof LearntHere['causes']): string | null {
  const of = learnt?.causes[cause];
  return learnt && of && learnt.counts > 0
    ? `This shop, ${LIKE[learnt.like]}: ${sharesWords(of, learnt)}`
    : null;
}

/** A factor as "×1.6" of what is commoner, "÷1.6" of what is rarer; null where it is as common as anywhere. */
export function factorWords(factor: number): string | null {
  if (factor === 1) return null;
  return factor > 1 ? `×${factor.toFixed(1)}` : `÷${(1 / factor).toFixed(1)}`;
}

const LAYERS: Readonly<Record<LayerTask, string>> = {
  'layer-off': 'A layer of a carburettor off',
  'layer-back': 'A layer of a carburettor back',
  'layer-new': 'A new layer in a carburettor',
};

/** What is done: a check by its name, a part off and on, a repair by what it does. */
export function taskName(task: TaskId): string {
  const check = CHECKS.find((c) => c.id === task);
  if (check) return check.name;
  const part = PARTS.find((p) => p.id === task);
  if (part) return `${part.name}, off and on`;
  if (task in LAYERS) return LAYERS[task as LayerTask];
  return REMEDIES.find((r) => r.id === task)?.does ?? causeOf(task as CauseId).remedy;
}
