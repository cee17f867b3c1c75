import { useEffect, type ReactElement } from 'react';
import { Provider } from 'react-redux';
import { createBrowserRouter, Link, RouterProvider } from 'react-router';
import { Bench } from '../bench/Bench';
import { Choices } from '../choices/Choices';
import { CheckIn } from '../checkin/CheckIn';
import { Day } from '../day/Day';
import { MachinePage } from '../find/MachinePage';
import { OwnerPage } from '../find/OwnerPage';
import { CauseMap } from '../map/CauseMap';
import { JobParts } from '../parts/JobParts';
import { Parts } from '../parts/Parts';
import { Papers } from '../papers/Papers';
import { Practice } from '../practice/Practice';
import { Closed } from '../rack/Closed';
import { Rack } from '../rack/Rack';
import { Rebuild } from '../rebuild/Rebuild';
import { Shop } from '../shop/Shop';
import { Specs } from '../specs/Specs';
import { Start } from '../start/Start';
import { Tools } from '../tools/Tools';
import { Tune } from '../tune/Tune';
import { Blank } from '../ui/State';
import { keepSettings } from './settings';
import { Shell } from './Shell';
import type { AppStore } from './store';

const router = createBrowserRouter([
  {
    element: <Shell />,
    children: [
      { path: '/', element: <Rack /> },
      { path: '/day', element: <Day /> },
      { path: '/closed', element: <Closed /> },
      { path: '/check-in', element: <CheckIn /> },
      { path: '/job/:jobId', element: <Bench /> },
      { path: '/job/:jobId/map', element: <CauseMap /> },
      { path: '/job/:jobId/tune', element: <Tune /> },
      { path: '/job/:jobId/start', element: <Start /> },
      { path: '/job/:jobId/rebuild', element: <Rebuild /> },
      { path: '/job/:jobId/papers', element: <Papers /> },
      { path: '/job/:jobId/choices', element: <Choices /> },
      { path: '/job/:jobId/parts', element: <JobParts /> },
      { path: '/machines/:machineId', element: <MachinePage /> },
      { path: '/owners/:ownerId', element: <OwnerPage /> },
      { path: '/parts', element: <Parts /> },
      { path: '/specs', element: <Specs /> },
      { path: '/shop', element: <Shop /> },
      { path: '/practice', element: <Practice /> },
      { path: '/tools', element: <Tools /> },
      { path: '/tools/:tool', element: <Tools /> },
      {
        path: '*',
        element: (
          <Blank title="Nothing hangs here">
            <Link to="/" className="font-semibold text-rust underline">
              To the rack
            </Link>
          </Blank>
        ),
      },
    ],
  },
]);

/** The whole interface. `store`: made once, before anything is drawn. */
export function App({ store }: { store: AppStore }): ReactElement {
  useEffect(() => store.subscribe(() => keepSettings(store.getState().settings)), [store]);
  return (
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  );
}
