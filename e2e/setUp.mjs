import { writeFileSync } from 'node:fs';
import { signedIn } from './signedIn.mjs';

/** Where the server under test is. */
export const BASE_URL = process.env['BASE_URL'] ?? 'http://127.0.0.1:4680';

/** Where the lead's signed-in device is kept for the run. */
export const SIGNED_IN = new URL('./.signed-in.json', import.meta.url).pathname;

/** Before any test: the demo's lead signs in once, for all of them. */
export default async function setUp() {
  const { state } = await signedIn(BASE_URL);
  writeFileSync(SIGNED_IN, JSON.stringify(state));
}
