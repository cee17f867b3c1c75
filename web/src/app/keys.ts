import { useEffect } from 'react';

export interface KeyBinding {
  /** What the key is called on the list, such as "/" or "Shift X". */
  key: string;
  does: string;
  run: (event: KeyboardEvent) => void;
}

const isWriting = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

const screens = new Set<readonly KeyBinding[]>();

/** The keys that work now, for the list behind `?`. */
export const keysNow = (): KeyBinding[] => [...screens].flat();

/** Binds keys while the calling screen is up. They rest while something is being written or a dialog is open. */
export function useKeys(bindings: readonly KeyBinding[]): void {
  useEffect(() => {
    screens.add(bindings);
    const onKey = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
      if (isWriting(event.target) || document.querySelector('[role="dialog"],[role="alertdialog"]')) return;
      const binding = bindings.find((b) => b.key === event.key);
      if (!binding) return;
      event.preventDefault();
      binding.run(event);
    };
    addEventListener('keydown', onKey);
    return () => {
      screens.delete(bindings);
      removeEventListener('keydown', onKey);
    };
  }, [bindings]);
}

/** Whether a key may answer for a place: nothing has the focus, or something of that place. */
export function isFreeFor(place: Element | null): boolean {
  const { activeElement } = document;
  return !activeElement || activeElement === document.body || !!place?.contains(activeElement);
}

/** What presses the n-th button that a selector finds in the place of that id. */
export const pressIn =
  (id: string) =>
  (selector: string, at = 0): void =>
    document.getElementById(id)?.querySelectorAll<HTMLElement>(selector)[at]?.click();
