import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import type { Work } from './task';

/** A name for just this work: two benches that know the same give it the same, and need only one plan. */
export const workKey = ({ tasks, jobs, crew, pins = [], rooms }: Work): string =>
  bytesToHex(sha256(utf8ToBytes(JSON.stringify([tasks, jobs, crew, pins, rooms])))).slice(0, 32);
