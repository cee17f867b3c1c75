export {
  accountOf,
  mattersIn,
  workThatHelped,
  type Account,
  type Act,
  type Basis,
  type Matter,
  type MatterState,
} from './account';
export { leavingOf, type Leaving } from './leaving';
export {
  cureOf,
  MAY_BE_FROM,
  NAMED_FROM,
  type Cure,
  type CureShare,
  type Matters,
  type OpenAnyway,
  type SwapToTell,
} from './cure';
