export { ageOfCan, correctCan, oilFor, ratioOf, splitCan, type Can, type FuelAge } from './mix';
