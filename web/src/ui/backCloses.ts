/**
 * Back closes the dialog that is up instead of leaving the screen. The first dialog puts one more entry of the same address
 * on the history; it stays there spent when the dialog is closed otherwise, serves the next one, and is passed over by the
 * next Back.
 */

interface Marked {
  dialog?: true;
  /** The router's own count of the entry. */
  idx?: number;
}

const open: (() => void)[] = [];
/** The entry that has a guard above it, and the one that was come to last, by the router's count. */
let guarded: number | null = null;
let last: number | null = null;

const here = (): Marked => (history.state as Marked | null) ?? {};

function guard(): void {
  const state = here();
  if (!state.dialog) history.pushState({ ...state, dialog: true } satisfies Marked, '');
  guarded = last = state.idx ?? 0;
}

function onBack(): void {
  const { dialog, idx = 0 } = here();
  const fromGuard = !dialog && idx === guarded && last === guarded;
  last = idx;
  if (!fromGuard) return;
  const close = open.pop();
  if (!close) return history.back();
  close();
  if (open.length > 0) guard();
}

/** Makes Back call `close` while a dialog is up. Returns what takes that off again. */
export function backCloses(close: () => void): () => void {
  addEventListener('popstate', onBack);
  open.push(close);
  guard();
  return () => {
    const at = open.lastIndexOf(close);
    if (at >= 0) open.splice(at, 1);
  };
}
