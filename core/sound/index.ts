export { HIGHEST_RPM, LOWEST_RPM } from './candidates';
export { HEARD, HOP_S, LiveSpeed, speedsOf, type SpeedReading } from './speed';
