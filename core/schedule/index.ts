export { pressing, type Pressed } from './pressing';
