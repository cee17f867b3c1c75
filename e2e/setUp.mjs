import { writeFileSync } from 'node:fs';
import { signedIn } from './signedIn.mjs';

/** Where the server under test is. */
export const BASE_URL = process.env['BASE_URL'] ?? 'http://127.0.0.1:4680';

/** How a bench is opened where a test says nothing else. */
export const BENCH = /** @type {const} */ ({
  baseURL: BASE_URL,
  viewport: { width: 1280, height: 800 },
  colorScheme: 'light',
  // A worker that answers from its cache hides what a test makes the server do; where it is wanted it is let in.
  serviceWorkers: 'block',
});
/** What is not there in so long is not coming, ms. */
export const LONGEST = 60_000;

/** Where the lead's signed-in device is kept for the run. */
export const SIGNED_IN = new URL('./.signed-in.json', import.meta.url).pathname;

/** Before any test: the demo's lead signs in once, for all of them. */
export default async function setUp() {
  const { state } = await signedIn(BASE_URL);
  writeFileSync(SIGNED_IN, JSON.stringify(state));
}
