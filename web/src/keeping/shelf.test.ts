import 'fake-indexeddb/auto';
import { makeEntry } from '@rusty-wren/core/log';
import { afterEach, expect, it, vi } from 'vitest';
import { fakeDisk } from '../testing/disk';
import { holdReserve } from './room';
import {
  everythingKept,
  forgetSeen,
  keepAgain,
  keepSeen,
  lastSeen,
  layUp,
  shelves,
  takeOff,
  type Kept,
} from './shelf';

const note = (id: string, minute: number): Kept => {
  const notedAt = `2026-05-04T10:0${minute}:00.000Z`;
  const entry = makeEntry({ kind: 'note', body: { text: id } }, { id, notedAt });
  return { kind: 'entry', id, jobId: 'one', entry, clockOffMs: 0 };
};
const ids = async () => (await everythingKept()).map((k) => k.id);

afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

it('a device that is signed out forgets what it saw, what comes late included, until somebody is in again', async () => {
  await keepSeen('jobs/one', { tag: 1 });
  expect((await lastSeen('jobs/one'))?.data).toEqual({ tag: 1 });
  const late = keepSeen('jobs/two', { tag: 2 });
  await forgetSeen();
  await late;
  await keepSeen('jobs/three', { tag: 3 });
  for (const one of ['one', 'two', 'three']) expect(await lastSeen(`jobs/${one}`)).toBeUndefined();
  keepAgain();
  await keepSeen('jobs/four', { tag: 4 });
  expect((await lastSeen('jobs/four'))?.data).toEqual({ tag: 4 });
});

it('keeps what a page was left in the middle of laying up, once and in the order noted', async () => {
  // The page is gone before its database was even open.
  const db = await shelves();
  vi.spyOn(db, 'transaction').mockImplementationOnce(() => {
    throw new DOMException('the page is gone', 'AbortError');
  });
  await expect(layUp([note('second', 2)])).rejects.toThrow('gone');
  vi.spyOn(db, 'transaction').mockImplementationOnce(() => {
    throw new DOMException('the page is gone', 'AbortError');
  });
  await expect(layUp([note('first', 1)])).rejects.toThrow('gone');
  // The next one finds both, and so does any later look.
  expect(await ids()).toEqual(['first', 'second']);
  expect(await ids()).toEqual(['first', 'second']);
  expect(Object.keys(localStorage)).toEqual([]);
  await takeOff(['first', 'second']);
  expect(await ids()).toEqual([]);
});

it('what the browser says it wrote and does not have is not kept', async () => {
  const db = await shelves();
  const real = db.transaction.bind(db);
  // It takes everything, and holds nothing.
  const nothing = {
    index: () => ({ getKey: () => Promise.resolve(undefined) }),
    add: () => Promise.resolve(1),
  };
  const acknowledges = vi
    .spyOn(db, 'transaction')
    .mockImplementation(((name: 'outbox', mode?: 'readonly') =>
      mode ? { store: nothing, done: Promise.resolve() } : real(name)) as unknown as typeof db.transaction);
  await expect(layUp([note('acknowledged', 5)])).rejects.toThrow('not there');
  acknowledges.mockRestore();
  localStorage.clear();
});

it('on a full disk the reserve is given up first, and what is noted goes into its room', async () => {
  const db = await shelves();
  const disk = fakeDisk(9_000_000);
  await holdReserve();
  vi.spyOn(db, 'transaction').mockImplementationOnce(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await layUp([note('into the reserve', 6)]);
  expect(disk.free).toBe(9_000_000);
  expect(await ids()).toEqual(['into the reserve']);
  await takeOff(['into the reserve']);
  // There is none a second time.
  vi.spyOn(db, 'transaction').mockImplementationOnce(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await expect(layUp([note('no more', 7)])).rejects.toThrow('full');
  localStorage.clear();
});

it('what is laid up leaves nothing else on the device, and a browser without the other store does as well', async () => {
  await layUp([note('third', 3)]);
  expect(Object.keys(localStorage)).toEqual([]);
  vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  await layUp([note('fourth', 4)]);
  expect(await ids()).toEqual(['third', 'fourth']);
});
