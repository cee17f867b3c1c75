import { configureStore } from '@reduxjs/toolkit';
import type { NewEntry } from '@rusty-wren/contract';
import { makeEntry } from '@rusty-wren/core/log';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { reducer } from '../app/state';
import { api } from './api';
import { noted } from './outbox';
import { sendUnsent } from './send';

const entry = (text: string): NewEntry =>
  makeEntry({ kind: 'note', body: { text } }, { id: text, notedAt: '2026-05-04T10:00:00.000Z' });

/** What the server was sent, batch by batch, and what it answers each with. */
const batches: { path: string; texts: string[] }[] = [];
let answer: (texts: string[]) => Response;
const taken = (texts: string[]): Response =>
  Response.json({ entries: texts.map((id, n) => ({ id, seq: n + 1 })) }, { status: 201 });
const refused = (): Response => Response.json({ error: 'entries[0].body.text is bad.' }, { status: 400 });

function bench() {
  const store = configureStore({ reducer, middleware: (usual) => usual().concat(api.middleware) });
  return {
    note: (jobId: string, ...texts: string[]) =>
      store.dispatch(noted(texts.map((text) => ({ jobId, entry: entry(text) })))),
    send: () => store.dispatch(sendUnsent()),
    left: () => store.getState().outbox.unsent.map((u) => u.entry.id),
    offline: () => store.getState().outbox.offline,
  };
}

beforeEach(() => {
  localStorage.clear();
  batches.length = 0;
  answer = taken;
  vi.stubGlobal('fetch', async (request: Request) => {
    const { entries } = (await request.json()) as { entries: NewEntry[] };
    const texts = entries.map((e) => e.id);
    batches.push({ path: new URL(request.url).pathname, texts });
    return answer(texts);
  });
});
afterEach(() => vi.unstubAllGlobals());

describe('sending', () => {
  it('goes a job at a time, in the order it was noted, and leaves nothing', async () => {
    const { note, send, left } = bench();
    note('one', 'a', 'b');
    note('two', 'c');
    note('one', 'd');
    await send();
    expect(batches).toEqual([
      { path: '/api/jobs/one/entries', texts: ['a', 'b', 'd'] },
      { path: '/api/jobs/two/entries', texts: ['c'] },
    ]);
    expect(left()).toEqual([]);
  });

  it('keeps everything while the server is away, and says that it is', async () => {
    const { note, send, left, offline } = bench();
    answer = () => Response.json({ error: 'away' }, { status: 503 });
    note('one', 'a', 'b');
    await send();
    expect(left()).toEqual(['a', 'b']);
    expect(offline()).toBe(true);
    answer = taken;
    await send();
    expect(left()).toEqual([]);
    expect(offline()).toBe(false);
  });

  it('a bad entry takes no good one with it', async () => {
    const { note, send, left } = bench();
    answer = (texts) => (texts.includes('bad') ? refused() : taken(texts));
    note('one', 'a', 'bad', 'b');
    await send();
    expect(batches.map((b) => b.texts)).toEqual([['a', 'bad', 'b'], ['a'], ['bad'], ['b']]);
    expect(left()).toEqual([]);
  });

  it('is done once at a time', async () => {
    const { note, send } = bench();
    note('one', 'a');
    await Promise.all([send(), send(), send()]);
    expect(batches).toHaveLength(1);
  });
});
