export { judgePopOff, MOST_PSI } from './popOff';
export { judgeLever } from './judge';
export { compareButtons, type ButtonCompared } from './button';
