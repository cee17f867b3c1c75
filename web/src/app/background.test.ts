import 'fake-indexeddb/auto';
import { makeEntry } from '@rusty-wren/core/log';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { readShelf } from '../api/send';
import { thrownAway } from '../keeping/outbox';
import * as shelf from '../keeping/shelf';
import { layUp, shelves, type Kept } from '../keeping/shelf';
import { createStore } from './store';

const refused = (id: string): Kept => ({
  kind: 'entry',
  id,
  jobId: 'one',
  entry: makeEntry({ kind: 'note', body: { text: id } }, { id, notedAt: '2026-05-04T10:00:00.000Z' }),
  clockOffMs: 0,
  refused: 'it is bad.',
});

beforeEach(async () => {
  await (await shelves()).clear('outbox');
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
    await vi.waitFor(() => expect(read).toHaveBeenCalledTimes(2));
    await vi.waitFor(() => expect(aside()).toEqual(['a', 'b']));
    // A reading that was begun before, and is over after everything else.
    let end: (all: Kept[]) => void;
    const late = new Promise<Kept[]>((resolve) => (end = resolve));
    read.mockReturnValueOnce(late);
    const reading = store.dispatch(readShelf());
    store.dispatch(thrownAway('a'));
    await vi.waitFor(() => expect(aside()).toEqual(['b']));
    await vi.waitFor(async () => expect((await shelf.everythingKept()).map((k) => k.id)).toEqual(['b']));
    end!([refused('a'), refused('b')]);
    await reading;
    expect(aside()).toEqual(['b']);
  });
});
