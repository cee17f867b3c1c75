export {
  codeOf,
  GROUPS,
  isAbout,
  LEVELS,
  MOST_NUMBER,
  readCode,
  THEMES,
  type Exercise,
  type GroupId,
  type Level,
  type ThemeId,
} from './exercise';
export { hiddenOf, type Hidden } from './hidden';
export { lastNote, type Ended, type Move, type Noted, type Shows, type Step, type Worked } from './moves';
export { caseIn, workBy, WAYS, type PracticeWay } from './robot';
export { misledBy, READY_IDS, readyFor, type ReadyId } from './ready';
export { TRAPS, trapOf, type Trap } from './traps';
export { benchFor, workedBy, type Working } from './work';
export { drawExercise, trapOfWeek, weekOf } from './choose';
export { dueAt, remember, type Memories, type Memory } from './due';
export { reviewOf, type Grade, type Instead, type Review, type ReviewedStep, type TooSoon } from './review';
export { heardOf } from './heard';
export { faultsInWords, logOf } from './log';
export { signOf } from './signs';
