import type { ReactElement } from 'react';
import { Link, type RouteObject } from 'react-router';
import { BenchDoor, fetchBench } from '../bench/BenchDoor';
import { Gate } from '../hands/Gate';
import { Rack } from '../rack/Rack';
import { Blank, Loading } from '../ui/State';
import { NoPlace } from './NoPlace';
import { Shell } from './Shell';

/** Every place but the rack and the way to a bench, fetched when somebody goes there. */
const PLACES = {
  '/day': async () => (await import('../day/Day')).Day,
  '/closed': async () => (await import('../rack/Closed')).Closed,
  '/check-in': async () => (await import('../checkin/CheckIn')).CheckIn,
  '/job/:jobId/map': async () => (await import('../map/CauseMap')).CauseMap,
  '/job/:jobId/tune': async () => (await import('../tune/Tune')).Tune,
  '/job/:jobId/start': async () => (await import('../start/Start')).Start,
  '/job/:jobId/rebuild': async () => (await import('../rebuild/Rebuild')).Rebuild,
  '/job/:jobId/papers': async () => (await import('../papers/Papers')).Papers,
  '/job/:jobId/choices': async () => (await import('../choices/Choices')).Choices,
  '/job/:jobId/parts': async () => (await import('../parts/JobParts')).JobParts,
  '/machines/:machineId': async () => (await import('../find/MachinePage')).MachinePage,
  '/owners/:ownerId': async () => (await import('../find/OwnerPage')).OwnerPage,
  '/parts': async () => (await import('../parts/Parts')).Parts,
  '/specs': async () => (await import('../specs/Specs')).Specs,
  '/shop': async () => (await import('../shop/Shop')).Shop,
  '/learnt': async () => (await import('../learning/Learnt')).Learnt,
  '/settings': async () => (await import('../settings/Settings')).Settings,
  '/people': async () => (await import('../people/People')).People,
  '/practice': async () => (await import('../practice/Practice')).Practice,
  '/practice/tune': async () => (await import('../practice/TuneByEar')).TuneByEar,
  '/practice/machine/:code': async () => (await import('../practice/HiddenMachine')).HiddenMachine,
  '/tools': async () => (await import('../tools/Tools')).Tools,
  '/tools/:tool': async () => (await import('../tools/Tools')).Tools,
} as const satisfies Record<string, () => Promise<() => ReactElement | null>>;

/** Fetches every place beforehand, so that all of them are there when the server is not. */
export const fetchPlaces = (): void =>
  void Promise.all([
    ...Object.values(PLACES).map((place) => place()),
    fetchBench(),
    import('./KeyList'),
    import('../hands/HandsSheet'),
    import('../hands/SignIn'),
    import('../find/FindSheet'),
  ]).catch(() => undefined);

/** Every address and what is shown there, for one router. */
export const routes = (): RouteObject[] => [
  {
    element: <Gate />,
    hydrateFallbackElement: <Loading what="Opening…" />,
    children: [
      {
        element: <Shell />,
        children: [
          {
            // A place that cannot be fetched leaves what stays round it.
            errorElement: <NoPlace />,
            children: [
              { path: '/', element: <Rack /> },
              { path: '/job/:jobId', element: <BenchDoor /> },
              ...Object.entries(PLACES).map(([path, place]) => ({ path, lazy: { Component: place } })),
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
        ],
      },
    ],
  },
];
