export { ownersDrill, startingCard } from './ownersDrill';
export { afterPulls, drillFor, STOP_AT_PULLS, type DrillStep } from './drill';
