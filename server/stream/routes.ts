import { Hono } from 'hono';
import type { Changes } from './changes';
import { eventStream } from './events';

/** Server-sent events: `job` for each change of a log, `parts` when parts have moved, `gap` when some may have been missed, `beat` to keep the line open. */
export const streamRoutes = (changes: Changes): Hono =>
  new Hono().get('/', (c) =>
    eventStream(c, (push) => {
      const jobs = changes.subscribe(
        (change) => push('job', change),
        () => push('gap', {}),
      );
      const parts = changes.hearParts(() => push('parts', {}));
      return () => {
        jobs();
        parts();
      };
    }),
  );
