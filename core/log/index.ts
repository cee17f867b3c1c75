export {
  BEHIND_ANSWERS,
  FOUND_ANSWERS,
  SAFETY_ANSWERS,
  makeEntry,
  unnumbered,
  type FoundAnswer,
  type NewEntry,
  type Noted,
  type SafetyAnswer,
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
  FoundFault,
  OffItem,
  OpenEnd,
  Picture,
  ProofStep,
  ProvedBy,
  Repair,
  SafetyFault,
  Settled,
  Start,
  ToMend,
  TrailLine,
} from './picture';
export { COLD_AGAIN_H, coldStartDue } from './proof';
export { itemBack, nameOfMend, offToStart, openBehind, partsOff, readJob } from './readJob';
export { evidenceFromTheCan, mayShareCan, sharesCan, type CanMate } from './sameCan';
export { caseOf, staleFindings } from './caseOf';
export { phaseOf, type Phase } from './phase';
export {
  entryWords,
  historyWords,
  OUTCOME_WORDS,
  pullsWords,
  readingWords,
  STAGE_WORDS,
  START_WORDS,
} from './words';
