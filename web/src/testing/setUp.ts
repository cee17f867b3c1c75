import { configure } from '@testing-library/react';

// A machine shared with others may give a test a tenth of its time: only what hangs should fail.
configure({ asyncUtilTimeout: 60_000 });

/**
 * No test asks a real server: what no test answers is never answered. A refused question would bring up what another file's test left on
 * the device.
 */
globalThis.fetch = () => new Promise(() => undefined);

/**
 * No style sheet is loaded here: what is computed is what stands on the element. To work it out anew for every element that a role is
 * looked for in takes a seventh of the time.
 */
globalThis.getComputedStyle = (element) => (element as HTMLElement).style;
