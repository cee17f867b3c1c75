export { readShorthand, type Understood } from './parse';
