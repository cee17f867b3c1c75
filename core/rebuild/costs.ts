import type { LayerId } from '../knowledge';

/**
 * Chances that a layer brings the machine back within a season, by what is done with it: the trade's ordinary experience,
 * set down as figures here and nowhere else.
 */
export const BACK = { renewed: 0.01, soundSoft: 0.03, soundHard: 0.01, cleaned: 0.06, spent: 0.8 } as const;
/** A fault inside that nobody put right comes back as a complaint. */
export const BACK_UNMENDED = 0.9;
/** A new carburettor that is none, or that the machine does not suit. */
export const BACK_NEW = 0.02;

/** Ordinary prices of parts, in the shop's money, until a price book says otherwise. */
export const PARTS_COST: Readonly<{
  kit: number;
  whole: number;
  layer: Partial<Record<LayerId, number>>;
  other: number;
}> = {
  kit: 14,
  whole: 42,
  layer: {
    'metering-diaphragm': 6,
    'pump-diaphragm': 5,
    'inlet-needle': 5,
    'purge-bulb': 4,
    'low-screw': 6,
    'high-screw': 6,
  },
  other: 2,
};
/** Bench minutes: laying one layer back, fitting one new part, and a new carburettor set up. */
export const MINUTES = { layer: 0.7, fit: 0.5, whole: 7 } as const;
/** What a comeback costs the shop besides its name: minutes, at the worth of a minute below. */
export const COMEBACK_MINUTES = 50;
/** A bench minute in the shop's money. */
export const MINUTE = 0.8;
