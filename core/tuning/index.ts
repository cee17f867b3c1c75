export { judgeSpeed, judgeTurns, speedBand } from './judge';
