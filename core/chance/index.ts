export { chanceFrom, drawFrom, normalFrom, type Chance } from './chance';
