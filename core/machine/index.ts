export { classOf, type Band, type ClassFigures } from './classes';
