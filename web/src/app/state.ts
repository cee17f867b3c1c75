import { combineReducers, type Action, type ThunkAction } from '@reduxjs/toolkit';
import { api } from '../api/api';
import { lastNoted } from '../api/lastNoted';
import { clock } from '../keeping/clock';
import { outbox } from '../keeping/outbox';
import { hands } from '../hands/hands';
import { settings } from './settings';

/** Everything the page keeps: the server's answers, what is unsent, and this device's settings. */
export const reducer = combineReducers({
  [api.reducerPath]: api.reducer,
  outbox: outbox.reducer,
  clock: clock.reducer,
  lastNoted: lastNoted.reducer,
  hands: hands.reducer,
  settings: settings.reducer,
});

export type RootState = ReturnType<typeof reducer>;
export type AppThunk<T = void> = ThunkAction<T, RootState, unknown, Action>;
