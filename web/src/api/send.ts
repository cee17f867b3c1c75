import type { Delivery, JobWithLog, NewEntry } from '@rusty-wren/contract';
import type { Entry } from '@rusty-wren/core/log';
import type { AppThunk, RootState } from '../app/state';
import {
  keepable,
  laidUp,
  putAsideHere,
  reachable,
  sent,
  unkeepable,
  notSent,
  type Unsent,
} from '../keeping/outbox';
import { changeKept, everythingKept, keepSeen, layUp, reasonOf, takeOff, type Kept } from '../keeping/shelf';
import { roomLeft } from '../keeping/room';
import type { Tabs } from '../keeping/tabs';
import { sendPhotos } from '../photos/sendPhotos';
import { api, isRefused, problemWords } from './api';
import { hear, heardOf } from './heard';

/** Sent in one go: so many entries, of so many characters. */
const MOST = { entries: 200, characters: 200_000 } as const;

type KeptEntry = Extract<Kept, { kind: 'entry' }>;

/** Puts entries that stand on logs now where the page looks for them, once each. */
export const takeIn =
  (stored: readonly { jobId: string; entries: readonly Entry[] }[]): AppThunk =>
  (dispatch, getState) => {
    for (const { jobId, entries } of stored) {
      hear(jobId, Math.max(0, ...entries.map((e) => e.seq ?? 0)));
      if (!api.endpoints.job.select(jobId)(getState()).data) continue;
      dispatch(
        api.util.updateQueryData('job', jobId, (draft): JobWithLog => {
          const { entries: had, ...rest } = draft as JobWithLog;
          const known = new Set(had.map((e) => e.id));
          return { ...rest, entries: [...had, ...entries.filter((e) => !known.has(e.id))] };
        }),
      );
      const { data } = api.endpoints.job.select(jobId)(getState());
      void keepSeen(`jobs/${jobId}`, data);
    }
    dispatch(api.util.invalidateTags(['Rack']));
  };

/** Fetches what others noted on these jobs meanwhile: a log without a gap holds as many entries as its last one says, or as was heard. */
export const fetchMissed =
  (stored: readonly { jobId: string }[]): AppThunk =>
  (dispatch, getState) => {
    for (const { jobId } of stored) {
      const known = api.endpoints.job.select(jobId)(getState()).data;
      const long = Math.max(known?.entries.at(-1)?.seq ?? 0, heardOf(jobId));
      if (known && known.entries.length < long)
        dispatch(api.util.invalidateTags([{ type: 'Job', id: jobId }]));
    }
  };

/** An entry dated by the server's clock, where this device's was found to be off after it was noted. */
function dated({ entry, clockOffMs }: KeptEntry, offMs: number): NewEntry {
  const late = offMs - clockOffMs;
  if (late === 0) return entry;
  return { ...entry, notedAt: new Date(Date.parse(entry.notedAt) + late).toISOString() };
}

/** As many of the first entries as go at once, up to the next check-in. */
function nextGo(waiting: readonly Kept[]): KeptEntry[] {
  const go: KeptEntry[] = [];
  let characters = 0;
  for (const kept of waiting) {
    if (kept.kind === 'check-in') break;
    characters += JSON.stringify(kept.entry).length;
    if (go.length > 0 && (go.length === MOST.entries || characters > MOST.characters)) break;
    go.push(kept);
  }
  return go;
}

/** What became of one go: done with, put off because the server is away, or it met a fault of its own with it. */
type Went = 'done' | 'away' | 'fault';

/** How many readings of the shelf were begun. */
let readings = 0;

/**
 * Shows what lies on the shelf, whichever tab laid it there; returns it. Of several readings under way only the one begun last
 * is shown: an earlier one may have been before a change, and would bring back what is gone.
 */
export const readShelf = (): AppThunk<Promise<Kept[]>> => async (dispatch) => {
  const reading = ++readings;
  const all = await everythingKept();
  if (reading === readings) dispatch(laidUp(all));
  return all;
};

/** Lays things up on disk, and says where they are not, or where it cannot be believed. Returns whether they lie there. */
export const layUpOrSay =
  (things: readonly Kept[]): AppThunk<Promise<boolean>> =>
  async (dispatch, getState) => {
    try {
      await layUp(things);
      if (getState().outbox.trouble === null) return true;
      // While it is in doubt: what is gone from disk stays in this page.
      await dispatch(readShelf());
      // A disk that was full takes a little now and then, and loses it: only room says that it is one no longer.
      if (await roomLeft()) dispatch(keepable());
      return true;
    } catch (error) {
      dispatch(unkeepable(await reasonOf(error)));
      return false;
    }
  };

/** What lies on no shelf, but in this page's memory. */
const looseIn = ({ outbox, clock }: RootState): Kept[] => [
  ...outbox.checkIns.filter((k) => k.loose).map(({ loose: _, ...kept }) => kept),
  ...asKept(
    outbox.unsent.filter((u) => !u.safe),
    clock.offMs,
  ),
];

/** Lays up what could not be laid up before, if it can be now. */
const layUpRest = (): AppThunk<Promise<void>> => async (dispatch, getState) => {
  const rest = looseIn(getState());
  if (rest.length > 0) await dispatch(layUpOrSay(rest));
};

