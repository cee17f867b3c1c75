import { CAUSE_IDS, type CauseId } from './causes';
import { CHECK_IDS, type CheckId } from './checks';
import { REMEDY_IDS, type RemedyId } from './remedies';
import { PART_IDS, type PartId } from './vocabulary';

/** Bench minutes of one layer of a carburettor: off, laid back, a new one fitted in its place (trade). */
export const LAYER_MINUTES = { 'layer-off': 0.8, 'layer-back': 0.7, 'layer-new': 1.2 } as const;
/** A step of a rebuild. */
export type LayerTask = keyof typeof LAYER_MINUTES;
export const LAYER_TASKS = Object.keys(LAYER_MINUTES) as readonly LayerTask[];

/**
 * What is done at the bench and has minutes: a check, a part off and on, the repair of one cause, a whole job, a step of a rebuild. No
 * two have one id.
 */
export type TaskId = CheckId | PartId | CauseId | RemedyId | LayerTask;
export const TASK_IDS: readonly TaskId[] = [
  ...CHECK_IDS,
  ...PART_IDS,
  ...CAUSE_IDS,
  ...REMEDY_IDS,
  ...LAYER_TASKS,
];

/** How much longer things take than the trade says, as factors on their minutes. What is not in it takes as long as anywhere. */
export type Pace = Partial<Readonly<Record<TaskId, number>>>;
