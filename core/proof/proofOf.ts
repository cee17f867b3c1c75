import { curedAfter, rateOf, showingsFor, type ShowingRate } from '../chance';
import {
  PROOF_RUNS,
  proofRun,
  wouldShow,
  type CauseId,
  type ComplaintId,
  type FailsWhen,
  type HowOften,
  type ProofRun,
  type RunId,
} from '../knowledge';
import { leastRuns, type Demand } from './least';
import { ASKED_WHEN_TUNED, askedBy, COLD_STARTS_WHEN_TUNED } from './touched';

/** A repair that fits what was found has mended it three times in four, before anything is run (trade). */
export const MENDED_BEFORE = 0.75;
/** "Cured" is said from here on. */
export const SURE_ENOUGH = 0.95;
/** A night or a cooling is worth so many bench minutes: the machine is in the way. */
const WAIT_MINUTES = 10;

/** What was complained of, and how often it did it. */
export interface Complained {
  complaint: ComplaintId;
  often?: HowOften | undefined;
}

/** What the proof of a machine has to show. */
export interface ProofCase {
  complaints: readonly Complained[];
  failsWhen?: FailsWhen | undefined;
  /** Causes that were put right. */
  work: readonly CauseId[];
  /** A screw was turned, the carburettor opened, or something done that is not on the list. */
  tuned: boolean;
  /** The tool is held still by a clutch; there is a bulb. */
  clutch: boolean;
  bulb?: boolean;
}

/** A run that is asked for: how many times in all, what of the complaints it shows, and whether the work asks for it. */
export interface AskedRun {
  run: RunId;
  times: number;
  shows: readonly ComplaintId[];
  forWork: boolean;
}

/**
 * How often it did it before it was mended: counted, as x of y; "every time" as four of four, "now and then" as two of eight, and
 * where nothing was said as two of two (trade).
 */
export function rateBefore(often: HowOften | undefined): ShowingRate {
  if (!often) return rateOf(2, 2);
  if ('failed' in often) return rateOf(often.failed, often.of);
  return often.said === 'every-time' ? rateOf(4, 4) : rateOf(2, 8);
}

/** Whether it comes and goes: counted less than every time, or said so. */
export const comesAndGoes = (often: HowOften | undefined): boolean =>
  often !== undefined && ('failed' in often ? often.failed < often.of : often.said === 'now-and-then');

/** How many chances one run gives a complaint to be seen again; 0 where it would not show it. */
export function chancesIn(run: ProofRun, { complaint, often }: Complained, failsWhen?: FailsWhen): number {
  // What comes and goes at no time of its own shows at any start.
  const anyStart =
    run.id === 'warm' &&
    comesAndGoes(often) &&
    (failsWhen ?? 'always') === 'always' &&
    wouldShow(proofRun('cold'), complaint);
  if (!anyStart && !wouldShow(run, complaint, failsWhen)) return 0;
  // Counted in starts or tankfuls, one is one; else a long run has more than one chance in it.
  return comesAndGoes(often) ? 1 : (run.chances ?? 1);
}

/** How many clean showings make a complaint's cure sure enough to say. */
export const showingsWanted = (often: HowOften | undefined): number =>
  showingsFor(rateBefore(often), SURE_ENOUGH, MENDED_BEFORE);

/** How sure it is that a complaint is cured after so many clean showings (0–1). */
export const curedBy = (often: HowOften | undefined, clean: number): number =>
  curedAfter(rateBefore(often), clean, MENDED_BEFORE);

const costOf = ({ minutes, waitHours }: ProofRun): number => minutes + (waitHours ? WAIT_MINUTES : 0);

const fits = ({ needs }: ProofRun, { clutch, bulb = true }: ProofCase): boolean =>
  needs === undefined || (needs === 'clutch' ? clutch : bulb);

/**
 * The shortest list of runs, in bench minutes and waits, that shows every complaint as often as its rate wants and what the work
 * touched: exact. In the order they are made. It always holds a start, and the tool seen still where there is a clutch.
 *
 * @example
 * proofOf({ complaints: [{ complaint: 'cuts-dead' }], failsWhen: 'hot', work: ['coil-failed'], tuned: false, clutch: true });
 */
export function proofOf(c: ProofCase): AskedRun[] {
  const runs = PROOF_RUNS.filter((run) => fits(run, c));
  const asked = new Set<RunId>([
    'warm',
    'tool-still',
    ...askedBy(c.work),
    ...(c.tuned ? ASKED_WHEN_TUNED : []),
  ]);
  const given = new Map<RunId, number>(runs.filter((r) => asked.has(r.id)).map((r) => [r.id, 1]));
  if (c.tuned) given.set('cold', COLD_STARTS_WHEN_TUNED);
  const demands = c.complaints.map((said): Demand => {
    const by = runs.map((run) => [run.id, chancesIn(run, said, c.failsWhen)] as const);
    return { times: showingsWanted(said.often), by: new Map(by.filter(([, n]) => n > 0)) };
  });
  const least = leastRuns(demands, new Map(runs.map((r) => [r.id, costOf(r)])), given);
  return runs.flatMap((run) => {
    const times = least.get(run.id);
    if (times === undefined) return [];
    const shows = c.complaints
      .filter((said) => chancesIn(run, said, c.failsWhen) > 0)
      .map((said) => said.complaint);
    return [{ run: run.id, times, shows, forWork: given.has(run.id) }];
  });
}