/**
 * Sends what lies on the shelf, in order, for every tab; where this device could lay nothing up, from this page's memory.
 * Returns a thunk that resolves once nothing more can be sent now.
 */
export function makeSender(tabs: Tabs) {
  let sending: Promise<void> | null = null;
  let again = false;

  const delivered =
    (ids: readonly string[], stored: Delivery['stored']): AppThunk<Promise<void>> =>
    async (dispatch) => {
      // What is on the server is shown before it is gone from here: never for a moment neither.
      dispatch(takeIn(stored));
      await takeOff(ids).catch(() => undefined);
      dispatch(sent(ids));
      dispatch(fetchMissed(stored));
      tabs.tell({ kind: 'delivered', ids, stored });
    };

  const putAside =
    (refused: readonly { id: string; why: string }[]): AppThunk<Promise<void>> =>
    async (dispatch) => {
      if (refused.length === 0) return;
      try {
        for (const { id, why } of refused) await changeKept(id, (kept) => ({ ...kept, refused: why }));
        await dispatch(readShelf());
      } catch {
        dispatch(putAsideHere(refused));
      }
      tabs.tell({ kind: 'shelf' });
    };

  const sendCheckIn =
    (kept: Extract<Kept, { kind: 'check-in' }>): AppThunk<Promise<Went>> =>
    async (dispatch) => {
      const result = await dispatch(api.endpoints.checkIn.initiate(kept.checkIn, { track: false }));
      if (result.data) {
        await dispatch(api.util.upsertQueryData('job', kept.jobId, result.data));
        await keepSeen(`jobs/${kept.jobId}`, result.data);
        await dispatch(delivered([kept.id], [{ jobId: kept.jobId, entries: result.data.entries }]));
        return 'done';
      }
      if (!isRefused(result.error)) return 'away';
      await dispatch(putAside([{ id: kept.id, why: problemWords(result.error) }]));
      return 'done';
    };

  const sendEntries =
    (go: readonly KeptEntry[]): AppThunk<Promise<Went>> =>
    async (dispatch, getState) => {
      const { offMs } = getState().clock;
      const parcels = go.map((kept) => ({ jobId: kept.jobId, entry: dated(kept, offMs) }));
      const result = await dispatch(api.endpoints.deliver.initiate(parcels, { track: false }));
      if (result.data) {
        const { stored, refused } = result.data;
        const ids = stored.flatMap((s) => s.entries.map((e) => e.id));
        await dispatch(delivered(ids, stored));
        await dispatch(putAside(refused.map(({ at, error }) => ({ id: go[at]!.id, why: error }))));
        return 'done';
      }
      if (!isRefused(result.error))
        return (result.error as { status?: unknown }).status === 500 ? 'fault' : 'away';
      if (go.length > 1) return 'fault';
      await dispatch(putAside([{ id: go[0]!.id, why: problemWords(result.error) }]));
      return 'done';
    };

  const round = (): AppThunk<Promise<void>> => async (dispatch, getState) => {
    // What a fault of the server keeps from being taken now; it holds up nothing else.
    const stuck = new Set<string>();
    let most = Infinity;
    await dispatch(layUpRest());
    for (;;) {
      const shelf = await dispatch(readShelf()).catch(() => []);
      const all = [...shelf, ...(getState().outbox.trouble === null ? [] : looseIn(getState()))];
      // What was noted on a job whose check-in was refused waits with it.
      const held = new Set(
        all.flatMap((k) => (k.kind === 'check-in' && k.refused !== undefined ? [k.jobId] : [])),
      );
      const waiting = all.filter((k) => k.refused === undefined && !stuck.has(k.id) && !held.has(k.jobId));
      const [first] = waiting;
      if (!first) break;
      const go = first.kind === 'check-in' ? [] : nextGo(waiting).slice(0, most);
      if (first.kind !== 'check-in' && go.length === 0) break;
      const went = await dispatch(first.kind === 'check-in' ? sendCheckIn(first) : sendEntries(go));
      if (went === 'away') {
        dispatch(notSent());
        tabs.tell({ kind: 'reach', offline: true });
        return;
      }
      if (went === 'fault' && go.length > 1) most = 1;
      else if (went === 'fault') stuck.add(go[0]!.id);
    }
    // Their jobs are there now, if they ever are.
    await dispatch(sendPhotos());
    if (stuck.size > 0 || !getState().outbox.offline) return;
    // Nothing was left to send that would have told.
    const { data } = await dispatch(
      api.endpoints.health.initiate(undefined, { subscribe: false, forceRefetch: true }),
    );
    if (!data) return;
    dispatch(reachable());
    dispatch(api.util.invalidateTags(['Rack', 'Job']));
    tabs.tell({ kind: 'reach', offline: false });
  };

  return (): AppThunk<Promise<void>> => async (dispatch) => {
    again = true;
    sending ??= (async () => {
      while (again) {
        again = false;
        await dispatch(round());
      }
    })().finally(() => (sending = null));
    return await sending;
  };
}

/** Entries as they are laid up. */
export const asKept = (unsent: readonly Unsent[], clockOffMs: number): Kept[] =>
  unsent.map(({ jobId, entry }) => ({ kind: 'entry', id: entry.id, jobId, entry, clockOffMs }));
