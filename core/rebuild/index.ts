export {
  inFrontOf,
  isCover,
  makeUpOf,
  nameIn,
  placeOf,
  screwsOf,
  staysIn,
  type MakeUp,
  type Place,
} from './makeUp';
export { rebuildOf, type LayerNow, type Rebuild } from './rebuild';
export { guideOf, REBUILD_STAGES, type Asks, type Guide, type GuideStep, type RebuildStage } from './guide';
export {
  adviseLayer,
  leftOfKit,
  mendedBy,
  renewalChoices,
  renewsBy,
  tampered,
  type LayerAdvice,
  type RenewalChoice,
} from './renew';
