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
} from './entry';
export type { Finding, OffItem, OpenEnd, Picture, ProofStep, Repair, Settled, TrailLine } from './picture';
export { openBehind, partsOff, readJob } from './readJob';
export { evidenceFromTheCan, mayShareCan, sharesCan, type CanMate } from './sameCan';
export { caseOf, staleFindings } from './caseOf';
export { phaseOf, type Phase } from './phase';
export { entryWords, historyWords, pullsWords, readingWords } from './words';
