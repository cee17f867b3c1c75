export { saidDoneWords } from './saidDone';
export { cameRight, type CameRight, type Change } from './changes';
export { COMEBACK_DAYS, comebackOf, type Gone } from './comeback';
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
  USES,
  STAGES,
  type BehindAnswer,
  type Bodies,
  type Entry,
  type EntryKind,
  type EntryOf,
  type Stage,
  HEARD_BY,
  TALK_ABOUTS,
  BUILD_ORDERS,
  PHOTO_TIMES,
  REBUILD_TICKS,
  SCREW_OUTLINES,
  RENEWALS,
  START_OUTCOMES,
  START_STATES,
  type HeardBy,
  type Uses,
  type TalkAbout,
  type StartOutcome,
  type StartState,
  type BuildOrder,
  type PhotoTime,
  type Pin,
  type RebuildTick,
  type Renewal,
  type ScrewOutline,
  type ScrewPlace,
  type Thing,
} from './entry';
export type {
  Decision,
  Finding,
  FoundFault,
  GivenPaper,
  LeftOff,
  OffItem,
  OpenEnd,
  Photo,
  Picture,
  ProofStep,
  Repair,
  SafetyFault,
  SafetyMended,
  SetRight,
  ScrewPlan,
  Settled,
  Start,
  ToMend,
  TrailLine,
} from './picture';
export { COLD_AGAIN_H, coldStartDue, proofLeft, type ProofLeft } from './proof';
export { allBack, conditionIn, itemBack, nameOfThing, thingOf } from './tray';
export { crosswise, screwCounts, screwPlanOf, screwsLeft } from './screwPlan';
export {
  changesBetween,
  linesOf,
  PAPER_KINDS,
  paperHash,
  type Block,
  type PaperKind,
  type Said,
} from './blocks';
export { logTable } from './table';
export { readPapers } from './papers';
export type { LineNow } from './lines';
export { nameOfMend, offToStart, openBehind, partsOff, readJob } from './readJob';
export { evidenceFromTheCan, mayShareCan, sharesCan, type CanMate } from './sameCan';
export { saidByOwner, saidOfWork, saidSetRight, usesLeft, workToTry } from './acts';
export { caseOf, staleFindings } from './caseOf';
export { phaseOf, unsafeToRun, type Phase } from './phase';
export {
  entryWords,
  usesWords,
  GONE_WORDS,
  HOW_WORDS,
  historyWords,
  OUTCOME_WORDS,
  photoWords,
  pullsWords,
  readingWords,
  STAGE_WORDS,
  sentence,
  START_WORDS,
  TICK_WORDS,
} from './words';
