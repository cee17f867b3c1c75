export { judgeLever } from './judge';
