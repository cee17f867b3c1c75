export { judgeLever } from './judge';
export { compareButtons, type ButtonCompared } from './button';
