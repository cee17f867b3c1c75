import { useCallback, useEffect, useState, type Dispatch, type SetStateAction } from 'react';

const PREFIX = 'rusty-wren-draft:';
const KEEP_MS = 7 * 86_400_000;

interface Kept<T> {
  at: number;
  value: T;
}

/** What was kept under a key, unless it is a week old or cannot be read. */
export function keptDraft<T>(key: string): T | undefined {
  try {
    const found = JSON.parse(localStorage.getItem(PREFIX + key) ?? 'null') as Kept<T> | null;
    return found && Date.now() - found.at < KEEP_MS ? found.value : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps a value under a key. */
export function keepDraft<T>(key: string, value: T): void {
  try {
    localStorage.setItem(PREFIX + key, JSON.stringify({ at: Date.now(), value } satisfies Kept<T>));
  } catch {
    // Storage is full or shut: it lives in the page alone.
  }
}

/** Throws away what is kept under a key. */
export function dropDraft(key: string): void {
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // Nothing was kept.
  }
}

/**
 * State that survives a reload, a way back and a closed lid, under a key of its own; without a key it is plain state.
 * `drop` throws it away, once it has been logged.
 */
export function useDraft<T>(
  key: string | undefined,
  initial: () => T,
): [value: T, set: Dispatch<SetStateAction<T>>, drop: () => void] {
  const [value, setValue] = useState<T>(
    () => (key === undefined ? undefined : keptDraft<T>(key)) ?? initial(),
  );
  const [touched, setTouched] = useState(false);
  const set = useCallback<Dispatch<SetStateAction<T>>>((next) => {
    setTouched(true);
    setValue(next);
  }, []);
  useEffect(() => {
    if (key !== undefined && touched) keepDraft(key, value);
  }, [key, value, touched]);
  const drop = useCallback(() => {
    setTouched(false);
    if (key !== undefined) dropDraft(key);
  }, [key]);
  return [value, set, drop];
}
