import { useCallback, useEffect, useState, type Dispatch, type SetStateAction } from 'react';
import { draftsLaidUp, layUpDraft } from '../keeping/shelf';

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

/**
 * Keeps a value under a key: at once where a page can read it as it is drawn, and on disk, because what a browser keeps that
 * way is written late, and lost when it is killed.
 */
export function keepDraft<T>(key: string, value: T): void {
  const text = JSON.stringify({ at: Date.now(), value } satisfies Kept<T>);
  try {
    localStorage.setItem(PREFIX + key, text);
  } catch {
    // Storage is full or shut: it lives in the page alone.
  }
  void layUpDraft(key, text);
}

/** Throws away what is kept under a key. */
export function dropDraft(key: string): void {
  try {
    localStorage.removeItem(PREFIX + key);
  } catch {
    // Nothing was kept.
  }
  void layUpDraft(key, null);
}

/** Under which key a check-in is kept: of whoever fills it in, as it holds an owner's name. */
export const checkInKey = (by: string | null): string => `check-in ${by ?? ''}`;

/** Throws all of them away: nobody is in. */
export async function dropDrafts(): Promise<void> {
  try {
    for (const key of Object.keys(localStorage)) if (key.startsWith(PREFIX)) localStorage.removeItem(key);
  } catch {
    // Nothing was kept.
  }
  for (const key of (await draftsLaidUp())?.keys() ?? []) await layUpDraft(key, null);
}

/** Brings the drafts to what lies on disk, before anything is drawn: after a kill what the browser kept may be old. */
export async function restoreDrafts(): Promise<void> {
  const laidUp = await draftsLaidUp();
  if (!laidUp) return;
  try {
    for (const key of Object.keys(localStorage))
      if (key.startsWith(PREFIX) && !laidUp.has(key.slice(PREFIX.length))) localStorage.removeItem(key);
    for (const [key, text] of laidUp) localStorage.setItem(PREFIX + key, text);
  } catch {
    // Storage is full or shut.
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
