import { Hono } from 'hono';
import type { Changes } from './changes';
import { eventStream } from './events';

/** Server-sent events: `job` for each change of a log, `parts`, `day` and `rack` when those have changed, `gap` when some may have been missed, `beat` to keep the line open. */
export const streamRoutes = (changes: Changes): Hono =>
  new Hono().get('/', (c) =>
    eventStream(c, changes, (push) => {
      const jobs = changes.subscribe(
        (change) => push('job', change),
        () => push('gap', {}),
      );
      const moved = changes.hearMoved((what) => push(what, {}));
      return () => {
        jobs();
        moved();
      };
    }),
  );
