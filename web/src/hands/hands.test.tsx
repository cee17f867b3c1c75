import type { SessionState } from '@rusty-wren/contract';
import { cleanup, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { noted } from '../keeping/outbox';
import { draw, JOB } from '../testing/bench';
import { Gate } from './Gate';
import { hands, isIn, keepHands, noterOf, proofWanted, stood } from './hands';
import { HandsSheet } from './HandsSheet';
import { SecretField } from './SecretField';
import { SignIn } from './SignIn';

const BETT = { id: 'b', name: 'Bett Oakham', role: 'lead' as const };
const PEOPLE = [
  { id: 'b', name: 'Bett Oakham', open: true as const },
  { id: 'i', name: 'Idris Pell', open: true as const },
  { id: 'm', name: 'Maren Tolle' },
];
const IN: SessionState = { state: 'in', me: BETT, people: PEOPLE };

/** What the server was asked, and how it stands; a wrong PIN is refused. */
const asked: { what: string; body: unknown }[] = [];
let stands: SessionState;
beforeEach(() => {
  asked.length = 0;
  stands = IN;
  localStorage.clear();
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname } = new URL(request.url);
    const body: unknown = request.method === 'GET' ? null : await request.json().catch(() => null);
    asked.push({ what: `${request.method} ${pathname}`, body });
    if ((body as { secret?: string } | null)?.secret === '111119')
      return Response.json({ error: 'That is not the PIN or password of this name.' }, { status: 403 });
    return Response.json(stands);
  });
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});
const tap = async (pin: string): Promise<void> => {
  for (const digit of pin) await userEvent.click(screen.getByRole('button', { name: digit }));
};
const changes = () => asked.filter(({ what }) => !what.startsWith('GET'));

describe('a PIN', () => {
  const field = () => {
    const said: string[] = [];
    draw(<SecretField label="PIN" done="In" busy={false} problem={null} onDone={(s) => said.push(s)} />);
    return said;
  };
  it('is sent with its sixth digit, a wrong one deleted before', async () => {
    const said = field();
    await tap('48');
    await userEvent.click(screen.getByRole('button', { name: 'Delete the last digit' }));
    await tap('7291');
    expect(said).toEqual([]);
    await tap('6');
    expect(said).toEqual(['472916']);
  });
  it('a password is typed, and sent by hand', async () => {
    const said = field();
    await userEvent.type(screen.getByLabelText('PIN'), 'a good long one{Enter}');
    expect(said).toEqual(['a good long one']);
  });
  it('is hidden, may be shown while it is typed, and is hidden again for the next', async () => {
    const said = field();
    const hidden = () => screen.getByLabelText('PIN').getAttribute('type') === 'password';
    expect(hidden()).toBe(true);
    await userEvent.click(screen.getByRole('button', { name: 'Show it' }));
    expect(hidden()).toBe(false);
    await userEvent.type(screen.getByLabelText('PIN'), 'a good long one{Enter}');
    expect([said, hidden()]).toEqual([['a good long one'], true]);
  });
  it('nothing is sent of nothing', async () => {
    const said = field();
    await userEvent.type(screen.getByLabelText('PIN'), '{Enter}');
    expect(said).toEqual([]);
  });
});

describe('signing in', () => {
  it('asks for a name and its PIN, says what is wrong, and takes the right one', async () => {
    draw(<SignIn session={{ state: 'out', people: PEOPLE }} away={false} />);
    await userEvent.click(screen.getByRole('button', { name: 'Idris Pell' }));
    await tap('111119');
    expect((await screen.findByRole('alert')).textContent).toBe(
      'That is not the PIN or password of this name.',
    );
    await tap('305714');
    await waitFor(() =>
      expect(changes().at(-1)).toEqual({
        what: 'POST /api/session',
        body: { account: 'i', secret: '305714' },
      }),
    );
    await userEvent.click(screen.getByRole('button', { name: 'Somebody else' }));
    expect(screen.getByRole('button', { name: 'Maren Tolle' })).toBeTruthy();
  });
  it('says that PINs are shown only where they are the demo’s', () => {
    draw(<SignIn session={{ state: 'out', people: PEOPLE }} away={false} />);
    expect(screen.queryByText(/demo/)).toBeNull();
    cleanup();
    draw(<SignIn session={{ state: 'out', people: [{ ...PEOPLE[0]!, demoPin: '482916' }] }} away />);
    expect(screen.getByText(/The demo shows its PINs/)).toBeTruthy();
    expect(screen.getByRole('status').textContent).toContain('does not answer');
  });
  it('a locked bench asks for whoever had it', () => {
    draw(<SignIn session={{ state: 'locked', me: BETT, people: PEOPLE }} away={false} />);
    expect(screen.getByRole('heading', { name: 'Locked' })).toBeTruthy();
    expect(screen.getByText('Bett Oakham')).toBeTruthy();
  });
});

