import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { leaveNothing, tap, wholeOf } from '../testing/whole';

leaveNothing();

const away = (): Promise<Response> => Promise.reject(new TypeError('Failed to fetch'));

it('a server that is silent is said to be, and is asked again by a tap', async () => {
  let answer = away;
  await wholeOf([], { at: '/', answer: () => answer() });
  expect(await screen.findByText('The bench server does not answer')).toBeTruthy();
  answer = () => Promise.resolve(Response.json([]));
  await tap('Try now');
  expect(await screen.findByRole('link', { name: 'Check a machine in' })).toBeTruthy();
});

it('a job that nobody knows, and an address that is none, each say so', async () => {
  const { goTo } = await wholeOf([], {
    at: '/job/6b1b3b8e-0000-4000-8000-000000000000',
    answer: () => Promise.resolve(Response.json({ error: 'No such job.' }, { status: 404 })),
  });
  expect(await screen.findByText('No such job.')).toBeTruthy();
  await goTo('/nowhere');
  expect(await screen.findByText('Nothing hangs here')).toBeTruthy();
});
