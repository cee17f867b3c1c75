import { AIR_AND_EXHAUST_CHECKS } from './airAndExhaust';
import { CARBURETTOR_CHECKS } from './carburettor';
import { FUEL_CHECKS } from './fuel';
import { RUNNING_CHECKS } from './running';
import { SPARK_CHECKS } from './spark';
import { SQUEEZE_CHECKS } from './squeeze';
import { CHECK_IDS, type CheckId } from '../vocabulary';
import type { CheckDef, ResultDef } from '../types';

const byId = new Map(
  [
    ...FUEL_CHECKS,
    ...SPARK_CHECKS,
    ...SQUEEZE_CHECKS,
    ...AIR_AND_EXHAUST_CHECKS,
    ...CARBURETTOR_CHECKS,
    ...RUNNING_CHECKS,
  ].map((check) => [check.id, check]),
);

/** The check of that id. Throws on an id that is not in the vocabulary. */
export const checkOf = (id: CheckId): CheckDef => {
  const found = byId.get(id);
  if (!found) throw new Error(`no such check: ${id}`);
  return found;
};

/** Every check, in vocabulary order. */
export const CHECKS: readonly CheckDef[] = CHECK_IDS.map(checkOf);

/** The named result of a check, or undefined when the check has no such result. */
export const resultOf = (id: CheckId, result: string): ResultDef | undefined =>
  checkOf(id).results.find((r) => r.id === result);
