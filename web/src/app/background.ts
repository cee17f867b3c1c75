import type { Action, ListenerMiddlewareInstance, ThunkDispatch } from '@reduxjs/toolkit';
import { api, EVERYTHING } from '../api/api';
import { fetchAhead } from '../api/fetchAhead';
import { asKept, fetchMissed, layUpOrSay, makeSender, readShelf, takeIn } from '../api/send';
import { hearStream, listen } from '../api/stream';
import { serverNow } from '../keeping/clock';
import { isIn } from '../hands/hands';
import {
  inPageOnly,
  hungHere,
  letGo,
  noted,
  reachable,
  runsFull,
  sent,
  sentAgain,
  thrownAway,
  unkeepable,
  notSent,
  type Aside,
} from '../keeping/outbox';
import { giveUpReserve, holdReserve, roomLeft } from '../keeping/room';
import {
  changeKept,
  forgetSeen,
  keepAgain,
  reasonOf,
  takeOff,
  whenCutOff,
  type Kept,
} from '../keeping/shelf';
import { dropDrafts } from '../ui/useDraft';
import { joinTabs, type Tabs, type Telling } from '../keeping/tabs';
import type { RootState } from './state';

const RETRY_MS = 4000;
const LOOK_FOR_ROOM_MS = 60_000;
/** A page that has been open so long can do with more than it was asked for; the rack costs the server something. */
const SETTLED_MS = 30_000;

type Listener = Pick<ListenerMiddlewareInstance, 'startListening'>;

/** A page's store, as what works behind it needs it. */
interface Page {
  dispatch: ThunkDispatch<RootState, unknown, Action>;
  getState: () => RootState;
}

/** What everything behind a page shares: the other tabs, the shelf read anew, and sending where this tab is to. */
interface Behind extends Page {
  tabs: Tabs;
  read: () => Promise<void>;
  send: () => Promise<void>;
  sendIfLeading: () => void;
}

/**
 * Works behind a page: lays its notes up on disk and sends them. Of all tabs of this browser one sends, and listens to the
 * server, for all of them.
 */
export function workBehind({ dispatch, getState }: Page, listener: Listener): void {
  const tabs = joinTabs();
  const sender = makeSender(tabs);
  const send = (): Promise<void> => dispatch(sender());
  const behind: Behind = {
    dispatch,
    getState,
    tabs,
    send,
    read: async () => void (await dispatch(readShelf())),
    sendIfLeading: () => {
      if (tabs.isLeading() || getState().outbox.trouble !== null) void send();
    },
  };
  layUpNotes(behind, listener);
  changeHands(behind, listener);
  setAsideAgain(behind, listener);
  listener.startListening({
    matcher: api.endpoints.rack.matchFulfilled,
    effect: ({ payload }) => (tabs.isLeading() ? fetchAhead(payload) : undefined),
  });
  tabs.hear(hearTabs(behind));
  tabs.whenLeading(() => leadTabs(behind));
  behind.read().catch(async (error: unknown) => void dispatch(unkeepable(await reasonOf(error))));
  keepTrying(behind);
  watchRoom(behind, listener);
}

function layUpNotes({ dispatch, getState, tabs, read, sendIfLeading }: Behind, listener: Listener): void {
  listener.startListening({
    actionCreator: noted,
    effect: async ({ payload }) => {
      await dispatch(layUpOrSay(asKept(payload, getState().clock.offMs)));
      await read().catch(() => undefined);
      tabs.tell({ kind: 'shelf' });
      sendIfLeading();
    },
  });
  listener.startListening({
    actionCreator: hungHere,
    effect: async () => {
      dispatch(notSent());
      await read();
      tabs.tell({ kind: 'shelf' });
    },
  });
}

/**
 * What a change of hands brings with it: other tabs hear of it, what waited is sent, and what a device that is signed out had
 * seen is gone from it.
 */
function changeHands({ dispatch, tabs, sendIfLeading }: Behind, listener: Listener): void {
  listener.startListening({
    predicate: (_, now, before) => {
      const [is, was] = [now as RootState, before as RootState].map(({ hands }) => hands);
      return is!.me?.id !== was!.me?.id || is!.locked !== was!.locked;
    },
    effect: async (_, { getState }) => {
      tabs.tell({ kind: 'hands' });
      const { me, locked } = (getState() as RootState).hands;
      if (me) keepAgain();
      if (me && !locked) {
        dispatch(api.util.invalidateTags([...EVERYTHING]));
        sendIfLeading();
      } else if (!me) {
        await Promise.all([forgetSeen(), dropDrafts()]);
        dispatch(api.util.resetApiState());
      }
    },
  });
}

