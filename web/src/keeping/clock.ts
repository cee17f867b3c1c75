import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Less than this is a slow answer, not a wrong clock. */
const SLACK_MS = 60_000;
/** From here on it is told. */
export const TOLD_FROM_MS = 2 * SLACK_MS;

export interface Clock {
  /** What to add to this device's clock to have the server's, ms; 0 while they agree, or nothing is known. */
  offMs: number;
}

/** How far this device's clock is off. */
export const clock = createSlice({
  name: 'clock',
  initialState: (): Clock => ({ offMs: 0 }),
  reducers: {
    /** What the server's clock said in an answer, and this device's when it was asked and answered, ms. */
    clockRead: (
      state,
      { payload: { server, asked, here } }: PayloadAction<{ server: number; asked: number; here: number }>,
    ) => {
      // An answer that took so long, a night with the lid shut it may be, says nothing of the moment it is read.
      if (Math.abs(here - asked) > SLACK_MS) return;
      const off = server - here;
      // Kept while it is about the same: a date to the second must not move every entry.
      if (Math.abs(off) < SLACK_MS) state.offMs = 0;
      else if (Math.abs(off - state.offMs) > SLACK_MS) state.offMs = off;
    },
  },
});

export const { clockRead } = clock.actions;

/** What the server's clock says now, ms, as far as is known. */
export const serverNow = ({ offMs }: Clock): number => Date.now() + offMs;

/** How far off a clock is, in words: "2 days ahead". `offMs`: to be added to it. */
export function offWords(offMs: number): string {
  const minutes = Math.round(Math.abs(offMs) / 60_000);
  const [many, unit] =
    minutes < 120
      ? [minutes, 'minute']
      : minutes < 2880
        ? [Math.round(minutes / 60), 'hour']
        : [Math.round(minutes / 1440), 'day'];
  return `${many} ${unit}${many === 1 ? '' : 's'} ${offMs < 0 ? 'ahead' : 'behind'}`;
}
