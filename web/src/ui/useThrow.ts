import { useCallback, useState } from 'react';

/** Fails the place it is used in with what went wrong elsewhere, in a worker: what guards it says so, instead of waiting for ever. */
export function useThrow(): (why: unknown) => void {
  const [, fail] = useState<null>(null);
  return useCallback(
    (why: unknown) =>
      fail(() => {
        throw why instanceof Error ? why : new Error(String(why));
      }),
    [],
  );
}
