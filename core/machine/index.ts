export { readSpecTable, SPEC_COLUMNS, specTable, type SpecLine } from './specTable';
export { classOf, type Band, type ClassFigures } from './classes';
export {
  COIL_GAP_MM,
  figuresOf,
  PLUG_GAP_MM,
  shopBand,
  type FigureName,
  type Figures,
  type SpecFigures,
} from './figures';
export { gaugeOf, ratioFor } from './ratio';
