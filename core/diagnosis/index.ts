export * from './knowledge';
export type { Case, Evidence } from './case';
export {
  diagnose,
  forecastOf,
  glance,
  looksAhead,
  whyOrWhyNot,
  type Behind,
  type Diagnosis,
} from './diagnose';
export { type Misreading, type Moved, type Reasons, type Suspect } from './explain';
export { firstInOrder, standing } from './plan/available';
export type { Forecast, Way } from './plan/forecast';
export type { Progress } from './plan/lookAhead';
export { ACT_ON, WORTH_MAKING, type NextCheck, type Outlook } from './plan/nextCheck';
export { skippedBy, type Skipped } from './plan/skipped';
export type { Stop } from './plan/stop';
export { chanceFrom, normalFrom } from './chance';
export { drawMachine, drawResult, type KnownMachine } from './proving/generate';
export { leadWhenJittered } from './proving/jitter';
export { minutesUnder, optimalMinutes, SMALL_NETWORKS, type SmallNetwork } from './proving/optimum';
export { computedPlan, inOrder, oneAhead, play, type Played, type Policy } from './proving/play';
