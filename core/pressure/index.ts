export { beforeAndAfter, lineAgainstInlet, pressureAgainstVacuum } from './compare';
export { fitDecay, type Decay, type Point } from './decay';
export { judgeWatch, limitOf, readWatch, stretchWords, tooMuch, type Watched } from './judge';
export { conductance, conductanceOfHole, equivalentHole, rateThrough, volumeFromPump } from './leak';
export { findPopOff, type PopOff } from './popOff';
export { MOST_POINTS, readPoints, type ReadPoints } from './readPoints';
export { imagineTrace, type Imagined } from './simulate';
export {
  isPressureCheck,
  PRESSURE_CHECKS,
  TARGETS,
  type PressureCheck,
  type PressureTarget,
} from './targets';
export { inKpa, type Trace } from './trace';
