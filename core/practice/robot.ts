import type { Case } from '../diagnosis';
import { checkOf, runsIt, SCHOOLS, type CheckId, type SchoolId } from '../knowledge';
import { decide, inOrder, oneAhead, type Policy } from '../proving';
import type { Hidden } from './hidden';
import type { Worked } from './moves';
import { benchFor, type Working } from './work';

/** What is known of the hidden machine, as the diagnosis reads it: as it stands, or as it stood before a step. */
export const caseIn = (
  { machine, history }: Hidden,
  { evidence, off, hazard }: Pick<Worked, 'evidence' | 'off' | 'hazard'>,
): Case => ({
  machine,
  history,
  evidence,
  off,
  // What was put right no longer forbids running it.
  hazardPassed: !hazard,
});

/** Whoever works by a way gives up after so many moves, or repairs in vain. */
const MOST_MOVES = 400;
const MOST_IN_VAIN = 30;

export const WAYS = ['plan', ...SCHOOLS.map((s) => s.id)] as const satisfies readonly ('plan' | SchoolId)[];
export type PracticeWay = (typeof WAYS)[number];

const policyOf = (way: PracticeWay): Policy =>
  way === 'plan' ? oneAhead : inOrder(SCHOOLS.find((s) => s.id === way)!.order);

const isMade = ({ evidence }: Worked, check: CheckId): boolean =>
  evidence.some((e) => e.kind === 'finding' && e.check === check);

/** Makes a check and notes what it shows, as it is. */
function lookAndNote(bench: Working, check: CheckId): boolean {
  bench.take({ do: 'look', check });
  const result = bench.worked.inHand?.result;
  if (!result) return false;
  bench.take({ do: 'note', check, noted: { result, sureness: 'sure' } });
  return true;
}

/**
 * Works a hidden machine by a way, noting everything as it shows, until nothing is complained of any more: the same machine, answers and
 * minutes as a trainee has. It walks round the machine before it first runs it.
 */
export function workBy(way: PracticeWay, hidden: Hidden): Worked {
  const policy = policyOf(way);
  const bench = benchFor(hidden);
  const cannot = new Set<CheckId>();
  let walked = false;
  let inVain = 0;
  const make = (check: CheckId): boolean => {
    if (runsIt(checkOf(check)) && !walked) {
      lookAndNote(bench, 'safety-walkround');
      if (bench.worked.unsafe) bench.take({ do: 'make-safe' });
      walked = true;
    }
    return lookAndNote(bench, check);
  };
  for (let n = 0; n < MOST_MOVES && inVain < MOST_IN_VAIN; n++) {
    const { worked } = bench;
    if (worked.ended || worked.standing.length === 0) break;
    const next = decide(policy, caseIn(hidden, worked), (check) => !cannot.has(check));
    if ('repair' in next) {
      const { cause, remedy } = next.repair;
      bench.take({ do: 'mend', cause, ...(remedy && { remedy }) });
      if (bench.worked.steps.at(-1)?.outcome === 'no-change') inVain++;
      else cannot.clear();
      continue;
    }
    if (make(next.check)) continue;
    // It would not run, or not turn: that is tried, and the check is left.
    cannot.add(next.check);
    const missing = (['pull-feel', 'start-trial'] as const).find((check) => !isMade(worked, check));
    if (missing) make(missing);
  }
  bench.take({ do: 'hand-back' });
  return bench.worked;
}
