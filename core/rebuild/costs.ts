import type { CauseId, Pace } from '../knowledge';

/**
 * Chances that a layer brings the machine back within a season, by what is done with it: the trade's ordinary experience,
 * set down as figures here and nowhere else. A whole carburettor of some fifteen layers, done well, comes back in three to eight of
 * a hundred.
 */
export const BACK = {
  renewed: 0.003,
  soundSoft: 0.008,
  soundHard: 0.001,
  cleaned: 0.008,
  spent: 0.8,
} as const;
/** A fault inside that nobody put right comes back as a complaint. */
export const BACK_UNMENDED = 0.9;
/** A new carburettor that is none, or that the machine does not suit. */
export const BACK_NEW = 0.02;

/** By what the schools of renewing are costed: what the owner pays, whole cents, before tax. */
export interface RenewalPrices {
  kit: number;
  whole: number;
  /** One new layer, by the repair it is part of; null: a layer that no repair is priced for. */
  layer: (repair: CauseId | null) => number;
  /** A bench minute. */
  minute: number;
  /** How much longer the steps of a rebuild take here. */
  pace?: Pace;
}
/** Bench minutes of setting up a new carburettor. */
export const WHOLE_MINUTES = 7;
/** What a comeback costs besides the shop's name, in bench minutes. */
export const COMEBACK_MINUTES = 50;
