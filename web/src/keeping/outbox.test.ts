import 'fake-indexeddb/auto';
import { waitFor } from '@testing-library/react';
import type { NewEntry } from '@rusty-wren/contract';
import { beforeEach, describe, expect, it } from 'vitest';
import { dropDraft, keepDraft, keptDraft, restoreDrafts } from '../ui/useDraft';
import {
  inPageOnly,
  keepable,
  laidUp,
  noted,
  outbox,
  putAsideHere,
  sent,
  unkeepable,
  unreachable,
  type Unsent,
} from './outbox';
import {
  changeKept,
  draftsLaidUp,
  everythingKept,
  keepSeen,
  lastSeen,
  layUp,
  shelves,
  takeOff,
  type Kept,
} from './shelf';

const note = (id: string): NewEntry => ({
  id,
  notedAt: '2026-05-04T10:00:00.000Z',
  kind: 'note',
  body: { text: id },
});
const unsent = (id: string): Unsent => ({ jobId: 'job', entry: note(id) });
const kept = (id: string, refused?: string): Kept => ({
  kind: 'entry',
  id,
  jobId: 'job',
  entry: note(id),
  clockOffMs: 0,
  ...(refused !== undefined && { refused }),
});
const { reducer, getInitialState } = outbox;
const ids = (state: { unsent: readonly Unsent[] }): string[] => state.unsent.map((u) => u.entry.id);

describe('the outbox', () => {
  it('keeps entries in order until they are sent', () => {
    let state = reducer(getInitialState(), noted([unsent('a'), unsent('b')]));
    state = reducer(state, unreachable());
    expect(state.offline).toBe(true);
    state = reducer(state, noted([unsent('c')]));
    state = reducer(state, sent(['a', 'b']));
    expect(ids(state)).toEqual(['c']);
    expect(state.offline).toBe(false);
  });

  it('shows what lies on the shelf, and after it what is not there yet', () => {
    let state = reducer(getInitialState(), noted([unsent('mine')]));
    state = reducer(state, laidUp([kept('theirs'), kept('bad', 'says nothing')]));
    expect(ids(state)).toEqual(['theirs', 'mine']);
    expect(state.unsent.map((u) => u.safe ?? false)).toEqual([true, false]);
    expect(state.refused.map((k) => k.refused)).toEqual(['says nothing']);
    // Sent by another tab: it lies there no more.
    state = reducer(state, laidUp([]));
    expect(ids(state)).toEqual(['mine']);
  });

  it('says why nothing can be laid up, until something is; what is refused then is put aside here', () => {
    let state = reducer(getInitialState(), noted([unsent('a'), unsent('b')]));
    state = reducer(state, unkeepable('This device is full.'));
    expect(state.trouble).toBe('This device is full.');
    state = reducer(state, putAsideHere([{ id: 'a', why: 'no such job' }]));
    expect([ids(state), state.refused.map((k) => [k.id, k.refused])]).toEqual([
      ['b'],
      [['a', 'no such job']],
    ]);
    // The shelf can be read, but what was noted does not lie there.
    state = reducer(state, laidUp([]));
    expect([state.trouble, ids(state), state.refused.map((k) => k.id)]).toEqual([
      'This device is full.',
      ['b'],
      ['a'],
    ]);
    expect(reducer(state, keepable()).trouble).toBeNull();
  });

  it('in trouble keeps in memory what lay on disk and lies there no more, until it was sent', () => {
    let state = reducer(getInitialState(), laidUp([kept('a'), kept('b'), kept('bad', 'says nothing')]));
    state = reducer(state, unkeepable('This browser has dropped what it had kept.'));
    state = reducer(state, laidUp([kept('b')]));
    expect(ids(state)).toEqual(['b', 'a']);
    expect(state.unsent.map((u) => u.safe ?? false)).toEqual([true, false]);
    expect(state.refused.map((k) => [k.id, k.loose])).toEqual([['bad', true]]);
    expect([inPageOnly(state), inPageOnly({ ...state, unsent: [], refused: [] })]).toEqual([true, false]);
    expect(inPageOnly({ ...state, unsent: [] })).toBe(true);
    // Believed again, it is still in this page alone.
    state = reducer(reducer(state, keepable()), laidUp([kept('b')]));
    expect(ids(state)).toEqual(['b', 'a']);
    expect(ids(reducer(state, sent(['a', 'b'])))).toEqual([]);
  });
});

describe('the shelf', () => {
  beforeEach(async () => {
    const db = await shelves();
    await db.clear('outbox');
    await db.clear('seen');
  });
  const lies = async (): Promise<string[]> => (await everythingKept()).map((k) => k.id);

  it('holds things in the order laid up, each once, whoever lays them', async () => {
    await Promise.all([layUp([kept('a'), kept('b')]), layUp([kept('c')]), layUp([kept('a')])]);
    expect(await lies()).toEqual(['a', 'b', 'c']);
    await takeOff(['b', 'never there']);
    await changeKept('a', (k) => ({ ...k, refused: 'why' }));
    await layUp([kept('d')]);
    expect((await everythingKept()).map((k) => [k.id, k.refused])).toEqual([
      ['a', 'why'],
      ['c', undefined],
      ['d', undefined],
    ]);
  });

  it('has the drafts as they were last written, and not what the browser wrote late', async () => {
    keepDraft('check-in', { owner: 'Odile' });
    keepDraft('gauge', [7]);
    dropDraft('gauge');
    await waitFor(async () => expect([...(await draftsLaidUp())!.keys()]).toEqual(['check-in']));
    // Killed before the browser had written any of that.
    localStorage.clear();
    localStorage.setItem('rusty-wren-draft:gauge', JSON.stringify({ at: Date.now(), value: [7] }));
    await restoreDrafts();
    expect(keptDraft('check-in')).toEqual({ owner: 'Odile' });
    expect(keptDraft('gauge')).toBeUndefined();
  });

  it('remembers what was seen last, and lets the oldest go', async () => {
    for (let i = 0; i < 405; i++) await keepSeen(`jobs/${i}`, i);
    await keepSeen('jobs/404', 'newer');
    expect((await lastSeen('jobs/404'))?.data).toBe('newer');
    expect(await lastSeen('jobs/1')).toBeUndefined();
    expect((await lastSeen('jobs/5'))?.data).toBe(5);
    expect(await (await shelves()).count('seen')).toBe(400);
  });
});
