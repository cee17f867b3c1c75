import type { Sureness } from '../knowledge';
import type { Band } from '../machine';

/** A reading turned into a check's result, or refused with the reason. */
export type Judged =
  | { refused: string }
  | {
      result: string;
      /** As sure as the reading allows: close to an edge, or too little of it, is only fairly sure. */
      sureness: Sureness;
      /** The figure that was judged, in `unit`. */
      value: number;
      band: Band;
      unit: 'psi' | 'mm' | 'rpm' | 'turns' | '%';
      says: string;
    };
