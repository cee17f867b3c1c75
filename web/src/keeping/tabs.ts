import type { Entry } from '@rusty-wren/core/log';

/** What the server's stream tells: a log has grown, the drawer or the day has changed, something was learnt, or something may have been missed. */
export type StreamEvent = 'job' | 'parts' | 'day' | 'rack' | 'learnt' | 'gap';

/** What tabs of one browser tell each other. */
export type Telling =
  /** The shelf was changed. */
  | { kind: 'shelf' }
  /** These came to the server, and stand on these logs now. */
  | {
      kind: 'delivered';
      ids: readonly string[];
      stored: readonly { jobId: string; entries: readonly Entry[] }[];
    }
  /** The server said so on its stream. */
  | { kind: 'stream'; event: StreamEvent; data: string }
  /** This device has changed hands, was locked or signed out. */
  | { kind: 'hands' }
  /** Whether this device is nearly full. */
  | { kind: 'room'; tight: boolean }
  /** Whether the server answers. */
  | { kind: 'reach'; offline: boolean };

/** The tabs of this browser that have the bench open. */
export interface Tabs {
  tell: (telling: Telling) => void;
  hear: (on: (telling: Telling) => void) => void;
  /** Calls back once this tab is the one that sends and listens for all of them: at once, or when those before it close. */
  whenLeading: (lead: () => void) => void;
  isLeading: () => boolean;
}

/** A tab alone: where a browser cannot let tabs talk, each does everything itself, which the server takes as one. */
const ALONE: Tabs = {
  tell: () => undefined,
  hear: () => undefined,
  whenLeading: (lead) => lead(),
  isLeading: () => true,
};

/** Joins the tabs of this browser. */
export function joinTabs(): Tabs {
  // Missing on plain HTTP from another machine.
  const locks = navigator.locks as LockManager | undefined;
  if (!locks || typeof BroadcastChannel === 'undefined') return ALONE;
  const channel = new BroadcastChannel('rusty-wren');
  let leading = false;
  return {
    tell: (telling) => channel.postMessage(telling),
    hear: (on) => channel.addEventListener('message', (e: MessageEvent<Telling>) => on(e.data)),
    whenLeading: (lead) =>
      void locks.request('rusty-wren', () => {
        leading = true;
        lead();
        // Held until the tab is closed.
        return new Promise(() => undefined);
      }),
    isLeading: () => leading,
  };
}
