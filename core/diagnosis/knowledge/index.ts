export * from './vocabulary';
export * from './strength';
export * from './types';
export * from './access';
export * from './history';
export { CHECKS, checkOf, resultOf } from './checks';
export { CAUSES, causeOf } from './causes';
export { BEHAVIOURS, behaviourOf, type Behaviour, type SpeedPoint } from './behaviours';
export { CAUTIONS } from './cautions';
