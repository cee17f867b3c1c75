export { HEARD, LiveSpeed, speedsOf, type SpeedReading } from './speed';
export { clipOfChannels, clipOfWav, speedTable, wavOfClip, type Clip } from './clip';
