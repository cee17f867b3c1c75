import { wrap, type Remote } from 'comlink';
import type { Thinker } from './thinker.worker';

let thinker: Remote<Thinker> | null = null;
let tasks = 0;

/** The worker that thinks ahead while the bench goes on; started when first asked. */
export const theThinker = (): Remote<Thinker> =>
  (thinker ??= wrap<Thinker>(
    new Worker(new URL('./thinker.worker.ts', import.meta.url), { type: 'module', name: 'thinker' }),
  ));

/** A name of its own for each task, to stop it by. */
export const newTask = (): string => `task ${++tasks}`;
