export * from './knowledge';
export type { Case, Evidence } from './case';
export { diagnose, type Behind, type Diagnosis } from './diagnose';
export { type Misreading, type Moved, type Suspect } from './explain';
export { standing } from './plan/available';
export { ACT_ON, WORTH_MAKING, type NextCheck, type Outlook } from './plan/nextCheck';
export { chanceFrom, drawMachine, drawResult, type KnownMachine } from './proving/generate';
export { computedPlan, inOrder, play, type Played, type Policy } from './proving/play';
export { skippedBy, type Skipped } from './plan/skipped';
