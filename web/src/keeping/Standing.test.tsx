import { act, cleanup, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { makeEntry, type Noted } from '@rusty-wren/core/log';
import type { CheckIn } from '@rusty-wren/contract';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { draw, NOTER } from '../testing/bench';
import { checkInKey, keptDraft } from '../ui/useDraft';
import { clockRead } from './clock';
import { NotTaken } from './NotTaken';
import { laidUp, notSent, noted, reachable, runsFull, sent, unkeepable, unreachable } from './outbox';
import type { Kept } from './shelf';
import { Standing } from './Standing';
import { Trouble } from './Trouble';

const entry = (id: string, what: Noted) => makeEntry(what, { id, notedAt: '2026-05-04T10:00:00.000Z' });
const kept = (id: string, what: Noted, refused?: string): Kept => ({
  kind: 'entry',
  id,
  jobId: id === 'elsewhere' ? 'two' : 'one',
  entry: entry(id, what),
  clockOffMs: 0,
  ...(refused !== undefined && { refused }),
});
const note = (text: string): Noted => ({ kind: 'note', body: { text } });
const spark: Noted = { kind: 'finding', body: { check: 'spark-tester', result: 'weak', sureness: 'sure' } };

afterEach(() => {
  cleanup();
  localStorage.clear();
});

describe('how it stands', () => {
  it('says nothing while all is well', () => {
    draw(<Standing />);
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('with no server, counts what lies here safely, and never what does not', () => {
    const store = draw(<Standing />);
    act(() => void store.dispatch(unreachable()));
    expect(screen.getByRole('status').textContent).toContain('No server');
    act(() => void store.dispatch(noted([{ jobId: 'one', entry: entry('a', note('a')) }])));
    expect(screen.getByRole('status').textContent).not.toContain('kept here');
    act(() => void store.dispatch(laidUp([kept('a', note('a'))])));
    expect(screen.getByRole('status').textContent).toContain('1 kept here, not sent yet');
  });

  it('counts what could not be sent until it went, whatever else the server answers meanwhile', () => {
    const store = draw(<Standing />);
    act(() => {
      store.dispatch(laidUp([kept('a', note('a'))]));
      store.dispatch(notSent());
      store.dispatch(reachable());
    });
    expect(screen.getByRole('status').textContent).toContain('1 kept here, not sent yet');
    act(() => void store.dispatch(laidUp([kept('a', note('a')), kept('b', note('b'))])));
    expect(screen.getByRole('status').textContent).toContain('2 kept here, not sent yet');
    act(() => void store.dispatch(sent(['a', 'b'])));
    expect(screen.queryByRole('status')).toBeNull();
    // Thrown away, nothing is held either.
    act(() => {
      store.dispatch(laidUp([kept('c', note('c'))]));
      store.dispatch(notSent());
      store.dispatch(reachable());
      store.dispatch(laidUp([]));
      store.dispatch(laidUp([kept('d', note('d'))]));
    });
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('says that nothing is kept, and what would be lost; nothing is counted as kept meanwhile', () => {
    const store = draw(
      <>
        <Standing />
        <Trouble />
      </>,
    );
    act(() => void store.dispatch(laidUp([kept('b', note('b'))])));
    expect(screen.queryByRole('status')).toBeNull();
    act(() => {
      store.dispatch(noted([{ jobId: 'one', entry: entry('a', note('a')) }]));
      store.dispatch(unkeepable('This device is full.'));
    });
    expect(screen.getByRole('status').textContent).toContain(
      'This device is full. 2 not sent yet, lost if this page closes: leave it open.',
    );
    act(() => void store.dispatch(unreachable()));
    expect(screen.getAllByRole('status').map((s) => s.textContent)).not.toContainEqual(
      expect.stringContaining('kept here'),
    );
    act(() => void store.dispatch(sent(['a', 'b'])));
    expect(screen.getByText(/Notes go straight to the server/)).toBeTruthy();
  });

  it('says that the device is nearly full, and what to do before the server is away, and while it is', () => {
    const store = draw(<Trouble />);
    act(() => void store.dispatch(runsFull(true)));
    expect(screen.getByRole('status').textContent).toContain('make room before the server is ever away.');
    act(() => void store.dispatch(unreachable()));
    expect(screen.getByRole('status').textContent).toContain(
      'make room, or what is noted next may not be kept.',
    );
    act(() => void store.dispatch(runsFull(false)));
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('tells of a clock that is off', () => {
    const store = draw(<Standing />);
    const here = Date.now();
    act(() => void store.dispatch(clockRead({ server: here - 2 * 86_400_000, asked: here, here })));
    expect(screen.getByRole('status').textContent).toContain('clock is 2 days ahead');
  });
});

describe('what was not taken', () => {
  function drawAside(...things: Kept[]) {
    const store = draw(<NotTaken jobId="one" />);
    const sent = vi.spyOn(store, 'dispatch');
    act(() => void store.dispatch(laidUp(things)));
    sent.mockClear();
    return {
      row: (text: string) => within(screen.getByText(text).closest('li')!),
      did: () => sent.mock.calls.map(([action]) => action as { type: string; payload: unknown }),
    };
  }

  it('stands on its own job with its reason', () => {
    const { row } = drawAside(kept('a', spark, 'no such job.'), kept('elsewhere', note('x'), 'why'));
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    expect(row('Look at the spark: weak').getByText('Because: no such job.')).toBeTruthy();
    // What nobody wrote cannot be written otherwise.
    expect(screen.queryByRole('button', { name: 'Correct it' })).toBeNull();
  });

  it('is sent again, corrected, or thrown away at the second tap', async () => {
    const { row, did } = drawAside(kept('a', spark, 'why'), kept('b', note('too long'), 'why'));
    await userEvent.click(row('Look at the spark: weak').getByRole('button', { name: 'Send it again' }));
    const wrong = row('Note: too long');
    await userEvent.click(wrong.getByRole('button', { name: 'Correct it' }));
    const words = wrong.getByLabelText('What it should say');
    await userEvent.clear(words);
    await userEvent.type(words, ' shorter ');
    await userEvent.click(wrong.getByRole('button', { name: 'Send it' }));
    await userEvent.click(wrong.getByRole('button', { name: 'Throw it away' }));
    expect(did().map((a) => a.type)).toEqual(['outbox/sentAgain', 'outbox/sentAgain']);
    await userEvent.click(wrong.getByRole('button', { name: 'Really throw it away' }));
    expect(did()[1]?.payload).toMatchObject({ kept: { id: 'b', entry: { body: { text: 'shorter' } } } });
    expect(did()[2]).toMatchObject({ type: 'outbox/thrownAway', payload: 'b' });
  });

  it('a check-in goes back to its page, as it was filled in', async () => {
    const checkIn = {
      jobId: 'one',
      customer: { name: 'Odile' },
      machine: { kind: 'trimmer', maker: 'Hobwick', model: 'Reed' },
      entries: [],
    } as CheckIn;
    const { did } = drawAside({
      kind: 'check-in',
      id: 'one',
      jobId: 'one',
      checkIn,
      draft: { ownerName: 'Odile' },
      refused: 'why',
    });
    expect(screen.getByText('Check-in: Hobwick Reed, Odile')).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Correct it' }));
    expect(keptDraft(checkInKey(NOTER.id))).toEqual({
      draft: { ownerName: 'Odile' },
      jobId: 'one',
    });
    expect(did().map((a) => a.type)).toEqual(['outbox/thrownAway']);
  });
});
