export { expectedOn, groupOf, lessonOf, type Lesson, type Thousandths } from './lesson';
export { taughtBy, type OwnersJob, type Taught } from './owner';
export {
  commonnessIn,
  learn,
  learnFrom,
  learntFor,
  together,
  type Elsewhere,
  type Learnt,
  type LearntCause,
  type LearntHere,
  type LearntOf,
  type Tallies,
  type Tally,
} from './learn';
export {
  doneIn,
  ENOUGH_TIMES,
  learnMinutes,
  paceOf,
  pacesIn,
  timeKey,
  timesIn,
  type Done,
  type LearntMinutes,
  type LearntPace,
  type Paces,
  type TaskTime,
  type TimeCounts,
} from './minutes';
export { ENOUGH, FURTHEST, LEAST_STRENGTH } from './parameters';
