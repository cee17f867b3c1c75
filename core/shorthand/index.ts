export type { AtHand, Choice, Understood } from './clause';
export { completions } from './complete';
export { FORMS } from './forms';
export { readShorthand } from './line';
