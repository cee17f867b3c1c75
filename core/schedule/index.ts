export { goThrough, logNormalMinutes, promisesOf, type DrawMinutes, type Promised } from './chances';
export { beforeOf, costOf, type Before, type Cost } from './cost';
export { decode, Plan, ready, type Ready } from './decode';
export { readyNineInTen } from './earliest';
export { exactPlan } from './exact';
export { helpsOf, SHAKY, type Help, type IfOrdered } from './helps';
export { USUAL_HOURS, windowsOf, type CalendarDay, type Hours } from './hours';
export { workOf, type OpenJob, type Waiting, type Waits } from './ofJobs';
export { workKey } from './key';
export { planned, planOf, type DayPlan } from './plan';
export { pressing, type Pressed } from './pressing';
export { orderBy, planBy, RULE_IDS, type SimpleRule } from './rules';
export { search, type Found } from './search';
export {
  ROOMS,
  SETUP,
  setupBetween,
  type Crew,
  type DueJob,
  type Pin,
  type Place,
  type Slot,
  type Task,
  type TaskKind,
  type Work,
} from './task';
