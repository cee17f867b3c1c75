export { backUp } from './backUp';
export { exportShop } from './export';
export { importShop } from './import';
export { restore } from './restore';
export { Nightly, readBackups } from './nightly';
export { rehearse } from './rehearse';
