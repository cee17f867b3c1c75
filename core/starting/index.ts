export { ownersDrill, startingCard } from './ownersDrill';
export { afterPulls, drillFor, type DrillStep } from './drill';
