import { COMMON_PINS, isCommonPassword } from './commonSecrets';
import type { EntryKind } from '@rusty-wren/core/log';

/** What people are here, each of them all that those before it are. */
export const ROLES = ['reader', 'counter', 'technician', 'lead'] as const;
export type Role = (typeof ROLES)[number];

/** Whether a role is this one, or more. */
export const isAtLeast = (role: Role, least: Role): boolean => ROLES.indexOf(role) >= ROLES.indexOf(least);

/** What the server says where only somebody who proved it lately may do it. */
export const PROVE_AGAIN = 'Prove once more that it is you: your PIN, then this again.';

/** Somebody who works here. */
export interface Person {
  id: string;
  name: string;
}

/** Somebody a device may be handed to. */
export interface Hand extends Person {
  /** Takes it over without a secret: signed in here before, today. */
  open?: true;
  /** The demo's own people have theirs shown. */
  demoPin?: string;
}

/** Whether this device is signed in, and who has it in hand. */
export type SessionState =
  /** Nobody leads this shop yet: whoever has the code from the machine it runs on may. */
  | { state: 'first' }
  | { state: 'out'; people: Hand[] }
  /** Handed to nobody until whoever takes it proves who they are. */
  | { state: 'locked'; me: Person & { role: Role }; people: Hand[] }
  | {
      state: 'in';
      me: Person & { role: Role };
      people: Hand[];
      /** Told to a lead who signs in: whose PIN was guessed at until it was closed, since they last did. */
      guessed?: string[];
    };

/** Somebody on the books, as the lead sees them. */
export interface PersonOnBooks extends Person {
  role: Role;
  /** Whether they can sign in: they have a PIN or a password. */
  secret: boolean;
  left: boolean;
  /** Whether it is still the one the demo shows. */
  demo: boolean;
}

/** A device that is signed in. */
export interface Device {
  id: string;
  name: string;
  device: string;
  address: string;
  seenAt: string;
  locked: boolean;
  /** The one that asks. */
  here: boolean;
}

/** An instrument that feeds readings by a token of its own. */
export interface Instrument {
  id: string;
  name: string;
  madeAt: string;
}

/** Settings of the whole shop, each under the name that its changes are written down by. */
export const SETTINGS = ['rules', 'prices', 'specs', 'own-order', 'hours', 'rooms', 'learning'] as const;
export type Setting = (typeof SETTINGS)[number];

/** What can be done with access and settings. */
export type DoneWhat =
  | Setting
  | 'signed-in'
  | 'wrong-secret'
  | 'locked-out'
  | 'signed-out'
  | 'took-over'
  | 'locked'
  | 'device-ended'
  | 'first-lead'
  | 'person-made'
  | 'person-changed'
  | 'secret-set'
  | 'instrument-made'
  | 'instrument-withdrawn'
  | 'owner-forgotten'
  | 'device-moved'
  | 'refused'
  | 'parts'
  | 'model-notes'
  | 'calendar-made'
  | 'calendar-withdrawn'
  | 'calendar-opened'
  | 'learnt-taken-out';

/** Who changed each setting last, and when; a setting nobody changed is not in it. */
export type LastChanges = Partial<Record<Setting, { at: string; who: string | null }>>;

/** Something that was done with access or a setting. */
export interface Done {
  n: number;
  at: string;
  who: string | null;
  address: string | null;
  what: DoneWhat;
  about: Record<string, unknown>;
}

/** What the counter notes on a job's log; the bench's findings and repairs are the technicians'. */
export const COUNTER_KINDS: ReadonlySet<EntryKind> = new Set<EntryKind>([
  'complaint',
  'history',
  'said-done',
  'note',
  'photo',
  'can',
  'worth',
  'choice-set',
  'paper',
  'decision',
  'answered',
  'stage',
  'at-owners',
  'strike',
]);

/** Whether a role notes entries of a kind. */
export const mayNote = (role: Role, kind: EntryKind): boolean =>
  isAtLeast(role, 'technician') || (isAtLeast(role, 'counter') && COUNTER_KINDS.has(kind));

/** Letters of a password, and digits of a PIN. */
export const SECRET = { pin: 6, least: 12, most: 128 } as const;

const RUNS = '01234567890123456789';
const BACK = [...RUNS].reverse().join('');
/** Whether digits are among the first that anybody tries: one over and over, two or three in turn, a run, or a common one. */
const isFirstTried = (pin: string): boolean =>
  /^(\d{1,3})\1+$/.test(pin) || RUNS.includes(pin) || BACK.includes(pin) || COMMON_PINS.has(pin);

/**
 * Why a text is no secret to sign in with, as a sentence without its subject; null when it is one: six digits that are not
 * tried first, or at least twelve letters.
 *
 * @example secretProblem('123456') // 'is tried first by anybody; take another.'
 */
export function secretProblem(secret: string): string | null {
  if (/^\d*$/.test(secret) && secret.length <= SECRET.pin) {
    if (secret.length < SECRET.pin) return `has ${secret.length} digits; a PIN has ${SECRET.pin}.`;
    return isFirstTried(secret) ? 'is tried first by anybody; take another.' : null;
  }
  if (secret.length < SECRET.least)
    return `is neither ${SECRET.pin} digits nor at least ${SECRET.least} letters.`;
  if (secret.length > SECRET.most) return `has more than ${SECRET.most} letters.`;
  const isFirst = new Set(secret).size < 4 || isFirstTried(secret) || isCommonPassword(secret);
  return isFirst ? 'is tried first by anybody; take another.' : null;
}
