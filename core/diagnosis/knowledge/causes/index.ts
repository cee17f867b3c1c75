import { AIR_AND_CASE_CAUSES } from './airAndCase';
import { CARBURETTOR_CAUSES } from './carburettor';
import { FUEL_CAUSES } from './fuel';
import { SPARK_CAUSES } from './spark';
import { SQUEEZE_AND_DRIVE_CAUSES } from './squeezeAndDrive';
import { CAUSE_IDS, type CauseId } from '../vocabulary';
import type { CauseDef } from '../types';

const byId = new Map(
  [
    ...FUEL_CAUSES,
    ...CARBURETTOR_CAUSES,
    ...AIR_AND_CASE_CAUSES,
    ...SPARK_CAUSES,
    ...SQUEEZE_AND_DRIVE_CAUSES,
  ].map((cause) => [cause.id, cause]),
);

/** The cause of that id. Throws on an id that is not in the vocabulary. */
export const causeOf = (id: CauseId): CauseDef => {
  const found = byId.get(id);
  if (!found) throw new Error(`no such cause: ${id}`);
  return found;
};

/** Every cause, in vocabulary order. */
export const CAUSES: readonly CauseDef[] = CAUSE_IDS.map(causeOf);
