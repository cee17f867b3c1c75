export { COIL_GAP_MM, judgeLegs, judgePlugGap, PLUG_GAP_MM } from './judge';
