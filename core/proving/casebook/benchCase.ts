import { takeIn, withGoing, type Case, type Evidence } from '../../diagnosis';
import type {
  CauseId,
  CheckId,
  ComplaintId,
  Counted,
  History,
  HowOften,
  Outcome,
  PartId,
  PriorWorkId,
  ResultOf,
  SaidDone,
  Sureness,
} from '../../knowledge';
import type { MachineFacts } from '../../machine';

type Line =
  | { complaint: ComplaintId; often?: HowOften }
  | { check: CheckId; result: string; sureness: Sureness; counts?: Counted }
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
export const says = (complaint: ComplaintId, often?: HowOften): Line => ({
  complaint,
  ...(often && { often }),
});
/** A check and its result. */
export const see = <C extends CheckId>(check: C, result: ResultOf<C>, sureness: Sureness = 'sure'): Line => ({
  check,
  result,
  sureness,
});
/** A check made several times: the result, and how often it failed. */
export const seen = <C extends CheckId>(check: C, result: ResultOf<C>, counts: Counted): Line => ({
  check,
  result,
  sureness: 'sure',
  counts,
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
    else if ('complaint' in line) evidence = takeIn(evidence, { ref, kind: 'complaint', ...line });
    else if ('told' in line) evidence = takeIn(evidence, { ref, kind: 'said-done', ...line.told });
    else if ('repair' in line)
      evidence = takeIn(evidence, { ref, kind: 'repair', cause: line.repair, outcome: line.outcome });
    else evidence = takeIn(evidence, { ref, kind: 'finding', ...line });
  });
  return { machine, history: withGoing(history, evidence), evidence, off: parts };
}
