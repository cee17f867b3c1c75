import type {
  CauseId,
  CheckId,
  ComplaintId,
  History,
  MachineFacts,
  Outcome,
  PartId,
  Sureness,
} from './knowledge';

/** One thing the diagnosis may rest on, in the order it was noted. `ref` names the entry it came from. */
export type Evidence =
  | { ref: string; kind: 'complaint'; complaint: ComplaintId }
  | {
      ref: string;
      kind: 'finding';
      check: CheckId;
      result: string;
      sureness: Sureness;
      /** It was made before and this took its place: with the same result as then, or another. */
      again?: 'same' | 'other';
      /** Pulls of the cord made just before it was looked at, if they were counted. */
      pulls?: number;
    }
  | { ref: string; kind: 'repair'; cause: CauseId; outcome: Outcome };

/** Everything the engine reads: live evidence only, with superseded and struck entries already gone. */
export interface Case {
  machine: MachineFacts;
  history: History;
  evidence: readonly Evidence[];
  /** What is off the machine now. */
  off: readonly PartId[];
}
