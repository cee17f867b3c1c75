export { ratioBehindHose, ratioWithHose } from './expected';
export { compareGauges, LEAST_PAIRS, type Pair } from './compareGauges';
export { gaugeDoubt, type LatelyLow } from './gaugeDoubt';
export { judgeCompression, judgeWet, type CompressionReading, type SqueezeSetting } from './judge';
export { fitPlateau, USUAL_PULLS, type Plateau } from './plateau';
