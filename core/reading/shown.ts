import type { SqueezeSetting } from '../compression';
import type { Trace } from '../pressure';

/** Units of instruments beside those that readings are kept in. */
export const SHOWN_IN = ['bar', 'kPa', 'thou', 'in'] as const;

/** Raw readings a check can be judged from, as they stand in the log and in case files. */
export interface Reading extends SqueezeSetting {
  /** Compression gauge after each pull, psi. */
  psi?: readonly number[];
  /** For a wet reading: the dry plateau, psi. */
  dryPsi?: number;
  /** Gaps and heights, mm. Coil gap: top leg, bottom leg. */
  mm?: readonly number[];
  /** Coil gap: what was heard over a full turn by hand. */
  contact?: 'quiet' | 'scrape';
  /** Speeds, rpm. */
  rpm?: readonly number[];
  /** Mixture screws, turns out from the seat. */
  turns?: { L?: number; H?: number };
  /** The unit the instrument showed, where that is another than the figures are kept in: what is said of it is said in that. */
  in?: (typeof SHOWN_IN)[number];
  /** Somebody was asked whether so odd a figure is right, and said so. */
  confirmed?: boolean;
  /** Read by a stand-in instrument, not by a real one. */
  simulated?: boolean;
  /** A gauge watched over time. */
  trace?: Trace;
}
