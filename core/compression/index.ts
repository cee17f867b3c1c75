export { ratioBehindHose, ratioWithHose } from './expected';
export {
  compareGauges,
  gaugeDoubt,
  LEAST_PAIRS,
  type GaugesCompared,
  type LatelyLow,
  type Pair,
} from './gaugeDoubt';
export { judgeCompression, judgeWet, type CompressionReading, type SqueezeSetting } from './judge';
export { fitPlateau, USUAL_PULLS, type Plateau } from './plateau';
