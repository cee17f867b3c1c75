import { cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { readAtBench } from '../job/readAtBench';
import { draw, jobWith } from '../testing/bench';
import { fakeServer } from '../testing/server';
import { KnownHere, WhatBites } from './KnownHere';
import { ModelNotes } from './ModelNotes';
import { api } from '../api/api';

const PLACES = ['part/recoil', 'check/coil-gap'] as const;
const job = jobWith();
const atBench = readAtBench(
  {
    ...job,
    job: { ...job.job, machine: { ...job.job.machine, spec: { plugNm: 20 } } },
    modelNotes: [
      { id: 'n1', at: 'part/recoil', says: 'Four T27' },
      { id: 'n2', at: 'part/muffler', says: 'Shield first' },
    ],
  },
  [],
  1,
);
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('what is known of a model', () => {
  it('stands at its step, and grows by one tap and a line', async () => {
    const server = fakeServer([]);
    draw(
      <>
        <KnownHere atBench={atBench} places={PLACES} />
        <WhatBites atBench={atBench} places={PLACES} />
      </>,
    );
    expect(screen.getByText('Four T27')).toBeTruthy();
    expect(screen.queryByText('Shield first')).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: /What bites on a B45/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Measure the coil air gap' }));
    await userEvent.type(screen.getByLabelText('What bites on a B45'), 'Lower boss filed{Enter}');
    await screen.findByRole('button', { name: /What bites on a B45/ });
    expect(server.sent).toMatchObject([
      {
        method: 'PUT',
        path: '/api/model-notes',
        body: { notes: [{ maker: 'Brakken', model: 'B45', at: 'check/coil-gap', says: 'Lower boss filed' }] },
      },
    ]);
  });

  it('says the maker’s torque where its part goes back, and nothing without it', () => {
    draw(<KnownHere atBench={atBench} places={['part/plug', 'part/flywheel']} />);
    expect(screen.getByText('Plug: 20 Nm, the maker’s figure')).toBeTruthy();
    expect(screen.queryByText(/Flywheel nut/)).toBeNull();
  });

  it('keeps what was written in the reason, where it was not taken', async () => {
    const server = fakeServer([]);
    server.answer = { status: 503, body: { error: 'The database is away.' } };
    draw(<WhatBites atBench={atBench} places={PLACES} />);
    await userEvent.click(screen.getByRole('button', { name: /What bites/ }));
    await userEvent.type(screen.getByLabelText('What bites on a B45'), 'Left-hand thread{Enter}');
    expect((await screen.findByRole('alert')).textContent).toContain('“Left-hand thread” was not kept');
  });

  it('is asked of nobody who does not work at the bench', () => {
    draw(
      <>
        <KnownHere atBench={atBench} places={PLACES} />
        <WhatBites atBench={atBench} places={PLACES} />
      </>,
      { role: 'counter' },
    );
    expect(screen.getByText('Four T27')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /What bites/ })).toBeNull();
  });
});

it('a model’s lines are listed on its card, taken in as a table, and refused with their line', async () => {
  const server = fakeServer([]);
  const store = draw(<ModelNotes maker="Brakken" model="B45" />);
  const note = { id: 'n1', maker: 'brakken', model: 'b45', at: 'part/recoil' as const, says: 'Four T27' };
  await store.dispatch(
    api.util.upsertQueryData('modelNotes', undefined, [
      note,
      { ...note, id: 'n2', model: 'B38', says: 'Other' },
    ]),
  );
  expect(await screen.findByText('Four T27')).toBeTruthy();
  expect(screen.queryByText('Other')).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: /Paste or drop a table/ }));
  const field = screen.getByRole('textbox', { name: /Notes as CSV/ });
  await userEvent.click(field);
  await userEvent.paste('maker,model,at,says\nBrakken,B45,part/wheel,x');
  await userEvent.click(screen.getByRole('button', { name: 'Take it' }));
  expect(await screen.findByText(/Line 2: at "part\/wheel" is no place/)).toBeTruthy();
  expect(server.sent).toEqual([]);
  await userEvent.click(
    within(screen.getByRole('region', { name: 'What bites' })).getByRole('button', {
      name: 'Take out: Four T27',
    }),
  );
  expect(server.sent).toMatchObject([{ method: 'DELETE', path: '/api/model-notes/n1' }]);
});
