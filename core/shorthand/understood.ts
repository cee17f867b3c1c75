import type { Noted, OffItem } from '../log';

/** What one line of shop shorthand was understood as, or why it was not, with the lines it may have meant. */
export type Understood =
  | { ok: true; entries: readonly Noted[]; says: string }
  /** `odd`: it was understood, and its figure is so odd that it is asked about first. */
  | { ok: false; says: string; choices?: readonly Choice[]; odd?: true };

/** One thing a line may have meant: its words, and the line that says just that. */
export interface Choice {
  label: string;
  line: string;
}

/** Something that is off, by its name or as a part or a layer. */
export type Lying = Omit<OffItem, 'entryId'>;

/** What lies on the bench while a line is written: what is off. Left out, nothing is known of it. */
export interface AtHand {
  off?: readonly Lying[];
  /** What lies on the tray was knowingly passed. */
  trayPassed?: boolean;
  /** The screws as last counted and not turned since, turns out: one given now joins the other. */
  counted?: { L?: number | undefined; H?: number | undefined };
  /** Mixture screws nobody has counted to their seats yet. */
  uncounted?: readonly ('L' | 'H')[];
}

export const fail = (says: string, choices?: readonly Choice[]): Understood => ({
  ok: false,
  says,
  ...(choices && { choices }),
});
export const understood = (says: string, ...entries: Noted[]): Understood => ({ ok: true, entries, says });
