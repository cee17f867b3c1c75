export * from './knowledge';
export type { Case, Evidence } from './case';
export { ACT_ON, diagnose, type Behind, type Diagnosis } from './diagnose';
export { type Misreading, type Moved, type Suspect } from './explain';
export { canRun, type NextCheck, type Outlook } from './nextCheck';
