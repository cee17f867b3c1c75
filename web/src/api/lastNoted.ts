import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { noted, type Unsent } from '../keeping/outbox';

/** What was noted last in one go: an entry, and the openings that went with it. */
export interface LastNoted {
  entries: readonly Unsent[];
}

/** Remembers what was noted last, so that it can be taken back; a strike takes nothing with it. */
export const lastNoted = createSlice({
  name: 'lastNoted',
  initialState: (): LastNoted => ({ entries: [] }),
  reducers: {
    settledDown: (): LastNoted => ({ entries: [] }),
  },
  extraReducers: (on) =>
    on.addCase(noted, (_state, { payload }: PayloadAction<Unsent[]>): LastNoted => {
      return { entries: payload.some((u) => u.entry.kind === 'strike') ? [] : payload };
    }),
});

export const { settledDown } = lastNoted.actions;
