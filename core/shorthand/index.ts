export type { AtHand, Choice, Understood } from './understood';
export { completions } from './complete';
export { FORMS } from './forms';
export { readShorthand } from './line';
export { countedIn, oftenIn } from './often';
