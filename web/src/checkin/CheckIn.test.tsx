import type { CheckIn as Request, CustomerWithMachines } from '@rusty-wren/contract';
import { checkInSchema } from '@rusty-wren/contract';
import { act, cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api } from '../api/api';
import { draw, JOB, jobWith, complains } from '../testing/bench';
import { CheckIn } from './CheckIn';

const ODILE: CustomerWithMachines = {
  ...JOB.customer,
  id: '3b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d',
  machines: [{ ...JOB.machine, id: '4b0f9d5e-3c4d-4c7e-9d7a-0d9f3a1b2c3d' }],
};

/** The requests that were sent; `answer` says what comes back. */
const sent: Request[] = [];
let answer = (): Response => new Response('{}', { status: 500 });

async function drawPage() {
  const store = draw(<CheckIn />, { at: '/check-in' });
  await act(async () => {
    await store.dispatch(api.util.upsertQueryData('customers', '', [ODILE]));
    await store.dispatch(api.util.upsertQueryData('rack', undefined, []));
  });
}
const owner = () => screen.getByRole('textbox', { name: 'Owner' });
const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));
async function fillIn(): Promise<void> {
  await userEvent.type(owner(), 'Odile');
  await press('Odile Farrant');
  await press('Brakken B45');
  await press('Kicks back');
}

beforeEach(() => {
  localStorage.clear();
  sent.length = 0;
  answer = () =>
    Response.json({ ...jobWith(complains('kicks-back')), job: { ...JOB, customer: ODILE } }, { status: 201 });
  vi.stubGlobal('fetch', async (request: globalThis.Request) => {
    if (request.method !== 'POST') return new Promise(() => undefined);
    sent.push((await request.json()) as Request);
    return answer();
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

describe('check-in', () => {
  it('says at each field what is missing, and sends nothing', async () => {
    await drawPage();
    await press('Check it in');
    for (const says of ['Owner: whose is it?', 'Machine: pick its kind.', 'Maker: not written yet.'])
      expect(await screen.findByText(says)).toBeTruthy();
    expect(screen.getByText('5 things are missing.')).toBeTruthy();
    expect(sent).toEqual([]);
    // What is put right is no longer said.
    await press('Chainsaw');
    await waitFor(() => expect(screen.queryByText('Machine: pick its kind.')).toBeNull());
  });

  it('sends what the server takes, once, however often it is tried', async () => {
    answer = () => Response.json({ error: 'The database is away.' }, { status: 503 });
    await drawPage();
    await fillIn();
    await press('Check it in');
    expect(await screen.findByText(/The database is away. Nothing here is lost/)).toBeTruthy();
    await press('Check it in');
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map((r) => checkInSchema.validate(r, { convert: false }).error)).toEqual([
      undefined,
      undefined,
    ]);
    expect(sent[0]?.jobId).toBe(sent[1]?.jobId);
  });

  it('takes what is said to have been done, with what came of it', async () => {
    await drawPage();
    await fillIn();
    await press('New coil');
    await press('Fresh fuel');
    const coil = screen.getByRole('region', { name: 'New coil' });
    await userEvent.click(within(coil).getByRole('radio', { name: 'The trouble began with it' }));
    await press('Fresh fuel');
    await press('Check it in');
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]?.entries.filter((e) => e.kind === 'said-done').map((e) => e.body)).toEqual([
      { work: 'coil', effect: 'trouble-since' },
    ]);
    expect(checkInSchema.validate(sent[0], { convert: false }).error).toBeUndefined();
  });

  it('asks before a slip of the hand makes a second owner', async () => {
    await drawPage();
    await userEvent.type(owner(), 'Odile Farant');
    await press('Check it in');
    expect(await screen.findByText(/Owner: is it Odile Farrant\?/)).toBeTruthy();
    await press('Somebody else');
    await waitFor(() => expect(screen.queryByText(/Owner: is it/)).toBeNull());
    expect(screen.queryByRole('button', { name: 'Odile Farrant' })).toBeNull();
  });

  it('goes on with another machine of the same owner, under a job of its own', async () => {
    await drawPage();
    await fillIn();
    await press('and another of theirs');
    await waitFor(() => expect(sent).toHaveLength(1));
    await waitFor(() =>
      expect(screen.getByRole('button', { name: 'Kicks back', pressed: false })).toBeTruthy(),
    );
    expect((owner() as HTMLInputElement).value).toBe('Odile Farrant');
    await press('Brakken B45');
    await press('Will not fire');
    await press('Check it in');
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[1]?.jobId).not.toBe(sent[0]?.jobId);
    expect(sent[1]?.customer).toEqual(sent[0]?.customer);
  });

  it('is there again after a reload, and gone once it is checked in', async () => {
    await drawPage();
    await fillIn();
    cleanup();
    await drawPage();
    expect((owner() as HTMLInputElement).value).toBe('Odile Farrant');
    expect(screen.getByRole('button', { name: 'Kicks back', pressed: true })).toBeTruthy();
    await press('Check it in');
    await waitFor(() => expect(sent).toHaveLength(1));
    cleanup();
    await drawPage();
    expect((owner() as HTMLInputElement).value).toBe('');
  });
});
