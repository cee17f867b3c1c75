import type { NewEntry } from '@rusty-wren/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export interface Unsent {
  jobId: string;
  entry: NewEntry;
}

interface Outbox {
  /** Entries noted but not yet on the server, in order. */
  unsent: Unsent[];
  /** The last try found no server. */
  offline: boolean;
}

const KEPT = 'rusty-wren-unsent';

/** What a closed or crashed page left unsent. */
function kept(): Unsent[] {
  try {
    const parsed: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
    return Array.isArray(parsed) ? (parsed as Unsent[]) : [];
  } catch {
    return [];
  }
}

/** Keeps the unsent entries where a reload finds them again. */
export function keep(unsent: readonly Unsent[]): void {
  localStorage.setItem(KEPT, JSON.stringify(unsent));
}

export const outbox = createSlice({
  name: 'outbox',
  initialState: (): Outbox => ({ unsent: kept(), offline: false }),
  reducers: {
    noted: (state, { payload }: PayloadAction<Unsent[]>): Outbox => ({
      offline: state.offline,
      unsent: [...(state.unsent as Unsent[]), ...payload],
    }),
    sent: (state, { payload }: PayloadAction<string[]>) => {
      state.unsent = state.unsent.filter((u) => !payload.includes(u.entry.id));
      state.offline = false;
    },
    unreachable: (state) => {
      state.offline = true;
    },
  },
});

export const { noted, sent, unreachable } = outbox.actions;
