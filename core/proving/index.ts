export { drawMachine, drawResult, type KnownMachine } from './generate';
export { leadWhenJittered } from './jitter';
export { minutesUnder, optimalMinutes, SMALL_NETWORKS, type SmallNetwork } from './optimum';
export { computedPlan, inOrder, oneAhead, play, type Played, type Policy } from './play';
export { CASEBOOK, shortOf, type BenchCase } from './casebook';
export { accountingFor, learntInShop } from './shop';
export { drawTimes } from './times';
export { DAY, drawWeek, shifts } from './weeks';
