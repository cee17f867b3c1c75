import { useEffect, useState } from 'react';

const TICK_MS = 200;

/** Milliseconds of the page's clock, ticking while `running`. */
export function useNow(running: boolean): number {
  const [now, setNow] = useState(() => performance.now());
  useEffect(() => {
    if (!running) return;
    const tick = (): void => setNow(performance.now());
    tick();
    const timer = setInterval(tick, TICK_MS);
    return () => clearInterval(timer);
  }, [running]);
  return now;
}
