import { useEffect, type ReactElement } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, RouterProvider } from 'react-router';
import { keepHands } from '../hands/hands';
import { routes } from './places';
import { keepSettings } from './settings';
import type { AppStore } from './store';

const router = createBrowserRouter(routes());

/** The whole interface. `store`: made once, before anything is drawn. */
export function App({ store }: { store: AppStore }): ReactElement {
  useEffect(() => {
    let [settings, hands]: unknown[] = [];
    return store.subscribe(() => {
      const now = store.getState();
      if (now.settings !== settings) keepSettings((settings = now.settings) as typeof now.settings);
      if (now.hands !== hands) keepHands((hands = now.hands) as typeof now.hands);
    });
  }, [store]);
  return (
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  );
}
