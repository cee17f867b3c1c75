import type { ShowingRate } from '../chance';
import type { MachineFacts } from '../machine';
import { comesAndGoes, rateBefore } from '../proof';
import {
  causeOf,
  causesPutRight,
  putRightBy,
  type CauseId,
  type CheckId,
  type ComplaintId,
  type Counted,
  type History,
  type HowOften,
  type Pace,
  type PartId,
  type RemedyId,
  type RepairOutcome,
  type SaidDone,
  type Sureness,
} from '../knowledge';

/** One thing the diagnosis may rest on, in the order it was noted. `ref` names the entry it came from. */
export type Evidence =
  | { ref: string; kind: 'complaint'; complaint: ComplaintId; often?: HowOften }
  | {
      ref: string;
      kind: 'finding';
      check: CheckId;
      result: string;
      sureness: Sureness;
      /** It was made before and this took its place: with the same result as then, or another. */
      again?: 'same' | 'other';
      /** How often it was made, and how often it failed, where it was made several times: not at all for a first result. */
      counts?: Counted;
      /** Pulls of the cord made just before it was looked at, if they were counted. */
      pulls?: number;
      /** Of mixture screws that were counted: the one that is far off, where only one is. */
      screw?: 'L' | 'H';
    }
  | ({ ref: string; kind: 'said-done' } & SaidDone)
  | {
      ref: string;
      kind: 'repair';
      /** Null: something that is not on the list. */
      cause: CauseId | null;
      /** The whole job done, where it was more than the one cause: everything it mends was put right with it. */
      remedy?: RemedyId;
      outcome: RepairOutcome;
    };

/**
 * How much commoner causes are here than the trade says, as factors on their odds: what a shop has learnt. A cause that is not
 * in it is as common as anywhere.
 */
export type Commonness = Partial<Readonly<Record<CauseId, number>>>;

/** Everything the engine reads: live evidence only, with superseded and struck entries already gone. */
export interface Case {
  machine: MachineFacts;
  history: History;
  /** What the shop's closed jobs say of machines like this one; without it, the trade's odds. */
  commonness?: Commonness;
  /** What the times on logs say of minutes at this bench; without it, the trade's. */
  pace?: Pace;
  evidence: readonly Evidence[];
  /** What is off the machine now. */
  off: readonly PartId[];
  /** A standing hazard was knowingly passed: what runs the tool may be proposed all the same. */
  hazardPassed?: boolean;
}

/** A history with what the complaints say of it: whether it does it every time. */
export const withGoing = (history: History, evidence: readonly Evidence[]): History =>
  evidence.some((e) => e.kind === 'complaint' && comesAndGoes(e.often))
    ? { ...history, comesAndGoes: true }
    : history;

/**
 * How often the fault that is looked for shows when it is given the chance, where it does not every time: as it was counted on what
 * is complained of, or said; null where it does it every time, or nobody said.
 */
export function rateIn({ history, evidence }: Pick<Case, 'history' | 'evidence'>): ShowingRate | null {
  const goes = evidence.findLast((e) => e.kind === 'complaint' && comesAndGoes(e.often));
  if (goes?.kind === 'complaint') return rateBefore(goes.often);
  return history.comesAndGoes ? rateBefore({ said: 'now-and-then' }) : null;
}

/** The causes a repair puts right. */
export const rightedBy = ({ cause, remedy }: Extract<Evidence, { kind: 'repair' }>): readonly CauseId[] =>
  cause === null ? [] : causesPutRight(cause, remedy);

/** Whether something a check looks at was put right after a position of the log. */
const putRightSince = (evidence: readonly Evidence[], at: number, check: CheckId): boolean =>
  evidence.slice(at + 1).some((e) => {
    const mended = e.kind === 'repair' ? rightedBy(e) : e.kind === 'finding' ? putRightBy(e.check) : [];
    return mended.some((cause) => causeOf(cause).shows[check]);
  });

/**
 * The evidence with one more piece. A check made again takes the place of the earlier one, unless what it looks at was
 * put right between: then both stand, each for the machine as it was, and the later one is the proof of the repair.
 */
export function takeIn(evidence: readonly Evidence[], e: Evidence): Evidence[] {
  // Said again after a cure, it stands again.
  const since = evidence.findLastIndex((o) => o.kind === 'repair' && o.outcome === 'cured');
  if (
    e.kind === 'complaint' &&
    evidence.slice(since + 1).some((o) => o.kind === 'complaint' && o.complaint === e.complaint)
  )
    return [...evidence];
  // Said again of the same work, the later word counts.
  if (e.kind === 'said-done')
    return [...evidence.filter((o) => o.kind !== 'said-done' || o.work !== e.work), e];
  if (e.kind !== 'finding') return [...evidence, e];
  const at = evidence.findLastIndex((o) => o.kind === 'finding' && o.check === e.check);
  const before = evidence[at];
  if (before?.kind !== 'finding' || putRightSince(evidence, at, e.check)) return [...evidence, e];
  return [
    ...evidence.filter((_, n) => n !== at),
    { ...e, again: before.result === e.result ? 'same' : 'other' },
  ];
}
