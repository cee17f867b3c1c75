import type { MachineKind } from '../machine';
import type { CheckId, ResultOf } from './checks';
import type { Strength } from './strength';
import type { ComplaintId } from './vocabulary';

/** The parts of the engine as it is drawn; every cause sits in one. */
export type EnginePart =
  | 'fuel'
  | 'tank'
  | 'filter'
  | 'line'
  | 'primer'
  | 'pump'
  | 'metering'
  | 'circuits'
  | 'air'
  | 'intake'
  | 'case'
  | 'cylinder'
  | 'exhaust'
  | 'plug'
  | 'coil'
  | 'stop'
  | 'flywheel'
  | 'drive'
  | 'drill';

/** Results of some checks, typed by the check they belong to. */
type ResultsOf<T> = { readonly [C in CheckId]?: T extends 'list' ? readonly ResultOf<C>[] : Signs<C> };
type Signs<C extends CheckId> = { readonly [R in ResultOf<C>]?: Strength };

/** Everything there is to know about a cause: one is added by adding one of these to one of the files in `causes`. */
export interface CauseSpec {
  name: string;
  sits: EnginePart;
  /**
   * How common it is among machines that come in, relative to the others (roughly per cent), when nothing named in
   * `chains` has brought it about.
   */
  weight: number;
  /** Factor on the weight for some kinds of machine; 0 where it cannot happen. */
  kinds?: Partial<Readonly<Record<MachineKind, number>>>;
  remedy: string;
  /** Bench minutes for the remedy, a practised hand with the part on the shelf, opening and closing included. */
  minutes: number;
  /** The part is dear or has to be ordered: it is not bought on a guess. */
  dear?: true;
  /** It may sit in one of several places: a look at one, or a repair of one, leaves the others. */
  severalPlaces?: true;
  /** It may be inside, where a look that finds nothing does not clear it. */
  hidden?: true;
  /** Results that are this very fault, seen or measured: noted as sure, they are a fact. */
  seen?: ResultsOf<'list'>;
  /** Of a mixture screw that is set wrong: which, and to which side. A count speaks for its own screw and its own side. */
  screw?: { of: 'L' | 'H'; is: 'lean' | 'rich' };
  /** Trials that put it right for the time being. */
  putRightBy?: readonly CheckId[];
  /** Other checks that settle it as well as a look would, though no part is seen. */
  settledBy?: readonly CheckId[];
  complaints: Partial<Readonly<Record<ComplaintId, Strength>>>;
  shows: ResultsOf<'signs'>;
}

/** Names a file of causes, so that their ids are known to the compiler. */
export const causes = <K extends string>(
  specs: Readonly<Record<K, CauseSpec>>,
): Readonly<Record<K, CauseSpec>> => specs;
