import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type Theme = 'light' | 'dark';

interface Settings {
  theme: Theme;
  /** Who is at the bench on this device. */
  accountId: string | null;
}

const KEPT = 'rusty-wren-settings';

function kept(): Settings {
  const theme: Theme = matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
  try {
    const parsed = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Settings>;
    return {
      theme: parsed.theme === 'dark' || parsed.theme === 'light' ? parsed.theme : theme,
      accountId: parsed.accountId ?? null,
    };
  } catch {
    return { theme, accountId: null };
  }
}

export const settings = createSlice({
  name: 'settings',
  initialState: kept,
  reducers: {
    themeTurned: (state) => {
      state.theme = state.theme === 'dark' ? 'light' : 'dark';
    },
    technicianChosen: (state, { payload }: PayloadAction<string>) => {
      state.accountId = payload;
    },
  },
});

/** Keeps the settings on this device. */
export const keepSettings = (value: Settings): void => localStorage.setItem(KEPT, JSON.stringify(value));

export const { themeTurned, technicianChosen } = settings.actions;
