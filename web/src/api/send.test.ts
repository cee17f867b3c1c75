import 'fake-indexeddb/auto';
import { waitFor } from '@testing-library/react';
import { configureStore } from '@reduxjs/toolkit';
import type { CheckIn, Delivery, NewEntry, Parcel } from '@rusty-wren/contract';
import { makeEntry } from '@rusty-wren/core/log';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { reducer } from '../app/state';
import { clockRead } from '../keeping/clock';
import { noted, unreachable } from '../keeping/outbox';
import * as shelf from '../keeping/shelf';
import { everythingKept, layUp, shelves } from '../keeping/shelf';
import type { Tabs, Telling } from '../keeping/tabs';
import { api } from './api';
import { asKept, makeSender } from './send';
import { hearStream } from './stream';

const entry = (text: string, notedAt = '2026-05-04T10:00:00.000Z'): NewEntry =>
  makeEntry({ kind: 'note', body: { text } }, { id: text, notedAt });

/** What the server was sent, go by go, and what it answers each with. */
const goes: (string[] | 'check-in')[] = [];
const dates: string[] = [];
let answer: (texts: string[]) => Response;
const taken = (texts: string[], bad: readonly string[] = []): Response => {
  const good = texts.filter((t) => !bad.includes(t));
  return Response.json({
    stored: [{ jobId: 'one', entries: good.map((id, n) => ({ ...entry(id), seq: n + 1 })) }],
    refused: bad.flatMap((id) =>
      texts.includes(id) ? [{ at: texts.indexOf(id), error: 'it is bad.' }] : [],
    ),
  } satisfies Delivery);
};
const fails = (status: number) => (): Response => Response.json({ error: 'no' }, { status });
let checkInAnswer: () => Response;
let health: () => Response;
/** What the job has when it is asked for. */
let fetched: unknown;

function bench() {
  const store = configureStore({
    reducer,
    middleware: (usual) => usual({ serializableCheck: false, immutableCheck: false }).concat(api.middleware),
  });
  const told: Telling[] = [];
  const tabs: Tabs = {
    tell: (t) => void told.push(t),
    hear: () => undefined,
    whenLeading: () => undefined,
    isLeading: () => true,
  };
  const send = makeSender(tabs);
  return {
    store,
    told,
    note: (jobId: string, ...texts: string[]) =>
      layUp(
        asKept(
          texts.map((text) => ({ jobId, entry: entry(text) })),
          0,
        ),
      ),
    send: () => store.dispatch(send()),
    outbox: () => store.getState().outbox,
    left: async () => (await everythingKept()).filter((k) => k.refused === undefined).map((k) => k.id),
    aside: async () =>
      (await everythingKept()).flatMap((k) => (k.refused === undefined ? [] : [[k.id, k.refused]])),
  };
}

beforeEach(async () => {
  await (await shelves()).clear('outbox');
  goes.length = 0;
  dates.length = 0;
  answer = taken;
  health = () => Response.json({ ok: true });
  checkInAnswer = () => Response.json({ job: { id: 'new', tag: 7 }, entries: [] }, { status: 201 });
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname } = new URL(request.url);
    if (pathname === '/api/health') return health();
    if (pathname === '/api/jobs/one' || pathname === '/api/jobs/can')
      return Response.json(typeof fetched === 'function' ? await fetched() : fetched);
    if (pathname === '/api/jobs') {
      goes.push('check-in');
      return checkInAnswer();
    }
    const { parcels } = (await request.json()) as { parcels: Parcel[] };
    const texts = parcels.map((p) => p.entry.id);
    dates.push(...parcels.map((p) => p.entry.notedAt));
    goes.push(texts);
    return answer(texts);
  });
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.restoreAllMocks();
});

