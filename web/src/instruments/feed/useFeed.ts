import type { FeedLine } from '@rusty-wren/contract';
import { useEffect, useState } from 'react';

/**
 * What instruments are saying, while `on`: every line heard since, by channel, newest channel last. Nothing is asked of
 * the server while it is off.
 */
export function useFeed(on: boolean): {
  heard: ReadonlyMap<string, readonly FeedLine[]>;
  /** Nothing said from now on is missed. */
  listening: boolean;
} {
  const [listening, setListening] = useState(false);
  const [heard, setHeard] = useState<ReadonlyMap<string, readonly FeedLine[]>>(new Map());
  useEffect(() => {
    if (!on) return;
    const source = new EventSource('/api/feed');
    // The server sends a beat once it has begun to listen for this bench.
    source.addEventListener('beat', () => setListening(true));
    source.addEventListener('error', () => setListening(false));
    source.addEventListener('readings', (event) => {
      const lines = JSON.parse(event.data as string) as FeedLine[];
      setHeard((before) => {
        const after = new Map(before);
        for (const line of lines) after.set(line.channel, [...(after.get(line.channel) ?? []), line]);
        return after;
      });
    });
    return () => {
      source.close();
      setHeard(new Map());
      setListening(false);
    };
  }, [on]);
  return { heard, listening };
}
