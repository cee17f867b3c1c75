import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from '../api/api';
import { fetchAhead } from '../api/fetchAhead';
import { asKept, makeSender, reasonOf, takeIn } from '../api/send';
import { hearStream, listen } from '../api/stream';
import {
  hungHere,
  keepable,
  laidUp,
  letGo,
  noted,
  reachable,
  sent,
  sentAgain,
  thrownAway,
  unkeepable,
  unreachable,
  type Aside,
} from '../keeping/outbox';
import { changeKept, everythingKept, layUp, takeOff, type Kept } from '../keeping/shelf';
import { joinTabs } from '../keeping/tabs';
import { reducer, type RootState } from './state';

const RETRY_MS = 4000;

/** A fresh store of this page. */
function makeStore() {
  const listener = createListenerMiddleware();
  const store = configureStore({
    reducer,
    middleware: (getDefault) => getDefault().prepend(listener.middleware).concat(api.middleware),
  });
  return { store, listener };
}

export type AppStore = ReturnType<typeof makeStore>['store'];
export type AppDispatch = AppStore['dispatch'];

/** What was refused, to be sent as if for the first time; never dated later than now. */
function asNew({ refused: _, loose: __, ...kept }: Aside, now: number): Kept {
  if (kept.kind === 'check-in' || Date.parse(kept.entry.notedAt) <= now) return kept;
  return { ...kept, entry: { ...kept.entry, notedAt: new Date(now).toISOString() } };
}

/**
 * A fresh store whose notes are laid up on disk and sent in the background. Of all tabs of this browser one sends, and
 * listens to the server, for all of them.
 */
export function createStore(): AppStore {
  const { store, listener } = makeStore();
  const { dispatch, getState } = store;
  const tabs = joinTabs();
  const send = makeSender(tabs);
  const read = async (): Promise<void> => void dispatch(laidUp(await everythingKept()));
  const sendIfLeading = (): void => {
    if (tabs.isLeading() || getState().outbox.trouble !== null) void dispatch(send());
  };

  listener.startListening({
    actionCreator: noted,
    effect: async ({ payload }) => {
      try {
        await layUp(asKept(payload, getState().clock.offMs));
        dispatch(keepable());
        await read();
        tabs.tell({ kind: 'shelf' });
      } catch (error) {
        dispatch(unkeepable(reasonOf(error)));
      }
      sendIfLeading();
    },
  });
  listener.startListening({
    actionCreator: hungHere,
    effect: async () => {
      dispatch(unreachable());
      await read();
      tabs.tell({ kind: 'shelf' });
    },
  });
  listener.startListening({
    actionCreator: thrownAway,
    effect: async ({ payload: id }) => {
      dispatch(letGo(id));
      await takeOff([id]).catch(() => undefined);
      tabs.tell({ kind: 'shelf' });
    },
  });
  listener.startListening({
    actionCreator: sentAgain,
    effect: async ({ payload: { kept } }) => {
      dispatch(letGo(kept.id));
      const again = asNew(kept, Date.now() + getState().clock.offMs);
      if (kept.loose && again.kind === 'entry')
        return void dispatch(noted([{ jobId: again.jobId, entry: again.entry }]));
      await changeKept(again.id, () => again);
      await read();
      tabs.tell({ kind: 'shelf' });
      sendIfLeading();
    },
  });
  listener.startListening({
    matcher: api.endpoints.rack.matchFulfilled,
    effect: ({ payload }) => (tabs.isLeading() ? dispatch(fetchAhead(payload)) : undefined),
  });
  tabs.hear((telling) => {
    switch (telling.kind) {
      case 'shelf':
        void read().then(sendIfLeading);
        return;
      case 'delivered':
        dispatch(takeIn(telling.stored));
        dispatch(sent(telling.ids));
        return;
      case 'stream':
        dispatch(hearStream(telling.event, telling.data));
        return;
      case 'reach':
        dispatch(telling.offline ? unreachable() : reachable());
        if (!telling.offline) dispatch(api.util.invalidateTags(['Rack', 'Job']));
    }
  });
  tabs.whenLeading(() => {
    listen(
      (event, data) => {
        dispatch(hearStream(event, data));
        tabs.tell({ kind: 'stream', event, data });
      },
      () => void dispatch(send()),
    );
    void dispatch(send());
    // What is asked for first when the server is away is seen beforehand.
    void dispatch(api.endpoints.rack.initiate('open', { subscribe: false }));
    void dispatch(api.endpoints.customers.initiate(undefined, { subscribe: false }));
  });
  read().catch((error: unknown) => dispatch(unkeepable(reasonOf(error))));
  setInterval(() => {
    const { unsent, checkIns, offline } = getState().outbox;
    if (unsent.length + checkIns.length > 0 || offline) sendIfLeading();
  }, RETRY_MS);
  addEventListener('online', sendIfLeading);
  // What is not on disk yet would be lost with the page.
  addEventListener('beforeunload', (event) => {
    if (getState().outbox.unsent.some((u) => !u.safe)) event.preventDefault();
  });
  return store;
}

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