describe('sending', () => {
  it('goes in the order noted, all jobs in one go, and leaves nothing', async () => {
    const { note, send, left, told } = bench();
    await note('one', 'a', 'b');
    await note('two', 'c');
    await note('one', 'd');
    await send();
    expect(goes).toEqual([['a', 'b', 'c', 'd']]);
    expect(await left()).toEqual([]);
    expect(told).toContainEqual(expect.objectContaining({ kind: 'delivered', ids: ['a', 'b', 'c', 'd'] }));
  });

  it('many go in goes of a size', async () => {
    const { note, send, left } = bench();
    await note('one', ...Array.from({ length: 450 }, (_, i) => `n${i}`));
    await send();
    expect(goes.map((g) => g.length)).toEqual([200, 200, 50]);
    expect(goes.flat()).toEqual(Array.from({ length: 450 }, (_, i) => `n${i}`));
    expect(await left()).toEqual([]);
  });

  it.each([503, 429, 408, 502, 401])(
    'a %i means later: everything is kept, and it is said',
    async (status) => {
      const { note, send, left, aside, outbox } = bench();
      answer = fails(status);
      await note('one', 'a', 'b');
      await send();
      expect(await left()).toEqual(['a', 'b']);
      expect(await aside()).toEqual([]);
      expect(outbox().offline).toBe(true);
      answer = taken;
      await send();
      expect(await left()).toEqual([]);
      expect(outbox().offline).toBe(false);
    },
  );

  it('what is refused is put aside with its reason, and takes no good one with it', async () => {
    const { note, send, left, aside, outbox } = bench();
    answer = (texts) => taken(texts, ['bad']);
    await note('one', 'a', 'bad', 'b');
    await send();
    expect(await left()).toEqual([]);
    expect(await aside()).toEqual([['bad', 'it is bad.']]);
    expect(outbox().refused.map((k) => k.id)).toEqual(['bad']);
    goes.length = 0;
    await send();
    expect(goes).toEqual([]);
  });

  it('a whole go refused is sent one by one; what meets a fault holds up nothing else, and is tried again', async () => {
    const { note, send, left, aside } = bench();
    answer = (texts) =>
      texts.length > 1 ? fails(400)() : texts[0] === 'fault' ? fails(500)() : taken(texts);
    await note('one', 'a', 'fault', 'b');
    await send();
    expect(await left()).toEqual(['fault']);
    expect(await aside()).toEqual([]);
    answer = taken;
    await send();
    expect(await left()).toEqual([]);
  });

  it('is done once at a time, and what is noted meanwhile goes too', async () => {
    const { note, send } = bench();
    await note('one', 'a');
    await Promise.all([send(), send(), send()]);
    expect(goes).toEqual([['a']]);
  });

  it('a check-in goes first; refused, what was noted on it waits with it, and other jobs go on', async () => {
    const { note, send, left, aside } = bench();
    await layUp([
      { kind: 'check-in', id: 'new', jobId: 'new', checkIn: { jobId: 'new' } as CheckIn, draft: null },
    ]);
    await note('new', 'on the new one');
    await note('one', 'elsewhere');
    checkInAnswer = fails(400);
    await send();
    expect(goes).toEqual(['check-in', ['elsewhere']]);
    expect(await left()).toEqual(['on the new one']);
    expect(await aside()).toEqual([['new', 'no']]);
  });

  it.each([
    ['after it', 2, ['first', 'mine', 'theirs']],
    ['before it', 3, ['first', 'theirs', 'mine']],
  ])(
    'what another bench noted %s is fetched, though it was heard of while this one was sending',
    async (_, seq, all) => {
      const { note, send, store } = bench();
      const job = (...ids: string[]) =>
        ({
          job: { id: 'one', tag: 1 },
          entries: ids.map((id, n) => ({ ...entry(id), seq: n + 1 })),
        }) as never;
      await store.dispatch(api.util.upsertQueryData('job', 'one', job('first')));
      const watched = store.dispatch(api.endpoints.job.initiate('one'));
      fetched = job(...all);
      store.dispatch(noted([{ jobId: 'one', entry: entry('mine') }]));
      await note('one', 'mine');
      answer = () =>
        Response.json({ stored: [{ jobId: 'one', entries: [{ ...entry('mine'), seq }] }], refused: [] });
      store.dispatch(hearStream('job', JSON.stringify({ jobId: 'one', seq: 3 })));
      await send();
      await waitFor(() =>
        expect(
          api.endpoints.job
            .select('one')(store.getState())
            .data?.entries.map((e) => e.id),
        ).toEqual(all),
      );
      watched.unsubscribe();
    },
  );

  it('a job is asked for again when one on the same can changes, and not when another does', async () => {
    const { store } = bench();
    let asked = 0;
    fetched = () => {
      asked++;
      return {
        job: { id: 'can', tag: 1 },
        entries: [],
        sameCan: [{ job: { id: 'mate', tag: 2 }, entries: [] }],
      };
    };
    const watched = store.dispatch(api.endpoints.job.initiate('can'));
    await waitFor(() => expect(asked).toBe(1));
    await watched;
    store.dispatch(hearStream('job', JSON.stringify({ jobId: 'stranger', seq: 5 })));
    store.dispatch(hearStream('job', JSON.stringify({ jobId: 'mate', seq: 5 })));
    await waitFor(() => expect(asked).toBe(2));
    watched.unsubscribe();
  });

  it('a job asked for before a note arrived, and answered after it, is asked for again, once', async () => {
    const { note, send, store } = bench();
    const job = (...ids: string[]) => ({
      job: { id: 'one', tag: 1 },
      entries: ids.map((id, n) => ({ ...entry(id), seq: n + 1 })),
    });
    const texts = () =>
      api.endpoints.job
        .select('one')(store.getState())
        .data?.entries.map((e) => e.id);
    const answers: ((body: unknown) => void)[] = [];
    fetched = () => new Promise((resolve) => answers.push(resolve));
    const watched = store.dispatch(api.endpoints.job.initiate('one'));
    await waitFor(() => expect(answers).toHaveLength(1));
    answer = () =>
      Response.json({ stored: [{ jobId: 'one', entries: [{ ...entry('mine'), seq: 2 }] }], refused: [] });
    await note('one', 'mine');
    await send();
    answers[0]!(job('first'));
    await waitFor(() => expect(answers).toHaveLength(2));
    answers[1]!(job('first', 'mine'));
    await waitFor(() => expect(texts()).toEqual(['first', 'mine']));
    expect(answers).toHaveLength(2);
    watched.unsubscribe();
  });

  it('with nothing to send, asks whether the server is back before it says so', async () => {
    const { send, store, outbox } = bench();
    store.dispatch(unreachable());
    health = fails(503);
    await send();
    expect(outbox().offline).toBe(true);
    health = () => Response.json({ ok: true });
    await send();
    expect(outbox().offline).toBe(false);
  });

  it('entries noted before the clock was known to be off are dated anew', async () => {
    const { note, send, store } = bench();
    await note('one', 'a');
    store.dispatch(
      clockRead({
        server: Date.parse('2026-05-02T10:00:00Z'),
        asked: Date.parse('2026-05-04T10:00:00Z'),
        here: Date.parse('2026-05-04T10:00:00Z'),
      }),
    );
    await send();
    expect(dates).toEqual(['2026-05-02T10:00:00.000Z']);
  });

  it('where the device keeps nothing, it sends from memory, and what is refused is put aside there', async () => {
    const { send, store, outbox } = bench();
    for (const one of ['layUp', 'changeKept'] as const)
      vi.spyOn(shelf, one).mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    answer = (texts) => taken(texts, ['bad']);
    store.dispatch(noted(['a', 'bad'].map((text) => ({ jobId: 'one', entry: entry(text) }))));
    await send();
    expect(goes).toEqual([['a', 'bad']]);
    expect(outbox().trouble).toBe('This device is full.');
    expect(outbox().unsent).toEqual([]);
    expect(outbox().refused.map((k) => [k.id, k.refused])).toEqual([['bad', 'it is bad.']]);
  });
});
