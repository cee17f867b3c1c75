import { PROVE_AGAIN } from '@rusty-wren/contract';
import { act, screen, waitFor, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import { draw, NOTER } from '../testing/bench';
import { NEVER } from '../testing/server';
import { leaveNothing, tap, wholeOf } from '../testing/whole';
import { People } from './People';
import { peopleApi } from './peopleApi';

leaveNothing();

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

it('is for the lead, and says so to whom it is not', async () => {
  vi.stubGlobal('fetch', () =>
    Promise.resolve(Response.json({ error: 'That is for the lead.' }, { status: 403 })),
  );
  draw(<People />, { role: 'counter' });
  expect(await screen.findByText('That is for the lead.')).toBeTruthy();
  expect(screen.queryByRole('region', { name: 'People' })).toBeNull();
});

it('asks the lead for their PIN once more where the server wants it, and goes on', async () => {
  let proved = false;
  const asked: unknown[] = [];
  const { goTo } = await wholeOf([], {
    answer: async (request) => {
      const { pathname } = new URL(request.url);
      if (request.method === 'POST' && pathname === '/api/session') {
        asked.push(await request.json());
        proved = true;
        return Response.json({ state: 'in', me: { ...NOTER, role: 'lead' }, people: [] });
      }
      if (pathname !== '/api/people') return NEVER;
      return proved ? Response.json([]) : Response.json({ error: PROVE_AGAIN }, { status: 403 });
    },
  });
  await goTo('/people');
  const asks = await screen.findByRole('dialog', { name: 'Is it you, Bett Oakham?' });
  for (const digit of '482916') await tap(digit, within(asks));
  await waitFor(() => expect(screen.queryByRole('dialog')).toBeNull());
  expect(asked).toEqual([{ account: NOTER.id, secret: '482916' }]);
  await tap('Try again');
  expect(await screen.findByRole('region', { name: 'People' })).toBeTruthy();
});
