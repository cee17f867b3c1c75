import type { NewEntry } from '@rusty-wren/contract';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { keep, noted, outbox, sent, unreachable, type Unsent } from './outbox';

const note = (id: string): Unsent => ({
  jobId: 'job',
  entry: { id, notedAt: '2026-05-04T10:00:00.000Z', kind: 'note', body: { text: id } } satisfies NewEntry,
});
const { reducer, getInitialState } = outbox;

describe('the outbox', () => {
  const shelf = new Map<string, string>();
  beforeEach(() => {
    vi.stubGlobal('localStorage', {
      getItem: (key: string) => shelf.get(key) ?? null,
      setItem: (key: string, value: string) => shelf.set(key, value),
    });
  });
  afterEach(() => {
    shelf.clear();
    vi.unstubAllGlobals();
  });

  it('keeps entries in order until they are sent', () => {
    let state = reducer(getInitialState(), noted([note('a'), note('b')]));
    state = reducer(state, unreachable());
    expect(state.offline).toBe(true);
    state = reducer(state, noted([note('c')]));
    state = reducer(state, sent(['a', 'b']));
    expect(state.unsent.map((u) => u.entry.id)).toEqual(['c']);
    expect(state.offline).toBe(false);
  });

  it('finds what a closed page left unsent', () => {
    keep([note('a')]);
    expect(getInitialState().unsent).toEqual([note('a')]);
  });

  it('starts empty when what was kept cannot be read', () => {
    shelf.set('rusty-wren-unsent', '{broken');
    expect(getInitialState().unsent).toEqual([]);
  });
});
