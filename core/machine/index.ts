export {
  SPEC_PAIRS,
  SPEC_SINGLES,
  SPEC_TEXTS,
  type SpecField,
  type SpecPair,
  type SpecSingle,
  type SpecTorque,
} from './specFields';
export { readSpecTable, SPEC_COLUMNS, specTable, type SpecLine } from './specTable';
export { classOf, type ClassFigures, type ClassId } from './classes';
export { MACHINE_KINDS, type Band, type MachineFacts, type MachineKind, type SpecFigures } from './facts';
export {
  BASELINE_SCHOOLS,
  COIL_GAP_MM,
  figuresOf,
  PLUG_GAP_MM,
  shopBand,
  type BaselineTurns,
  type FigureName,
  type Figures,
} from './figures';
export { gaugeOf, ratioFor } from './ratio';
