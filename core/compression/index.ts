export { ratioBehindHose, ratioWithHose } from './expected';
export { judgeCompression, judgeWet, type CompressionReading, type SqueezeSetting } from './judge';
export { fitPlateau, USUAL_PULLS, type Plateau } from './plateau';
