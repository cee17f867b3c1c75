export { fitPlateau, type Plateau } from './plateau';
export { judgeCompression, type CompressionReading } from './judge';
