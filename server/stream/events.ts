import type { Context } from 'hono';
import { streamSSE } from 'hono/streaming';

const BEAT_MS = 15_000;

/** Puts one event on a stream: its kind, and what it carries. */
export type Push = (event: string, data: unknown) => void;

/**
 * A stream of server-sent events: what `subscribe` pushes, in order, none lost between two writes, with a `beat` now and then
 * to keep the line open. `subscribe` gives back what ends the subscription.
 */
export const eventStream = (c: Context, subscribe: (push: Push) => () => void): Response =>
  streamSSE(c, async (stream) => {
    const queue: { event: string; data: string }[] = [];
    let tell: () => void = () => undefined;
    const push: Push = (event, data) => {
      queue.push({ event, data: JSON.stringify(data) });
      tell();
    };
    const unsubscribe = subscribe(push);
    const beat = setInterval(() => push('beat', {}), BEAT_MS);
    stream.onAbort(() => {
      clearInterval(beat);
      unsubscribe();
      tell();
    });
    push('beat', {});
    while (!stream.aborted) {
      const next = queue.shift();
      if (next) await stream.writeSSE(next);
      else await new Promise<void>((resolve) => (tell = resolve));
    }
  });
