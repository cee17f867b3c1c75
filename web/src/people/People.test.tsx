import { act, cleanup, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { draw } from '../testing/bench';
import { People } from './People';
import { peopleApi } from './peopleApi';

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

it('who works here stays when looking again fails', async () => {
  const fetched = vi.fn(() => Promise.reject(new Error('away')));
  vi.stubGlobal('fetch', fetched);
  const store = draw(<People />);
  await act(async () => {
    await store.dispatch(peopleApi.util.upsertQueryData('people', undefined, []));
  });
  expect(await screen.findByRole('region', { name: 'People' })).toBeTruthy();
  await act(async () => {
    await store.dispatch(peopleApi.endpoints.people.initiate(undefined, { forceRefetch: true }));
  });
  expect(fetched).toHaveBeenCalled();
  expect(screen.getByRole('region', { name: 'People' })).toBeTruthy();
});
