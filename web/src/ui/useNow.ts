import { useEffect, useState } from 'react';

const TICK_MS = 200;
/** Often enough for what is told by the minute or the day. */
export const MINUTE_MS = 60_000;

const sinceStart = (): number => performance.now();

/** Milliseconds of the page's clock, or of another, ticking every so many ms while `running`. */
export function useNow(running: boolean, clock: () => number = sinceStart, tickMs = TICK_MS): number {
  const [now, setNow] = useState(clock);
  useEffect(() => {
    if (!running) return;
    const tick = (): void => setNow(clock());
    tick();
    const timer = setInterval(tick, tickMs);
    return () => clearInterval(timer);
  }, [running, clock, tickMs]);
  return now;
}
