import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { noted, type Unsent } from './outbox';

/** What was noted last in one go: an entry, and the openings that went with it. */
export interface LastNoted {
  entries: readonly Unsent[];
}

/** Entries noted within so many milliseconds of each other were one tap. */
const ONE_TAP_MS = 100;

const at = ({ entry }: Unsent): number => Date.parse(entry.notedAt);

/** Remembers what was noted last, so that it can be taken back; a strike takes nothing with it. */
export const lastNoted = createSlice({
  name: 'lastNoted',
  initialState: (): LastNoted => ({ entries: [] }),
  reducers: {
    settledDown: (): LastNoted => ({ entries: [] }),
  },
  extraReducers: (on) =>
    on.addCase(noted, (state, { payload }: PayloadAction<Unsent[]>): LastNoted => {
      const [first] = payload;
      if (!first || payload.some((u) => u.entry.kind === 'strike')) return { entries: [] };
      const before = state.entries as Unsent[];
      const last = before.at(-1);
      const sameTap = last?.jobId === first.jobId && at(first) - at(last) < ONE_TAP_MS;
      return { entries: sameTap ? [...before, ...payload] : payload };
    }),
});

export const { settledDown } = lastNoted.actions;
