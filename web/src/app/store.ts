import { configureStore, createListenerMiddleware, isAnyOf } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from '../api/api';
import { keep, noted, sent } from '../api/outbox';
import { sendUnsent } from '../api/send';
import { reducer, type RootState } from './state';

const RETRY_MS = 4000;

/** A fresh store, with unsent entries kept and sent in the background. */
export function createStore() {
  const listener = createListenerMiddleware();
  const store = configureStore({
    reducer,
    middleware: (getDefault) => getDefault().prepend(listener.middleware).concat(api.middleware),
  });
  listener.startListening({
    matcher: isAnyOf(noted, sent),
    effect: () => keep(store.getState().outbox.unsent),
  });
  listener.startListening({ actionCreator: noted, effect: () => void store.dispatch(sendUnsent()) });
  setInterval(() => void store.dispatch(sendUnsent()), RETRY_MS);
  addEventListener('online', () => void store.dispatch(sendUnsent()));
  return store;
}

export type AppStore = ReturnType<typeof createStore>;
export type AppDispatch = AppStore['dispatch'];

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
