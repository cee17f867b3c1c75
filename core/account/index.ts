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
