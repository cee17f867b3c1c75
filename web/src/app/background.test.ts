import 'fake-indexeddb/auto';
import { waitFor } from '@testing-library/react';
import { makeEntry } from '@rusty-wren/core/log';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readShelf } from '../api/send';
import { noted, thrownAway, unreachable, type Unsent } from '../keeping/outbox';
import * as shelf from '../keeping/shelf';
import { layUp, shelves, type Kept } from '../keeping/shelf';
import { fakeDisk } from '../testing/disk';
import { createStore } from './store';

const refused = (id: string): Kept => ({
  kind: 'entry',
  id,
  jobId: 'one',
  entry: makeEntry({ kind: 'note', body: { text: id } }, { id, notedAt: '2026-05-04T10:00:00.000Z' }),
  clockOffMs: 0,
  refused: 'it is bad.',
});

const note = (id: string): Unsent => ({
  jobId: 'one',
  entry: makeEntry({ kind: 'note', body: { text: id } }, { id, notedAt: '2026-05-04T10:00:00.000Z' }),
});

beforeEach(async () => {
  await (await shelves()).clear('outbox');
  // Of the stores before this one.
  shelf.whenCutOff.clear();
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no server')));
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('what was refused', () => {
  it('stays thrown away, whatever was being read meanwhile', async () => {
    await layUp([refused('a'), refused('b')]);
    const read = vi.spyOn(shelf, 'everythingKept');
    const store = createStore();
    const aside = (): string[] => store.getState().outbox.refused.map((k) => k.id);
    // Once for what is shown, once for what is to be sent.
    await waitFor(() => expect(read).toHaveBeenCalledTimes(2));
    await waitFor(() => expect(aside()).toEqual(['a', 'b']));
    // A reading that was begun before, and is over after everything else.
    let end: (all: Kept[]) => void;
    const late = new Promise<Kept[]>((resolve) => (end = resolve));
    read.mockReturnValueOnce(late);
    const reading = store.dispatch(readShelf());
    store.dispatch(thrownAway('a'));
    await waitFor(() => expect(aside()).toEqual(['b']));
    await waitFor(async () => expect((await shelf.everythingKept()).map((k) => k.id)).toEqual(['b']));
    end!([refused('a'), refused('b')]);
    await reading;
    expect(aside()).toEqual(['b']);
  });
});

describe('a device that runs full', () => {
  const full = new DOMException('full', 'QuotaExceededError');

  it('says so when the server goes, and gives its reserve up for what is noted then, once', async () => {
    const disk = fakeDisk(20_000_000);
    const store = createStore();
    const outbox = () => store.getState().outbox;
    store.dispatch(unreachable());
    await waitFor(() => expect(disk.files.get('reserve')).toBe(8_000_000));
    expect(outbox().tight).toBe(false);
    disk.free = 0;
    store.dispatch(noted([note('a')]));
    await waitFor(() => expect(outbox().tight).toBe(true));
    expect([disk.free, disk.files.has('reserve')]).toEqual([8_000_000, false]);
    // Kept all the same, and not taken for room that may be held again.
    await waitFor(() => expect(outbox().unsent.map((u) => u.safe)).toEqual([true]));
    store.dispatch(noted([note('b')]));
    await waitFor(() => expect(outbox().unsent.map((u) => u.safe)).toEqual([true, true]));
    expect([disk.free, outbox().tight, outbox().trouble]).toEqual([8_000_000, true, null]);
  });

  it('once it did not keep something is not believed before there is room again', async () => {
    const disk = fakeDisk(0);
    const store = createStore();
    const trouble = (): string | null => store.getState().outbox.trouble;
    const db = await shelves();
    vi.spyOn(db, 'transaction').mockImplementationOnce(() => {
      throw full;
    });
    store.dispatch(noted([note('a')]));
    await waitFor(() => expect(trouble()).toBe('This device is full.'));
    // It takes a little now and then.
    store.dispatch(noted([note('b')]));
    await waitFor(async () => expect(await shelf.everythingKept()).toHaveLength(2));
    expect(trouble()).toBe('This device is full.');
    disk.free = 1_000_000;
    store.dispatch(noted([note('c')]));
    await waitFor(() => expect(trouble()).toBeNull());
  });

  it('of which the browser drops what it kept lays it up again from this page', async () => {
    const store = createStore();
    store.dispatch(noted([note('a')]));
    await waitFor(() => expect(store.getState().outbox.unsent.map((u) => u.safe)).toEqual([true]));
    await (await shelves()).clear('outbox');
    for (const on of shelf.whenCutOff) on();
    await waitFor(async () => expect((await shelf.everythingKept()).map((k) => k.id)).toEqual(['a']));
    await waitFor(() => expect(store.getState().outbox.trouble).toBeNull());
  });
});
