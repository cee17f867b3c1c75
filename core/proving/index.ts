export { drawMachine, drawResult, type DrawnLike, type KnownMachine } from './generate';
export { likeliestResult, outcomeOf, repairNext, staysRight, trialResult, type RepairNext } from './follow';
export { leadWhenJittered } from './jitter';
export { minutesUnder, optimalMinutes, SMALL_NETWORKS, type SmallNetwork } from './optimum';
export { computedPlan, decide, inOrder, oneAhead, play, type Played, type Policy } from './play';
export { CASEBOOK, shortOf, type BenchCase } from './casebook';
export { accountingFor, learntInShop } from './shop';
export { drawTimes, TIMED } from './times';
export { DAY, drawWeek, shifts } from './weeks';
