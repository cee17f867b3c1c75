export { advise, SEEN, type Advice, type Seen } from './advice';
export { farScrew, judgeSpeed, judgeTurns, speedBand } from './judge';
export {
  ledgerOf,
  moveInWords,
  SCREWS,
  wayBack,
  type Ledger,
  type LedgerEvent,
  type LedgerLine,
  type Positions,
  type Screw,
  type ScrewMove,
  type Speeds,
} from './ledger';
export { MOST_TRACK, readBlip, thinTrack, withoutSpecks, type Blip, type TrackPoint } from './track';
export { densityMove, elsewhere, FLOW_POWER, type Elsewhere } from './density';
export { tuningGate, type GateMatter } from './gate';
