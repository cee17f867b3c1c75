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
export type { Finding, OffItem, OpenEnd, Picture, ProofStep, Repair, TrailLine } from './picture';
export { findingWords, partsOff, readJob } from './readJob';
export { caseOf } from './caseOf';
