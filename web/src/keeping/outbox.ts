import type { NewEntry } from '@rusty-wren/contract';
import { createAction, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Kept } from './shelf';

/** An entry that the server does not have yet. */
export interface Unsent {
  jobId: string;
  entry: NewEntry;
  /** It lies on disk: this page may be closed. */
  safe?: boolean;
}

/** Something put aside. `loose`: on no shelf, but in this page's memory. */
export type Aside = Kept & { loose?: true };

export interface Outbox {
  /** Entries noted but not yet on the server, in order. */
  unsent: readonly Unsent[];
  /** Check-ins on their way, in order. */
  checkIns: readonly Aside[];
  /** What the server did not take, each with its reason: put aside until somebody says what becomes of it. */
  refused: readonly Aside[];
  /** The last try found no server. */
  offline: boolean;
  /** Something could not be sent and waits: an answer to anything else does not say that it went. */
  held: boolean;
  /** Why this browser keeps nothing on disk, or what it says to have kept cannot be believed; if so. */
  trouble: string | null;
  /** This device is nearly full. */
  tight: boolean;
}

/** Whether something noted is in this page's memory alone, and would go with the page. */
export const inPageOnly = ({ unsent, checkIns, refused }: Outbox): boolean =>
  unsent.some((u) => !u.safe) || [...checkIns, ...refused].some((k) => k.loose);

const EMPTY: Outbox = {
  unsent: [],
  checkIns: [],
  refused: [],
  offline: false,
  held: false,
  trouble: null,
  tight: false,
};

/** What is not among what lies there, on no shelf. Once the disk was in trouble, what lay there may be gone without having been sent. */
const looseOf = (had: readonly Aside[], lies: ReadonlySet<string>, doubtful: boolean): Aside[] =>
  had.filter((k) => !lies.has(k.id) && (k.loose || doubtful)).map((k): Aside => ({ ...k, loose: true }));

export const outbox = createSlice({
  name: 'outbox',
  initialState: (): Outbox => EMPTY,
  reducers: {
    /** Noted just now; it is laid up next. */
    noted: (state, { payload }: PayloadAction<Unsent[]>): Outbox => ({
      ...(state as Outbox),
      unsent: [...(state.unsent as Unsent[]), ...payload],
    }),
    /** What lies on the shelf, whichever tab laid it there. */
    laidUp: (state, { payload }: PayloadAction<readonly Kept[]>): Outbox => {
      const lies = new Set(payload.map((k) => k.id));
      const doubtful = state.trouble !== null;
      const loose = (state.unsent as Unsent[])
        .filter((u) => !lies.has(u.entry.id) && (!u.safe || doubtful))
        .map(({ jobId, entry }) => ({ jobId, entry }));
      const waiting = payload.filter((k) => k.refused === undefined);
      return {
        ...(state as Outbox),
        held: state.held && waiting.length + loose.length > 0,
        refused: [
          ...payload.filter((k) => k.refused !== undefined),
          ...looseOf(state.refused as Aside[], lies, doubtful),
        ],
        checkIns: [
          ...waiting.filter((k) => k.kind === 'check-in'),
          ...looseOf(state.checkIns as Aside[], lies, doubtful),
        ],
        unsent: [
          ...waiting.flatMap((k) =>
            k.kind === 'entry' ? [{ jobId: k.jobId, entry: k.entry, safe: true }] : [],
          ),
          ...loose,
        ],
      };
    },
    /** Refused, and not on any shelf: put aside in this page's memory. */
    putAsideHere: (state, { payload }: PayloadAction<readonly { id: string; why: string }[]>): Outbox => {
      const why = new Map(payload.map((r) => [r.id, r.why]));
      const unsent = state.unsent as Unsent[];
      return {
        ...(state as Outbox),
        unsent: unsent.filter((u) => !why.has(u.entry.id)),
        refused: [
          ...(state.refused as Aside[]),
          ...unsent.flatMap(({ jobId, entry }): Aside[] => {
            const refused = why.get(entry.id);
            return refused === undefined
              ? []
              : [{ kind: 'entry', id: entry.id, jobId, entry, clockOffMs: 0, refused, loose: true }];
          }),
        ],
      };
    },
    /** Thrown away, or to be sent again, by hand. */
    letGo: (state, { payload }: PayloadAction<string>): Outbox => ({
      ...(state as Outbox),
      refused: (state.refused as Aside[]).filter((k) => k.id !== payload),
    }),
    unkeepable: (state, { payload }: PayloadAction<string>) => {
      state.trouble = payload;
    },
    /** What is laid up can be believed again. */
    keepable: (state) => {
      state.trouble = null;
    },
    runsFull: (state, { payload }: PayloadAction<boolean>) => {
      state.tight = payload;
    },
    sent: (state, { payload }: PayloadAction<readonly string[]>): Outbox => {
      const gone = new Set(payload);
      return {
        ...(state as Outbox),
        offline: false,
        held: false,
        unsent: (state.unsent as Unsent[]).filter((u) => !gone.has(u.entry.id)),
        checkIns: (state.checkIns as Kept[]).filter((k) => !gone.has(k.id)),
      };
    },
    unreachable: (state) => {
      state.offline = true;
    },
    notSent: (state) => {
      state.offline = true;
      state.held = true;
    },
    reachable: (state) => {
      state.offline = false;
    },
  },
});

export const {
  keepable,
  laidUp,
  letGo,
  noted,
  notSent,
  putAsideHere,
  reachable,
  runsFull,
  sent,
  unkeepable,
  unreachable,
} = outbox.actions;

/** Something that was refused is to be sent again, as it is now. */
export const sentAgain = createAction<{ kept: Aside }>('outbox/sentAgain');
/** Something that was refused is thrown away. */
export const thrownAway = createAction<string>('outbox/thrownAway');
/** A check-in was laid on the shelf. */
export const hungHere = createAction('outbox/hungHere');
