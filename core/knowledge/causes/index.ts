import type { MachineKind } from '../../machine';
import type { CauseSpec } from '../causeSpec';
import type { CheckId } from '../checks';
import { worded } from '../onTool';
import { AIR_AND_CASE_CAUSES } from './airAndCase';
import { CARBURETTOR_CAUSES } from './carburettor';
import { FUEL_CAUSES } from './fuel';
import { SCREW_CAUSES } from './screws';
import { SPARK_CAUSES } from './spark';
import { SQUEEZE_AND_DRIVE_CAUSES } from './squeezeAndDrive';

const TABLE = {
  ...FUEL_CAUSES,
  ...CARBURETTOR_CAUSES,
  ...SCREW_CAUSES,
  ...AIR_AND_CASE_CAUSES,
  ...SPARK_CAUSES,
  ...SQUEEZE_AND_DRIVE_CAUSES,
};

export type CauseId = keyof typeof TABLE;
export type CauseDef = CauseSpec & { readonly id: CauseId };

/** Every cause's id. Part of the case-file format: add, never rename or drop. */
export const CAUSE_IDS = Object.keys(TABLE) as readonly CauseId[];

/** The cause of that id, in the words of a kind of machine where one is given. Throws on an id that is not in the vocabulary. */
export const causeOf: (id: CauseId, kind?: MachineKind) => CauseDef = worded<CauseId, CauseSpec>(
  'cause',
  CAUSE_IDS.map((id) => ({ id, ...TABLE[id] })),
);

/** Every cause, in the order of their ids. Arrays "per cause" are in this order. */
export const CAUSES: readonly CauseDef[] = CAUSE_IDS.map((id) => causeOf(id));

/** Position of each cause in every per-cause array. */
export const CAUSE_INDEX: ReadonlyMap<CauseId, number> = new Map(CAUSE_IDS.map((id, i) => [id, i]));

const SEEN_AS = new Map<string, CauseId[]>();
const PUT_RIGHT_BY = new Map<CheckId, CauseId[]>();
for (const { id, seen, putRightBy } of CAUSES) {
  for (const [check, results] of Object.entries(seen ?? {}))
    for (const result of results) {
      const key = `${check} ${result}`;
      SEEN_AS.set(key, [...(SEEN_AS.get(key) ?? []), id]);
    }
  for (const check of putRightBy ?? []) PUT_RIGHT_BY.set(check, [...(PUT_RIGHT_BY.get(check) ?? []), id]);
}

/** The causes that a result is, seen with one's own eyes or measured: none for a symptom several causes share. */
export const seenAs = (check: CheckId, result: string): readonly CauseId[] =>
  SEEN_AS.get(`${check} ${result}`) ?? [];

/** The causes a trial puts right for the time being. */
export const putRightBy = (check: CheckId): readonly CauseId[] => PUT_RIGHT_BY.get(check) ?? [];
