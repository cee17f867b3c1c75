export {
  accountOf,
  mattersIn,
  type Account,
  type Act,
  type Basis,
  type Matter,
  type MatterState,
} from './account';
