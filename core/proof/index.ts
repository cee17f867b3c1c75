export {
  chancesIn,
  comesAndGoes,
  curedBy,
  MENDED_BEFORE,
  proofOf,
  rateBefore,
  showingsWanted,
  SURE_ENOUGH,
  type AskedRun,
  type Complained,
  type ProofCase,
} from './proofOf';
export { leavesShown } from './touched';
