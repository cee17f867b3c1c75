import type { JobChanged } from '@rusty-wren/contract';
import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import type { Changes } from './changes';

const BEAT_MS = 15_000;

/** Server-sent events: `job` for each change, `gap` when some may have been missed, `beat` to keep the line open. */
export function streamRoutes(changes: Changes): Hono {
  return new Hono().get('/', (c) =>
    streamSSE(c, async (stream) => {
      let tell: () => void = () => undefined;
      const queue: { event: string; data: string }[] = [];
      const push = (event: string, data: string): void => {
        queue.push({ event, data });
        tell();
      };
      const unsubscribe = changes.subscribe(
        (change: JobChanged) => push('job', JSON.stringify(change)),
        () => push('gap', '{}'),
      );
      const beat = setInterval(() => push('beat', '{}'), BEAT_MS);
      stream.onAbort(() => {
        clearInterval(beat);
        unsubscribe();
        tell();
      });
      await stream.writeSSE({ event: 'beat', data: '{}' });
      while (!stream.aborted) {
        const next = queue.shift();
        if (next) await stream.writeSSE(next);
        else await new Promise<void>((resolve) => (tell = resolve));
      }
    }),
  );
}
