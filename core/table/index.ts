export { rowsIn, tableOf, type TableRow } from './table';
