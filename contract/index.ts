export * from './api';
export * from './bench';
export * from './caseFile';
export * from './entries';
export { clearMessage } from './messages';
export * from './specCard';
export * from './feed';
export type { NewEntry } from '@rusty-wren/core/log';
export { day, faultyText, instant, isDay, isInstant, uuid } from './wire';
