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
/** Streams open at once from one address, of one person, and in all. */
const MOST_STREAMS = { address: 60, account: 60, all: 400 } as const;
/** So many beats a stream goes on without being asked whether whoever reads it is still let in. */
const BEATS_UNASKED = 4;

/** Puts one event on a stream: its kind, and what it carries. */
export type Push = (event: string, data: unknown) => void;

const open = new Map<string, number>();
let openInAll = 0;

/** Takes a place for one more stream of somebody at an address; returns what gives it back. Throws 429 where there is none. */
function takePlace(address: string, account: string): () => void {
  const counted = [
    { key: `at ${address}`, most: MOST_STREAMS.address },
    { key: `of ${account}`, most: MOST_STREAMS.account },
  ];
  if (openInAll >= MOST_STREAMS.all || counted.some(({ key, most }) => (open.get(key) ?? 0) >= most))
    throw refuse(429, 'Too many streams are open; close some.');
  for (const { key } of counted) open.set(key, (open.get(key) ?? 0) + 1);
  openInAll++;
  let given = false;
  return () => {
    if (given) return;
    given = true;
    openInAll--;
    for (const { key } of counted) {
      const left = (open.get(key) ?? 1) - 1;
      if (left > 0) open.set(key, left);
      else open.delete(key);
    }
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
  const { id: session, account } = sessionIn(c);
  const stillIn = c.get('stillIn');
  // Hono asks the same handler for a HEAD; its stream would never be read, and never end.
  if (c.req.method === 'HEAD') return c.body(null, 200, { 'Content-Type': 'text/event-stream' });
  const leave = takePlace(addressOf(c), account.id);
  return streamSSE(c, async (stream) => {
    let queue: { event: string; data: string }[] = [];
    let untaken = 0;
    let beats = 0;
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
      // A database that is away says nothing either way.
      if (++beats % BEATS_UNASKED === 0)
        void stillIn().then(
          (is) => is || stream.abort(),
          () => undefined,
        );
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
