export { auditOne, type Breach } from './audit';
export { PLANTED, type Planted } from './planted';
export { PROGRAM, type Program } from './telling';
