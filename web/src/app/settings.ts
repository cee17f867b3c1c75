import { SCHOOL_IDS } from '@rusty-wren/core/knowledge';
import { BASELINE_SCHOOLS, type BaselineTurns } from '@rusty-wren/core/machine';
import { PRESSURE_UNITS, type PressureUnit } from '@rusty-wren/core/units';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type Theme = 'light' | 'dark';

interface Settings {
  theme: Theme;
  /** Who says what to check next: the computed plan, a school, or the shop's own order. */
  way: WayId;
  /** What the gauge on this bench reads in. */
  pressureUnit: PressureUnit;
  /** The compression gauge and where the bench stands. */
  gauge: GaugeSetting;
  /** Turns out that this bench begins from where the maker states none. */
  baselineTurns: BaselineTurns;
  /** Minutes untouched after which this device locks; 0: never by itself. */
  lockAfterMin: LockAfter;
}

export const LOCK_AFTER = [0, 15, 60, 240] as const;
export type LockAfter = (typeof LOCK_AFTER)[number];
const LOCK_USUAL: LockAfter = 60;

export type GaugeSetting = {
  [K in 'hoseMl' | 'altitudeM' | 'floorPsi']?: number | undefined;
};

export const WAY_IDS = ['computed', ...SCHOOL_IDS, 'own'] as const;
export type WayId = (typeof WAY_IDS)[number];

const KEPT = 'rusty-wren-settings';

/** Only what is a number. */
const figuresIn = (gauge: GaugeSetting | undefined): GaugeSetting =>
  Object.fromEntries(
    Object.entries(gauge ?? {}).filter(([, v]) => typeof v === 'number' && Number.isFinite(v)),
  );

function kept(): Settings {
  const theme: Theme = matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
  try {
    const parsed = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Settings>;
    return {
      theme: parsed.theme === 'dark' || parsed.theme === 'light' ? parsed.theme : theme,
      way: WAY_IDS.find((id) => id === parsed.way) ?? 'computed',
      pressureUnit: PRESSURE_UNITS.find((u) => u === parsed.pressureUnit) ?? 'psi',
      gauge: figuresIn(parsed.gauge),
      baselineTurns: BASELINE_SCHOOLS.find((t) => t === parsed.baselineTurns) ?? BASELINE_SCHOOLS[0],
      lockAfterMin: LOCK_AFTER.find((m) => m === parsed.lockAfterMin) ?? LOCK_USUAL,
    };
  } catch {
    return {
      theme,
      way: 'computed',
      pressureUnit: 'psi',
      gauge: {},
      baselineTurns: BASELINE_SCHOOLS[0],
      lockAfterMin: LOCK_USUAL,
    };
  }
}

export const settings = createSlice({
  name: 'settings',
  initialState: kept,
  reducers: {
    themeTurned: (state) => {
      state.theme = state.theme === 'dark' ? 'light' : 'dark';
    },
    wayChosen: (state, { payload }: PayloadAction<WayId>) => {
      state.way = payload;
    },
    gaugeSet: (state, { payload }: PayloadAction<GaugeSetting>) => {
      state.gauge = figuresIn(payload);
    },
    baselineChosen: (state, { payload }: PayloadAction<BaselineTurns>) => {
      state.baselineTurns = payload;
    },
    lockAfterChosen: (state, { payload }: PayloadAction<LockAfter>) => {
      state.lockAfterMin = payload;
    },
    unitChosen: (state, { payload }: PayloadAction<PressureUnit>) => {
      state.pressureUnit = payload;
    },
  },
});

/** Keeps the settings on this device. */
export function keepSettings(value: Settings): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify(value));
  } catch {
    // Storage is full or shut: they hold while the page is open.
  }
}

export const { baselineChosen, gaugeSet, lockAfterChosen, themeTurned, unitChosen, wayChosen } =
  settings.actions;
