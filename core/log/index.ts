export {
  BEHIND_ANSWERS,
  ENTRY_KINDS,
  STAGES,
  type BehindAnswer,
  type Bodies,
  type Entry,
  type EntryKind,
  type EntryOf,
  type Stage,
  HEARD_BY,
  PROVED_STEPS,
  START_OUTCOMES,
  START_STATES,
  type HeardBy,
  type ProvedStep,
  type StartOutcome,
  type StartState,
} from './entry';
export type {
  Finding,
  OffItem,
  OpenEnd,
  Picture,
  ProofStep,
  ProvedBy,
  Repair,
  Settled,
  Start,
  TrailLine,
} from './picture';
export { COLD_AGAIN_H, coldStartDue } from './proof';
export { itemBack, offToStart, openBehind, partsOff, readJob } from './readJob';
export { evidenceFromTheCan, mayShareCan, sharesCan, type CanMate } from './sameCan';
export { caseOf, staleFindings } from './caseOf';
export { phaseOf, type Phase } from './phase';
export { entryWords, historyWords, pullsWords, readingWords } from './words';
