import { Workbox } from 'workbox-window';
import { pause } from './pause';

const VISIBLE = 'rusty-wren visible';
const LOOK_MS = 30 * 60_000;

const LOOK_AGAIN_MS = 10_000;

/** Resolves when the page's being seen has changed. */
const turned = (): Promise<void> =>
  new Promise((resolve) => document.addEventListener('visibilitychange', () => resolve(), { once: true }));

/** Holds a lock, shared with the other tabs, for as long as this tab is seen. */
async function sayWhenSeen(): Promise<void> {
  for (;;) {
    if (document.visibilityState === 'visible')
      await navigator.locks.request(VISIBLE, { mode: 'shared' }, async () => {
        while (document.visibilityState === 'visible') await turned();
      });
    else await turned();
  }
}

/**
 * Keeps the interface on this device, so that it opens with no server. A new version is taken while no tab of it is seen:
 * it disturbs nobody, and what is typed and noted survives it. `unkept` says whether something would be lost with this page.
 */
export function keepOffline(unkept: () => boolean): void {
  if (!('serviceWorker' in navigator)) return;
  void sayWhenSeen();
  const worker = new Workbox('/sw.js');
  worker.addEventListener('waiting', () => void takeWhenUnseen());
  // The version this page is of. A page may be loaded past its worker (the first one ever, a worker that starts meanwhile, a
  // forced reload): that one taking over changes nothing, the next one does.
  let mine = navigator.serviceWorker.controller;
  navigator.serviceWorker.addEventListener('controllerchange', () => {
    mine ??= navigator.serviceWorker.controller;
    if (navigator.serviceWorker.controller !== mine) void comeBack();
  });
  void worker.register().then(
    (registration) => {
      mine ??= registration?.active ?? registration?.installing ?? null;
    },
    () => undefined,
  );
  setInterval(() => void worker.update().catch(() => undefined), LOOK_MS);
  async function comeBack(): Promise<void> {
    while (unkept()) await pause(1000);
    location.reload();
  }
  async function takeWhenUnseen(): Promise<void> {
    while ((await navigator.serviceWorker.getRegistration())?.waiting) {
      if (document.visibilityState === 'hidden') {
        // This tab has to let go of its own lock first.
        await pause(1000);
        const unseen = await navigator.locks.request(VISIBLE, { ifAvailable: true }, (lock) => lock !== null);
        // Told again until it has taken over: a worker that was just starting may not have heard it.
        if (unseen) worker.messageSkipWaiting();
      }
      await Promise.race([turned(), pause(LOOK_AGAIN_MS)]);
    }
  }
}
