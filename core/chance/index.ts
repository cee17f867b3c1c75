export * from './showings';
export { chanceFrom, drawFrom, normalFrom, type Chance } from './chance';
