import { configureStore } from '@reduxjs/toolkit';
import { makeEntry, type Noted } from '@rusty-wren/core/log';
import { act, cleanup, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Provider } from 'react-redux';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { noted, type Unsent } from '../keeping/outbox';
import { reducer } from './state';
import { TakeBack } from './TakeBack';

const T0 = Date.parse('2026-05-04T10:00:00.000Z');
const entry = (id: string, ms: number, what: Noted): Unsent => ({
  jobId: 'job',
  entry: makeEntry(what, { id, notedAt: new Date(T0 + ms).toISOString() }),
});
const smell = (id: string, ms: number): Unsent =>
  entry(id, ms, { kind: 'finding', body: { check: 'fuel-smell', result: 'fresh', sureness: 'sure' } });
const off = (id: string, ms: number): Unsent => entry(id, ms, { kind: 'took-off', body: { part: 'recoil' } });

const atBench = () => {
  const store = configureStore({ reducer });
  render(
    <Provider store={store}>
      <TakeBack />
    </Provider>,
  );
  return {
    note: (...unsent: Unsent[]) => act(() => void store.dispatch(noted(unsent))),
    struck: () =>
      store.getState().outbox.unsent.flatMap(({ entry: e }) => (e.kind === 'strike' ? [e.strikes] : [])),
  };
};

describe('taking back', () => {
  beforeEach(() => vi.useFakeTimers({ shouldAdvanceTime: true }));
  afterEach(() => {
    cleanup();
    localStorage.clear();
    vi.useRealTimers();
  });

  it('strikes the last entry with one key, and what was opened with the same tap', async () => {
    const { note, struck } = atBench();
    note(smell('a', 0));
    note(off('b', 5000), smell('c', 5001));
    expect(screen.getByRole('status').textContent).toContain('Smell the fuel');
    await userEvent.keyboard('z');
    expect(struck()).toEqual(['c', 'b']);
    expect(screen.queryByRole('status')).toBeNull();
  });

  it('is a tap as well, and once only: nothing older is taken back after it', async () => {
    const { note, struck } = atBench();
    note(smell('a', 0));
    note(smell('b', 5000));
    await userEvent.click(screen.getByRole('button', { name: /take back/i }));
    await userEvent.keyboard('z');
    expect(struck()).toEqual(['b']);
  });

  it('is over after ten seconds, not after nine', async () => {
    const { note, struck } = atBench();
    note(smell('a', 0));
    act(() => void vi.advanceTimersByTime(9_000));
    expect(screen.queryByRole('status')).not.toBeNull();
    act(() => void vi.advanceTimersByTime(1_100));
    expect(screen.queryByRole('status')).toBeNull();
    await userEvent.keyboard('z');
    expect(struck()).toEqual([]);
  });

  it('rests while something is being written', async () => {
    const { note, struck } = atBench();
    const input = document.body.appendChild(document.createElement('input'));
    note(smell('a', 0));
    input.focus();
    await userEvent.keyboard('z');
    expect(struck()).toEqual([]);
    input.remove();
  });
});