/** What was refused, to be sent as if for the first time; never dated later than now. */
function asNew({ refused: _, loose: __, ...kept }: Aside, now: number): Kept {
  if (kept.kind === 'check-in' || Date.parse(kept.entry.notedAt) <= now) return kept;
  return { ...kept, entry: { ...kept.entry, notedAt: new Date(now).toISOString() } };
}

/** What becomes of things put aside: thrown away, or sent again. */
function setAsideAgain({ dispatch, getState, tabs, read, sendIfLeading }: Behind, listener: Listener): void {
  listener.startListening({
    actionCreator: thrownAway,
    effect: async ({ payload: id }) => {
      dispatch(letGo(id));
      await takeOff([id])
        .then(read)
        .catch(() => undefined);
      tabs.tell({ kind: 'shelf' });
    },
  });
  listener.startListening({
    actionCreator: sentAgain,
    effect: async ({ payload: { kept } }) => {
      dispatch(letGo(kept.id));
      const again = asNew(kept, serverNow(getState().clock));
      if (kept.loose && again.kind === 'entry')
        return void dispatch(noted([{ jobId: again.jobId, entry: again.entry }]));
      await changeKept(again.id, () => again);
      await read();
      tabs.tell({ kind: 'shelf' });
      sendIfLeading();
    },
  });
}

/** Takes in what another tab told. */
const hearTabs =
  ({ dispatch, read, sendIfLeading }: Behind) =>
  (telling: Telling): void => {
    switch (telling.kind) {
      case 'shelf':
        void read().then(sendIfLeading, () => undefined);
        return;
      case 'hands':
        dispatch(api.util.invalidateTags(['Session']));
        return;
      case 'delivered':
        dispatch(takeIn(telling.stored));
        dispatch(sent(telling.ids));
        dispatch(fetchMissed(telling.stored));
        void read().catch(() => undefined);
        return;
      case 'stream':
        dispatch(hearStream(telling.event, telling.data));
        return;
      case 'room':
        dispatch(runsFull(telling.tight));
        return;
      case 'reach':
        dispatch(telling.offline ? notSent() : reachable());
        if (!telling.offline) dispatch(api.util.invalidateTags(['Rack', 'Job']));
    }
  };

/** Listens to the server for all tabs, sends for them, and sees beforehand what is asked for first when it is away. */
function leadTabs({ dispatch, getState, tabs, send }: Behind): void {
  listen(
    (event, data) => {
      dispatch(hearStream(event, data));
      tabs.tell({ kind: 'stream', event, data });
    },
    () => void send(),
    () => isIn(getState()),
  );
  void send();
  setTimeout(() => {
    if (!isIn(getState())) return;
    void dispatch(api.endpoints.rack.initiate(undefined, { subscribe: false }));
    void dispatch(api.endpoints.customers.initiate('', { subscribe: false }));
  }, SETTLED_MS);
}

function keepTrying({ getState, sendIfLeading }: Behind): void {
  setInterval(() => {
    const { unsent, checkIns, offline } = getState().outbox;
    if (unsent.length + checkIns.length > 0 || offline) sendIfLeading();
  }, RETRY_MS);
  addEventListener('online', sendIfLeading);
  // What is not on disk yet would be lost with the page.
  addEventListener('beforeunload', (event) => {
    if (inPageOnly(getState().outbox)) event.preventDefault();
  });
}

/**
 * Sees that there is room for what is noted with the server away, and says so before there is none: a reserve is held for it, and
 * given up once the rest of the device is full.
 */
function watchRoom({ dispatch, getState, tabs, read, sendIfLeading }: Behind, listener: Listener): void {
  const look = async (): Promise<void> => {
    const { offline, tight } = getState().outbox;
    // Given up for what is noted now: it is held anew once that is sent.
    if (offline && tight) return;
    const held = (await holdReserve()) && (await roomLeft());
    if (!held && getState().outbox.offline) await giveUpReserve();
    if (held !== tight) return;
    dispatch(runsFull(!held));
    tabs.tell({ kind: 'room', tight: !held });
  };
  const lookIfLeading = (): void => {
    if (tabs.isLeading()) void look();
  };
  listener.startListening({
    predicate: (_, now, before) => {
      const [is, was] = [now as RootState, before as RootState].map(({ outbox }) => outbox);
      return is!.offline && (!was!.offline || is!.unsent !== was!.unsent);
    },
    effect: (_, api) => {
      // Of many notes one after another, once.
      api.cancelActiveListeners();
      lookIfLeading();
    },
  });
  setTimeout(lookIfLeading, SETTLED_MS);
  setInterval(lookIfLeading, LOOK_FOR_ROOM_MS);
  whenCutOff.add(() => {
    dispatch(unkeepable('This browser has dropped what it had kept.'));
    void read().then(sendIfLeading, () => undefined);
  });
}
