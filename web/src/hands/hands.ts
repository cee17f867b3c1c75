import { isAtLeast, type Person, type Role, type SessionState } from '@rusty-wren/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** Who has this device in hand, as far as it knows. */
export interface Hands {
  me: (Person & { role: Role }) | null;
  /** Locked: it shows nothing until somebody proves who they are, the server there or not. */
  locked: boolean;
  /** Locked while the server was away: it is told as soon as it is back, before anything is shown. */
  lockOwed: boolean;
  /** What was asked for wants somebody who proved lately who they are. */
  prove: boolean;
}

const KEPT = 'rusty-wren-hands';
const NOBODY: Hands = { me: null, locked: false, lockOwed: false, prove: false };

/** As it was when the page was last open: the server is asked meanwhile, and knows better. */
function kept(): Hands {
  try {
    const { me, locked, lockOwed } = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Hands>;
    return { ...NOBODY, me: me ?? null, locked: locked === true, lockOwed: lockOwed === true };
  } catch {
    return NOBODY;
  }
}

export const hands = createSlice({
  name: 'hands',
  initialState: kept,
  reducers: {
    /** The server says how this device stands. */
    stood: (state, { payload }: PayloadAction<SessionState>) => {
      if (payload.state !== 'in') state.lockOwed = false;
      state.me = 'me' in payload ? payload.me : null;
      state.locked = payload.state === 'locked' || state.lockOwed;
      if (payload.state !== 'in') state.prove = false;
    },
    /** Locked with the server away. */
    lockedHere: (state) => {
      state.locked = true;
      state.lockOwed = true;
    },
    /** The server has put it in somebody's hands, or locked it. */
    handGiven: (state) => {
      state.lockOwed = false;
    },
    proofWanted: (state) => {
      state.prove = true;
    },
    proofGiven: (state) => {
      state.prove = false;
    },
  },
});

/** Keeps who has it in hand on this device. */
export function keepHands({ me, locked, lockOwed }: Hands): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify({ me, locked, lockOwed }));
  } catch {
    // Storage is full or shut: it holds while the page is open.
  }
}

/** Who notes what is noted now, by account; null where nobody is signed in. */
export const noterOf = ({ hands: { me } }: { hands: Hands }): string | null => me?.id ?? null;

/** Whether somebody is signed in, and the device is not locked, as far as it knows. */
export const isIn = ({ hands: { me, locked } }: { hands: Hands }): boolean => me !== null && !locked;

/** What they are here; null where nobody is signed in. */
export const roleOf = ({ hands: { me } }: { hands: Hands }): Role | null => me?.role ?? null;

/** Whether they work at the bench: what is looked at, found and mended is noted by technicians. */
export const isTechnician = (state: { hands: Hands }): boolean => {
  const role = roleOf(state);
  return role === null || isAtLeast(role, 'technician');
};

/** Whether they lead the shop: settings are theirs. */
export const isLead = (state: { hands: Hands }): boolean => roleOf(state) === 'lead';

export const { handGiven, lockedHere, proofGiven, proofWanted, stood } = hands.actions;
