import { useEffect } from 'react';
import { useChangeSessionMutation } from '../api/api';
import { useAppSelector } from '../app/store';

const KEPT = 'rusty-wren-touched';
/** How often a touch is written down, and looked at, ms. */
const STEP_MS = 15_000;
const TOUCHES = ['pointerdown', 'keydown', 'wheel'] as const;

/** When this device was touched last, in any of its tabs: ms since 1970, null where it is not known. */
function touchedAt(): number | null {
  try {
    const kept = localStorage.getItem(KEPT);
    return kept === null ? null : Number(kept);
  } catch {
    return null;
  }
}

function keepTouched(at: number | null): void {
  try {
    if (at === null) localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, String(at));
  } catch {
    // Storage is full or shut: nothing is known of other tabs, and this one does not lock by itself.
  }
}

/**
 * Locks the bench once nobody has touched it for as long as its settings say, in any of its tabs, or with all of them shut.
 * Stands where somebody is in.
 */
export function IdleLock(): null {
  const minutes = useAppSelector((s) => s.settings.lockAfterMin);
  const [changeSession] = useChangeSessionMutation();
  useEffect(() => {
    if (minutes === 0) return;
    const look = (): void => {
      const idle = Date.now() - (touchedAt() ?? Date.now());
      if (idle < minutes * 60_000) return;
      // Another look must not lock it again after somebody has taken it.
      keepTouched(null);
      void changeSession({ path: '/lock', method: 'POST' });
    };
    const touch = (): void => {
      // A touch of what should be locked already opens nothing.
      look();
      const last = touchedAt();
      if (last === null || Date.now() - last >= STEP_MS) keepTouched(Date.now());
    };
    touch();
    const timer = setInterval(look, STEP_MS);
    for (const kind of TOUCHES) addEventListener(kind, touch, { passive: true });
    document.addEventListener('visibilitychange', look);
    return () => {
      clearInterval(timer);
      for (const kind of TOUCHES) removeEventListener(kind, touch);
      document.removeEventListener('visibilitychange', look);
      keepTouched(null);
    };
  }, [minutes, changeSession]);
  return null;
}