describe('changing hands', () => {
  const sheet = () => {
    const closed = vi.fn();
    const store = draw(<HandsSheet me={BETT} onClose={closed} />);
    return { closed, store };
  };
  it('is one tap for who was in today, and a PIN for who was not', async () => {
    const { closed } = sheet();
    expect(screen.queryByRole('button', { name: /Bett/ })).toBeNull();
    await userEvent.click(await screen.findByRole('button', { name: 'Idris Pell' }));
    await waitFor(() => expect(closed).toHaveBeenCalled());
    expect(changes()).toEqual([{ what: 'PUT /api/session/hand', body: { account: 'i' } }]);
    await userEvent.click(screen.getByRole('button', { name: /Maren Tolle/ }));
    await tap('771203');
    await waitFor(() => expect(changes().at(-1)?.body).toEqual({ account: 'm', secret: '771203' }));
  });
  it('does not sign out while something is not sent', async () => {
    const { store } = sheet();
    store.dispatch(
      noted([
        { jobId: JOB.id, entry: { id: 'n', notedAt: JOB.checkedInAt, kind: 'note', body: { text: 'x' } } },
      ]),
    );
    await userEvent.click(await screen.findByRole('button', { name: /Sign out/ }));
    expect(changes()).toEqual([]);
  });
  it('the settings are behind it', async () => {
    sheet();
    expect((await screen.findByRole('link', { name: 'Settings' })).getAttribute('href')).toBe('/settings');
  });
});

describe('the gate', () => {
  it('shows names where nobody is in, and nothing of a bench that was locked', async () => {
    stands = { state: 'out', people: PEOPLE };
    draw(<Gate />, { role: null });
    expect(await screen.findByRole('heading', { name: 'Who has the bench?' })).toBeTruthy();
    cleanup();
    keepHands({ me: BETT, locked: true, lockOwed: false, prove: false });
    stands = { state: 'locked', me: BETT, people: PEOPLE };
    draw(<Gate />, { role: null });
    expect(await screen.findByRole('heading', { name: 'Locked' })).toBeTruthy();
  });
  it('stays locked while the server is away', async () => {
    keepHands({ me: BETT, locked: true, lockOwed: false, prove: false });
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    draw(<Gate />, { role: null });
    expect(await screen.findByText(/does not answer now/)).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Locked' })).toBeTruthy();
  });
  it('one that was locked while the server was away tells it so before anything is shown', async () => {
    keepHands({ me: BETT, locked: true, lockOwed: true, prove: false });
    vi.stubGlobal('fetch', async (request: Request) => {
      const { pathname } = new URL(request.url);
      asked.push({ what: `${request.method} ${pathname}`, body: null });
      if (pathname === '/api/session/lock') stands = { state: 'locked', me: BETT, people: PEOPLE };
      return Response.json(stands);
    });
    const store = draw(<Gate />, { role: null });
    expect(await screen.findByRole('heading', { name: 'Locked' })).toBeTruthy();
    expect(changes().map(({ what }) => what)).toEqual(['POST /api/session/lock']);
    expect(store.getState().hands).toMatchObject({ locked: true, lockOwed: false });
  });
  it('asks the first one for the code of its machine and who leads the shop, and for no PIN that anybody tries', async () => {
    stands = { state: 'first' };
    draw(<Gate />, { role: null });
    await userEvent.type(await screen.findByLabelText(/^The code on the terminal/), '4821 9167');
    await userEvent.type(await screen.findByLabelText('Your name'), 'Ann Holt');
    await userEvent.type(screen.getByLabelText(/^A PIN of six digits/), '123456{Enter}');
    expect(screen.getByRole('alert').textContent).toContain('tried first');
    expect(changes()).toEqual([]);
    await userEvent.clear(screen.getByLabelText(/^A PIN of six digits/));
    await userEvent.type(screen.getByLabelText(/^A PIN of six digits/), '640195{Enter}');
    await waitFor(() =>
      expect(changes()).toEqual([
        {
          what: 'POST /api/session/first',
          body: { code: '4821 9167', name: 'Ann Holt', secret: '640195' },
        },
      ]),
    );
  });
});

describe('who has it in hand', () => {
  const { reducer } = hands;
  const out = reducer(undefined, stood({ state: 'out', people: [] }));
  it('is who the server says', () => {
    const state = reducer(out, stood(IN));
    expect([noterOf({ hands: state }), isIn({ hands: state })]).toEqual(['b', true]);
    const locked = reducer(reducer(state, proofWanted()), stood({ state: 'locked', me: BETT, people: [] }));
    expect([locked.prove, isIn({ hands: locked })]).toEqual([false, false]);
    expect(noterOf({ hands: out })).toBeNull();
  });
  it('is known again when the page is opened', () => {
    keepHands({ me: BETT, locked: false, lockOwed: false, prove: true });
    expect(hands.getInitialState()).toEqual({ me: BETT, locked: false, lockOwed: false, prove: false });
    localStorage.setItem('rusty-wren-hands', '{');
    expect(hands.getInitialState()).toEqual({ me: null, locked: false, lockOwed: false, prove: false });
  });
});
