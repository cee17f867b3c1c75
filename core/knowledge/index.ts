export * from './vocabulary';
export * from './strength';
export type { CheckGroup, CheckNature, CheckSpec, EngineNeed, ReadingKind, ResultDef } from './checkSpec';
export type { EnginePart } from './causeSpec';
export { countProblem, runsIt, showsAtTimes } from './checkSpec';
export { CHECK_IDS, CHECKS, checkOf, resultOf, type CheckDef, type CheckId, type ResultOf } from './checks';
export {
  CAUSE_IDS,
  CAUSE_INDEX,
  CAUSES,
  causeOf,
  putRightBy,
  seenAs,
  type CauseDef,
  type CauseId,
} from './causes';
export { DEPENDENCES, dependenceOf, type Dependence } from './dependence';
export { behindOf, CHAINS, type Chain } from './chains';
export * from './access';
export * from './choices';
export * from './history';
export * from './often';
export * from './carburettor';
export { causesIn, checksTelling, IN_CARBURETTOR, signsOf } from './telling';
export { BEHAVIOURS, behaviourOf, type Behaviour, type SpeedPoint } from './behaviours';
export {
  actOfHand,
  causesPutRight,
  FITS_A_DIAPHRAGM,
  OPENS_THE_CARBURETTOR,
  REMEDIES,
  REMEDY_IDS,
  remedyMinutes,
  remedyOf,
  TURNS_A_SCREW,
  type Remedy,
  type RemedyId,
} from './remedies';
export { CAUTIONS } from './cautions';
export { onTool } from './onTool';
export * from './disagreements';
export * from './inPassing';
export * from './priorWork';
export * from './proofRuns';
export { MANY_PULLS } from './pulls';
export { SCHOOL_IDS, SCHOOLS, type School, type SchoolId } from './schools';
export { LAYER_MINUTES, LAYER_TASKS, TASK_IDS, type LayerTask, type Pace, type TaskId } from './tasks';
