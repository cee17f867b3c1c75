import { format, parseISO } from 'date-fns';
import { causeOf, type CauseId } from '@rusty-wren/core/knowledge';
import type { MachineKind } from '@rusty-wren/core/machine';

export const KIND_WORDS: Readonly<Record<MachineKind, string>> = {
  chainsaw: 'Chainsaw',
  'pole-saw': 'Pole saw',
  trimmer: 'Trimmer',
  edger: 'Edger',
  'brush-cutter': 'Brush cutter',
  'hedge-trimmer': 'Hedge trimmer',
  'power-head': 'Power head',
  blower: 'Blower',
  'backpack-blower': 'Backpack blower',
};

/** "today", "in 3 days", "2 days late" for a number of days; null for nothing promised. */
export function dueWords(days: number | null): string | null {
  if (days === null) return null;
  if (days < 0) return days === -1 ? '1 day late' : `${-days} days late`;
  if (days === 0) return 'due today';
  return days === 1 ? 'due tomorrow' : `due in ${days} days`;
}

/** A space at which no line breaks. */
export const NO_BREAK = '\u00a0';

/** A probability as whole per cent, never claiming certainty. */
export const percent = (p: number): string => `${Math.min(99, Math.max(1, Math.round(p * 100)))}${NO_BREAK}%`;

/** Minutes as said at the bench: "½", "2", "12½". */
export function minutesWords(minutes: number): string {
  const whole = Math.floor(minutes);
  const half = minutes - whole >= 0.25 ? '½' : '';
  return `${whole || !half ? whole : ''}${half} min`;
}

/** A name as it reads inside a sentence: "Fuel filter" → "fuel filter", but "H screw" stays. */
export const inSentence = (name: string): string =>
  /^[A-Z] /.test(name) ? name : name.charAt(0).toLowerCase() + name.slice(1);

/** Causes named one after the other inside a sentence. */
export const causesInWords = (causes: readonly CauseId[], kind?: MachineKind): string =>
  causes.map((id) => inSentence(causeOf(id, kind).name)).join(', ');

/** A job's number; one that hangs here only has none yet. */
export const tagWords = (tag: number): string => (tag === 0 ? 'new' : String(tag));

/** Why a text cannot be kept whole, or null: nothing is cut behind anybody's back. */
export const tooLong = (text: string, most: number): string | null =>
  text.length <= most
    ? null
    : `${(text.length - most).toLocaleString('en-GB')} letters too many; ${most.toLocaleString('en-GB')} at most.`;

/** A day, ISO, or a moment of it, ms, as it is said at the bench: "Tue 1 Dec". */
export const dayWords = (day: string | number): string =>
  format(typeof day === 'string' ? parseISO(day) : day, 'EEE d MMM');
