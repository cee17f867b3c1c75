export { readSpecTable, SPEC_COLUMNS, specTable, type SpecLine } from './specTable';
export { classOf, type Band, type ClassFigures } from './classes';
export {
  BASELINE_SCHOOLS,
  COIL_GAP_MM,
  figuresOf,
  PLUG_GAP_MM,
  shopBand,
  type BaselineTurns,
  type FigureName,
  type Figures,
  type SpecFigures,
} from './figures';
export { gaugeOf, ratioFor } from './ratio';
