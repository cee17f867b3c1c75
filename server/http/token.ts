import { createHash, randomBytes } from 'node:crypto';

const BYTES = 32;
const TOKEN = /^[A-Za-z0-9_-]{43}$/;

/** A token nobody guesses (256 bits), for an address that opens without signing in. */
export const newToken = (): string => randomBytes(BYTES).toString('base64url');
/** Whether a text can be such a token. */
export const isToken = (text: string): boolean => TOKEN.test(text);
/** What is kept of a token. */
export const hashOfToken = (token: string): Buffer => createHash('sha256').update(token).digest();
