export { afterPulls, drillFor, STOP_AT_PULLS, type DrillState, type DrillStep } from './drill';
