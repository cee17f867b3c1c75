import { takeIn, type Case, type Evidence } from '../../diagnosis';
import type {
  CauseId,
  CheckId,
  ComplaintId,
  History,
  Outcome,
  PartId,
  PriorWorkId,
  ResultOf,
  SaidDone,
  Sureness,
} from '../../knowledge';
import type { MachineFacts } from '../../machine';

type Line =
  | { complaint: ComplaintId }
  | { check: CheckId; result: string; sureness: Sureness }
  | { repair: CauseId; outcome: Outcome }
  | { told: SaidDone }
  | { off: PartId };

/** What a good technician expects of the engine's answer. Written before the engine is asked. */
export interface Expected {
  /** One of these among the first `n` suspects. */
  within?: readonly { causes: readonly CauseId[]; n: number }[];
  /** These together at least so likely. */
  atLeast?: readonly { causes: readonly CauseId[]; p: number }[];
  atMost?: readonly { cause: CauseId; p: number }[];
  /** One of these among the first `n` checks proposed. */
  next?: { any: readonly CheckId[]; n: number };
  /** None of these among the first `n`. */
  never?: { checks: readonly CheckId[]; n: number };
  /** These stand among what was found. */
  found?: readonly CauseId[];
  /** The reason to stop checking; null: there is none yet. */
  stop?: string | null;
  /** Checks to be made again. */
  repeat?: readonly CheckId[];
  /** Checks whose result is left unexplained. */
  unexplained?: readonly CheckId[];
}

/** One machine on the bench, what is known of it, and what a good technician would make of that. */
export interface BenchCase {
  title: string;
  why: string;
  machine: MachineFacts;
  history?: History;
  log: readonly Line[];
  expect: Expected;
}

/** The owner complains of it. */
export const says = (complaint: ComplaintId): Line => ({ complaint });
/** A check and its result. */
export const see = <C extends CheckId>(check: C, result: ResultOf<C>, sureness: Sureness = 'sure'): Line => ({
  check,
  result,
  sureness,
});
/** Put right, and what came of it. */
export const mend = (repair: CauseId, outcome: Outcome): Line => ({ repair, outcome });
/** Said to have been done to it before it came. */
export const told = (work: PriorWorkId, more: Omit<SaidDone, 'work'> = {}): Line => ({
  told: { work, ...more },
});
/** Taken off, and still off. */
export const off = (part: PartId): Line => ({ off: part });

/** The engine's case of a bench case. */
export function caseOfBench({ machine, history = {}, log }: BenchCase): Case {
  let evidence: Evidence[] = [];
  const parts: PartId[] = [];
  log.forEach((line, i) => {
    const ref = `${i}`;
    if ('off' in line) parts.push(line.off);
    else if ('complaint' in line)
      evidence = takeIn(evidence, { ref, kind: 'complaint', complaint: line.complaint });
    else if ('told' in line) evidence = takeIn(evidence, { ref, kind: 'said-done', ...line.told });
    else if ('repair' in line)
      evidence = takeIn(evidence, { ref, kind: 'repair', cause: line.repair, outcome: line.outcome });
    else evidence = takeIn(evidence, { ref, kind: 'finding', ...line });
  });
  return { machine, history, evidence, off: parts };
}
