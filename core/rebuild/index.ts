export {
  inFrontOf,
  isCover,
  isPart,
  makeUpOf,
  nameIn,
  placeOf,
  screwsOf,
  staysIn,
  type MakeUp,
  type Place,
} from './makeUp';
export { CAPS, rebuildOf, type LayerNow, type Rebuild } from './rebuild';
export type { RenewalPrices } from './costs';
export { guideOf, type Guide } from './guide/guide';
export { REBUILD_STAGES, type Asks, type GuideStep, type RebuildStage } from './guide/step';
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
