import type { Context } from 'hono';
import { streamSSE } from 'hono/streaming';
import { sessionIn } from '../access/guard';
import { addressOf } from '../http/guard';
import { refuse } from '../http/problem';
import type { Changes } from './changes';

const BEAT_MS = 15_000;
/** Events that may wait for a slow reader; with more, it is told of a gap instead and fetches everything. */
const MOST_WAITING = 200;
/** A reader that takes nothing for so many beats is gone. */
const MOST_BEATS = 4;
/** Streams open at once from one address, and in all. */
const MOST_STREAMS = { address: 60, all: 400 } as const;

/** Puts one event on a stream: its kind, and what it carries. */
export type Push = (event: string, data: unknown) => void;

const open = new Map<string, number>();
let openInAll = 0;

/** Takes a place for one more stream of an address; returns what gives it back. Throws 429 where there is none. */
function takePlace(address: string): () => void {
  const here = open.get(address) ?? 0;
  if (here >= MOST_STREAMS.address || openInAll >= MOST_STREAMS.all)
    throw refuse(429, 'Too many streams are open; close some.');
  open.set(address, here + 1);
  openInAll++;
  let given = false;
  return () => {
    if (given) return;
    given = true;
    openInAll--;
    const left = (open.get(address) ?? 1) - 1;
    if (left > 0) open.set(address, left);
    else open.delete(address);
  };
}

/** Streams open now. */
export const streamsOpen = (): number => openInAll;

/**
 * A stream of server-sent events: what `subscribe` pushes, in order, with a `beat` now and then to keep the line open. A reader
 * too slow to take them loses the oldest and is told `gap`. It ends with the session of whoever reads. `subscribe` gives back
 * what ends the subscription.
 */
export function eventStream(
  c: Context,
  changes: Pick<Changes, 'hearEnded'>,
  subscribe: (push: Push) => () => void,
): Response {
  const { id: session } = sessionIn(c);
  // Hono asks the same handler for a HEAD; its stream would never be read, and never end.
  if (c.req.method === 'HEAD') return c.body(null, 200, { 'Content-Type': 'text/event-stream' });
  const leave = takePlace(addressOf(c));
  return streamSSE(c, async (stream) => {
    let queue: { event: string; data: string }[] = [];
    let untaken = 0;
    let tell: () => void = () => undefined;
    const push: Push = (event, data) => {
      if (queue.length >= MOST_WAITING) queue = [{ event: 'gap', data: '{}' }];
      else queue.push({ event, data: JSON.stringify(data) });
      tell();
    };
    const unsubscribe = subscribe(push);
    const deaf = changes.hearEnded((ended) => {
      if (ended === session) stream.abort();
    });
    const beat = setInterval(() => {
      if (++untaken > MOST_BEATS) stream.abort();
      else push('beat', {});
    }, BEAT_MS);
    stream.onAbort(() => {
      clearInterval(beat);
      unsubscribe();
      deaf();
      leave();
      tell();
    });
    push('beat', {});
    while (!stream.aborted) {
      const next = queue.shift();
      if (next) {
        await stream.writeSSE(next);
        untaken = 0;
      } else await new Promise<void>((resolve) => (tell = resolve));
    }
  });
}
