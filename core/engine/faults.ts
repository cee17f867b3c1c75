import type { CauseId } from '../knowledge';

/** Where a fault takes hold in the model; what is not named stays as on a sound engine. */
export interface Effects {
  /** Flow of each circuit at the same screw position, and whether its screw still meters anything. */
  lowFlow?: number;
  highFlow?: number;
  lowScrewDead?: true;
  highScrewDead?: true;
  /** Unmetered air, as a share of the idle opening. */
  leak?: number;
  /** Air let in at full throttle, and gas let out. */
  airShare?: number;
  exhaustShare?: number;
  /** Fuel the tank side can bring, in units of what full throttle burns; and how fast that dwindles, per second. */
  supply?: number;
  supplyFades?: number;
  /** Fuel that comes past the needle whatever is asked, in the same units. */
  weeps?: number;
  /** Richness over all. */
  richness?: number;
  /** Torque kept, and the share of sparks that fail, cold and hot. */
  squeeze?: number;
  misfires?: number;
  misfiresHot?: number;
  /** Torque always asked of the engine. */
  drag?: number;
  /** The choke plate as if drawn, 0 to 1. */
  choke?: number;
}

/** How the trade's causes act in the engine. Causes that do not change how it runs are not here. */
export const EFFECTS: Partial<Readonly<Record<CauseId, Effects>>> = {
  'stale-fuel': { squeeze: 0.88, misfires: 0.06 },
  'fuel-filter-clogged': { supply: 0.72 },
  'inlet-screen-clogged': { supply: 0.66 },
  'pump-diaphragm-stiff': { supply: 0.7 },
  'fuel-line-leak': { supply: 0.8 },
  'tank-vent-blocked': { supply: 1.4, supplyFades: 0.02 },
  'needle-not-sealing': { weeps: 0.006 },
  'metering-lever-high': { richness: 1.18 },
  'metering-lever-low': { richness: 0.82 },
  'metering-diaphragm-stiff': { supply: 0.55 },
  'metering-diaphragm-proud': { richness: 1.12, weeps: 0.003 },
  'idle-circuit-blocked': { lowFlow: 0.35, lowScrewDead: true },
  'main-circuit-blocked': { highFlow: 0.3, highScrewDead: true },
  'air-filter-clogged': { airShare: 0.55, richness: 1.12 },
  'choke-stuck': { choke: 0.6 },
  'intake-leak': { leak: 0.26 },
  'crank-seal-leak': { leak: 0.18 },
  'base-gasket-leak': { leak: 0.16, squeeze: 0.95 },
  'spark-screen-clogged': { exhaustShare: 0.55 },
  'exhaust-port-carboned': { exhaustShare: 0.7 },
  'plug-fouled': { misfires: 0.2 },
  'coil-gap-wide': { misfires: 0.15 },
  'plug-lead-loose': { misfires: 0.1 },
  'coil-failed': { misfires: 0.05, misfiresHot: 0.9 },
  'piston-heat-scored': { squeeze: 0.62 },
  'piston-dirt-worn': { squeeze: 0.7 },
  'ring-stuck': { squeeze: 0.68 },
  'drive-drag': { drag: 0.06 },
};
