import type { MachineKind } from '../../machine';
import type { CheckSpec, ResultDef } from '../checkSpec';
import { AIR_AND_EXHAUST_CHECKS } from './airAndExhaust';
import { CARBURETTOR_CHECKS } from './carburettor';
import { worded } from '../onTool';
import { FUEL_CHECKS } from './fuel';
import { RUNNING_CHECKS } from './running';
import { SPARK_CHECKS } from './spark';
import { SQUEEZE_CHECKS } from './squeeze';

const TABLE = {
  ...FUEL_CHECKS,
  ...SPARK_CHECKS,
  ...SQUEEZE_CHECKS,
  ...AIR_AND_EXHAUST_CHECKS,
  ...CARBURETTOR_CHECKS,
  ...RUNNING_CHECKS,
};

export type CheckId = keyof typeof TABLE;
/** The ids of a check's results. */
export type ResultOf<C extends CheckId> = (typeof TABLE)[C]['results'][number]['id'];
export type CheckDef = CheckSpec & { readonly id: CheckId };

/** Every check's id. Part of the case-file format: add, never rename or drop. */
export const CHECK_IDS = Object.keys(TABLE) as readonly CheckId[];

/** The check of that id, in the words of a kind of machine where one is given. Throws on an id that is not in the vocabulary. */
export const checkOf: (id: CheckId, kind?: MachineKind) => CheckDef = worded<CheckId, CheckSpec>(
  'check',
  CHECK_IDS.map((id) => ({ id, ...TABLE[id] })),
);

/** Every check, in the order of their ids. */
export const CHECKS: readonly CheckDef[] = CHECK_IDS.map((id) => checkOf(id));

/** The named result of a check, or undefined when the check has no such result. */
export const resultOf = (id: CheckId, result: string): ResultDef | undefined =>
  checkOf(id).results.find((r) => r.id === result);
