import { classOf } from './classes';
import type { Band, MachineFacts, SpecFigures } from './facts';
import { gaugeOf } from './ratio';
import type { SpecTorque } from './specFields';

/** What a machine is judged by: a figure of each kind, none missing but the clutch speed. */
export interface Figures extends Required<Omit<SpecFigures, 'clutch' | 'ratio' | 'plugType' | SpecTorque>> {
  clutch: number | null;
}
export type FigureName = keyof Figures;

/** Usual coil air gap, mm (0.010–0.014 in), and plug gap (0.020–0.026 in). */
export const COIL_GAP_MM: Band = [0.25, 0.36];
export const PLUG_GAP_MM: Band = [0.5, 0.65];
/** A small diaphragm carburettor's needle opens from here on, psi; the upper edge is beyond what is pumped without the maker's figure. */
const POP_OFF_PSI: Band = [8, 28];
/** Turns out that the schools begin from where the maker states none; without a choice, the first. */
export const BASELINE_SCHOOLS = [1, 2] as const;
export type BaselineTurns = (typeof BASELINE_SCHOOLS)[number];
const USUAL_MIX = 50;
/** So many earlier readings of a model make a band of their own. */
const ENOUGH_READINGS = 3;
/** A sound one of the same model reads within this share of the middle one. */
const SAME_MODEL = 0.1;

/** The shop's own squeeze band for the model, from its earlier readings, psi at sea level; null while they are too few. */
export function shopBand(readings: readonly number[] = []): Band | null {
  if (readings.length < ENOUGH_READINGS) return null;
  const sorted = readings.toSorted((a, b) => a - b);
  const middle = sorted[sorted.length >> 1]!;
  return [middle * (1 - SAME_MODEL), middle * (1 + SAME_MODEL)];
}

/** A gauge on a sound engine of a stated ratio reads within this share of what the ratio gives. */
const BY_RATIO = 0.08;

/** The squeeze band a stated compression ratio gives, psi at sea level. */
function bandOfRatio(ratio: number): Band {
  const psi = gaugeOf(ratio);
  return [Math.round(psi * (1 - BY_RATIO)), Math.round(psi * (1 + BY_RATIO))];
}

/** The figures a machine is judged by, and in words where each comes from: the maker, this shop, or the class. */
export function figuresOf(
  machine: MachineFacts,
): Figures & { sources: Readonly<Record<FigureName, string>> } {
  const usual = classOf(machine);
  const { ratio, ...spec } = machine.spec ?? {};
  const own = shopBand(machine.shopSqueezePsi);
  const figures: Figures = {
    idle: usual.idle,
    clutch: usual.clutch,
    full: usual.full,
    squeezePsi: own ?? (ratio === undefined ? usual.squeezePsi : bandOfRatio(ratio)),
    gapMm: COIL_GAP_MM,
    plugGapMm: PLUG_GAP_MM,
    popOffPsi: POP_OFF_PSI,
    leverMm: 0,
    baseL: machine.baselineTurns ?? BASELINE_SCHOOLS[0],
    baseH: machine.baselineTurns ?? BASELINE_SCHOOLS[0],
    mix: USUAL_MIX,
    ...spec,
  };
  const source = (name: FigureName): string => {
    if (spec[name] !== undefined) return 'the maker’s figure';
    if (name === 'squeezePsi' && own)
      return `this shop’s ${machine.shopSqueezePsi?.length} readings of the model`;
    if (name === 'squeezePsi' && ratio !== undefined) return `its ratio of ${ratio}`;
    if (name === 'baseL' || name === 'baseH') return 'this bench’s school';
    return usual.name;
  };
  return {
    ...figures,
    sources: Object.fromEntries(
      (Object.keys(figures) as FigureName[]).map((name) => [name, source(name)]),
    ) as Record<FigureName, string>,
  };
}
