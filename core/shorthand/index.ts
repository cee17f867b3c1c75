export type { AtHand, Choice, Understood } from './clause';
export { completions } from './complete';
export { readShorthand } from './line';
