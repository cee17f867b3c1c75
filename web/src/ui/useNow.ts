import { useEffect, useState } from 'react';

const TICK_MS = 200;
/** Often enough for what is told by the minute or the day. */
const MINUTE_MS = 60_000;

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

/** Now as an ISO time, by the minute: for what stays open all day. */
export const useMinute = (): string => new Date(useNow(true, Date.now, MINUTE_MS)).toISOString();

/** When this was opened, as an ISO time: for what is open for a moment. */
export const useOpenedAt = (): string => useState(() => new Date().toISOString())[0];
