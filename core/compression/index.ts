export { ratioBehindHose, ratioWithHose } from './expected';
export { judgeCompression, judgeWet, type CompressionReading, type SqueezeSetting } from './judge';
export { fitPlateau, type Plateau } from './plateau';
