import { useEffect, useState } from 'react';

/** What was written, once nobody has written on for a moment. */
export function useSettled(written: string, afterMs = 200): string {
  const [settled, setSettled] = useState(written);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(written), afterMs);
    return () => clearTimeout(timer);
  }, [written, afterMs]);
  return settled;
}
