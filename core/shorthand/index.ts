export type { AtHand, Understood, Written } from './clause';
export { readShorthand } from './line';
