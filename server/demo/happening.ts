import type {
  Carburettor,
  CauseId,
  ComplaintId,
  History,
  HowOften,
  LayerId,
  Outcome,
  ProvedStep,
} from '@rusty-wren/core/knowledge';
import type {
  BehindAnswer,
  Bodies,
  PaperKind,
  PhotoTime,
  Pin,
  BuildOrder,
  RebuildTick,
  Renewal,
  Stage,
} from '@rusty-wren/core/log';
import type { DrawnId } from './drawn';
import type { OWNERS, WORKERS } from './people';

/**
 * One thing that happened: shop shorthand as it would be typed on the bench line, or an entry shorthand has no words
 * for. `mark` names a line so that a later one can strike it.
 */
export type Happening =
  | string
  | { mark: string; line: string }
  | { strike: string; reason: string }
  | { complaint: ComplaintId; words?: string; often?: HowOften }
  | { history: History }
  | { repair: CauseId; outcome: Outcome; note?: string }
  | { settles: CauseId; words?: string }
  | { behind: CauseId; answer: BehindAnswer; words?: string }
  | { stage: Stage; waitingFor?: string; reason?: string }
  | { fault: string }
  | { laterHours: number }
  | { proved: ProvedStep }
  | { carburettor: Carburettor }
  | { rebuild: RebuildTick }
  | { renew: Renewal }
  | { order: BuildOrder }
  | { worth: Bodies['worth'] }
  | { decided: Bodies['decision'] }
  | { answered: Bodies['answered'] }
  /** A paper given to the owner as the log makes it then. */
  | { given: PaperKind }
  /** A photo, drawn for the demo. */
  | { photo: DrawnId; of?: Bodies['photo']['of']; when?: PhotoTime; words?: string; pins?: readonly Pin[] }
  /** A layer back on, a new one in its place. */
  | { renewed: LayerId }
  /** A guided recording of the engine that stands in for the machine, its screws as the log has them. */
  | { heard: 'stand-in' };

type Owners = typeof OWNERS;

export interface Scenario {
  /** Owner and machine in the demo world. */
  machine: { [O in keyof Owners]: readonly [O, keyof Owners[O]['machines']] }[keyof Owners];
  daysAgo: number;
  /** The number of its tag, where it hung before those of now. */
  tag?: number;
  /** Days from today it is promised for; negative is late. */
  promisedIn?: number;
  by: keyof typeof WORKERS;
  happenings: readonly Happening[];
}
