export { HEARD, LiveSpeed, speedsOf, type SpeedReading } from './speed';
export { clipOfWav, speedTable, wavOfClip, type Clip } from './clip';
