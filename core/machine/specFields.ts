import type { SpecFigures } from './facts';

/** A figure of a spec card: what it is called, its unit, and the bounds no machine of this trade passes. */
export interface SpecField<Name extends keyof SpecFigures> {
  name: Name;
  label: string;
  unit: string;
  min: number;
  max: number;
}

export type SpecTorque = 'plugNm' | 'flywheelNm' | 'mufflerNm' | 'cylinderNm' | 'carburettorNm';
export type SpecSingle = 'idle' | 'clutch' | 'leverMm' | 'baseL' | 'baseH' | 'mix' | 'ratio' | SpecTorque;
/** What of a card is words. */
export const SPEC_TEXTS = [{ name: 'plugType', label: 'Plug type', most: 40 }] as const;
export type SpecPair = 'full' | 'squeezePsi' | 'gapMm' | 'plugGapMm' | 'popOffPsi';

/** The single figures of a card: in the order of its table's columns and of its form. */
export const SPEC_SINGLES: readonly SpecField<SpecSingle>[] = [
  { name: 'idle', label: 'Idle', unit: 'rpm', min: 1000, max: 6000 },
  { name: 'clutch', label: 'Clutch bites', unit: 'rpm', min: 1500, max: 8000 },
  { name: 'leverMm', label: 'Lever', unit: 'mm', min: -5, max: 5 },
  { name: 'baseL', label: 'L baseline', unit: 'turns', min: 0, max: 6 },
  { name: 'baseH', label: 'H baseline', unit: 'turns', min: 0, max: 6 },
  { name: 'mix', label: 'Petrol to one oil', unit: 'parts', min: 10, max: 100 },
  { name: 'plugNm', label: 'Plug', unit: 'Nm', min: 5, max: 40 },
  { name: 'flywheelNm', label: 'Flywheel nut', unit: 'Nm', min: 5, max: 80 },
  { name: 'mufflerNm', label: 'Muffler bolts', unit: 'Nm', min: 2, max: 40 },
  { name: 'cylinderNm', label: 'Cylinder bolts', unit: 'Nm', min: 2, max: 40 },
  { name: 'carburettorNm', label: 'Carburettor nuts', unit: 'Nm', min: 1, max: 20 },
  { name: 'ratio', label: 'Compression ratio', unit: 'to one', min: 3, max: 14 },
];

/** The bands of a card, low to high. */
export const SPEC_PAIRS: readonly SpecField<SpecPair>[] = [
  { name: 'full', label: 'Full throttle', unit: 'rpm', min: 3000, max: 18_000 },
  { name: 'squeezePsi', label: 'Squeeze', unit: 'psi', min: 40, max: 250 },
  { name: 'gapMm', label: 'Coil gap', unit: 'mm', min: 0.05, max: 2 },
  { name: 'popOffPsi', label: 'Pop-off', unit: 'psi', min: 2, max: 60 },
  { name: 'plugGapMm', label: 'Plug gap', unit: 'mm', min: 0.2, max: 1.5 },
];
