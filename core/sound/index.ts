export { HIGHEST_RPM, LOWEST_RPM } from './candidates';
export { HEARD, HOP_S, LiveSpeed, speedsOf, type SpeedReading } from './speed';
export { clipOfWav, speedTable, wavOfClip, type Clip } from './clip';
