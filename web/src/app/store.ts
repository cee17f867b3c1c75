import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { api } from '../api/api';
import { workBehind } from './background';
import { reducer, type RootState } from './state';

/** A fresh store whose notes are laid up on disk and sent in the background. */
export function createStore() {
  const listener = createListenerMiddleware();
  const store = configureStore({
    reducer,
    middleware: (getDefault) => getDefault().prepend(listener.middleware).concat(api.middleware),
  });
  workBehind(store, listener);
  return store;
}

export type AppStore = ReturnType<typeof createStore>;
export type AppDispatch = AppStore['dispatch'];

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
