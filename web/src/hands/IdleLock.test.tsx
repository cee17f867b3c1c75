import { act, cleanup, fireEvent } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { lockAfterChosen } from '../app/settings';
import { fakeServer } from '../testing/server';
import { draw } from '../testing/bench';
import { IdleLock } from './IdleLock';

const MIN = 60_000;
let server: ReturnType<typeof fakeServer>;
beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
  vi.setSystemTime('2026-05-04T08:00:00Z');
  server = fakeServer({ state: 'locked', me: { id: 'b', name: 'Bett', role: 'lead' }, people: [] });
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const wait = (minutes: number): Promise<void> =>
  act(async () => void (await vi.advanceTimersByTimeAsync(minutes * MIN)));
const locks = (): number => server.sent.filter(({ path }) => path === '/api/session/lock').length;

describe('a bench that nobody touches', () => {
  it('locks after an hour, once', async () => {
    draw(<IdleLock />);
    await wait(59);
    expect(locks()).toBe(0);
    await wait(1.5);
    expect(locks()).toBe(1);
    await wait(30);
    expect(locks()).toBe(1);
  });
  it('a touch puts it off', async () => {
    draw(<IdleLock />);
    await wait(50);
    fireEvent.pointerDown(document.body);
    await wait(50);
    expect(locks()).toBe(0);
    await wait(11);
    expect(locks()).toBe(1);
  });
  it('a touch in another tab does as well', async () => {
    draw(<IdleLock />);
    await wait(50);
    localStorage.setItem('rusty-wren-touched', String(Date.now()));
    await wait(20);
    expect(locks()).toBe(0);
  });
  it('locks what was shut and is opened later, before a touch counts', async () => {
    localStorage.setItem('rusty-wren-touched', String(Date.now() - 61 * MIN));
    draw(<IdleLock />);
    await wait(0.1);
    expect(locks()).toBe(1);
  });
  it('never, where this device says so', async () => {
    const store = draw(<IdleLock />);
    act(() => void store.dispatch(lockAfterChosen(0)));
    await wait(600);
    expect(locks()).toBe(0);
  });
  it('locks with the server away, and owes it the lock', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('away')));
    const store = draw(<IdleLock />);
    await wait(61);
    expect(store.getState().hands).toMatchObject({ locked: true, lockOwed: true });
  });
});
