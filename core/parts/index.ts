export { leastFor } from './least';
export { jobParts, NEED_STATES, type JobPart, type Need, type NeedState } from './needs';
export {
  bestSource,
  NO_SOURCE,
  orderList,
  type OrderLine,
  type SourceOrder,
  type ToOrder,
} from './orderList';
export {
  fitName,
  fitsOn,
  freeOf,
  PART_USES,
  servesFor,
  useName,
  type Fit,
  type Part,
  type PartUse,
  type Source,
  type Stock,
  type Stocked,
} from './part';
export { partTable, readPartTable, type PartRow } from './partTable';
export { bookWithDrawer } from './priceLines';
export { doneOf, wantsOf, type Want } from './wants';
export { waysFor, workingDaysOn, type Way } from './ways';
