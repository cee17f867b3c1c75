export { rowsIn, type TableRow } from './table';
