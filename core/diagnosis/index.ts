export { takeIn, withGoing, type Case, type Commonness, type Evidence } from './case';
export {
  causesOn,
  diagnose,
  forecastOf,
  glance,
  glanceAhead,
  looksAhead,
  nextInOrder,
  whyOrWhyNot,
  type Behind,
  type Diagnosis,
  type Glance,
} from './diagnose';
export { type Misreading, type Moved, type Reasons, type Suspect } from './explain';
export { explainsAny } from './plan/needs';
export { likelyIn, mayResult, type Likely, type LikelySet, type MayResult } from './likely';
export { type Found } from './found';
export { asOutcome } from './likelihood';
export { standingComplaints } from './posterior';
export { creditOf, type Credit } from './credit';
export { whoseCure, type Changed, type WhoseCure } from './whoseCure';
export { factIn, timelineOf, type Known } from './timeline';
export { ACT_ON, CLOSING_SHARE, HANDLING_MINUTES } from './parameters';
export {
  costOf,
  DEAD_STARTS,
  HURTING,
  minutesIn,
  missingToRun,
  offAfter,
  RUINOUS,
  standing,
  toPutBack,
} from './plan/possible';
export { minutesOffAndOn } from './plan/benchMinutes';
export type { Forecast, Way } from './plan/forecast';
export { wayInto } from './plan/expectedMinutes';
export type { Progress } from './plan/lookAhead';
export { type NextCheck, type Outlook } from './plan/nextCheck';
export { skippedBy, type Skipped } from './plan/skipped';
export { actedOn, leadingIn, type Stop } from './plan/whyStop';
