export { judgeLegs, judgePlugGap } from './judge';
export {
  cardThickness,
  LEG_SPACING_MM,
  moveWords,
  readLegs,
  SETTING_STEPS,
  type EndMove,
  type Legs,
} from './legs';
