import { chanceFrom } from '@rusty-wren/core/chance';
import {
  computedPlan,
  drawMachine,
  inOrder,
  leadWhenJittered,
  oneAhead,
  play,
  type Played,
  type Policy,
} from '@rusty-wren/core/proving';
import { SCHOOLS, type CheckId, type ComplaintId } from '@rusty-wren/core/knowledge';
import { type Case } from '@rusty-wren/core/diagnosis';
import { parentPort, workerData } from 'node:worker_threads';

/** Every policy on the bench, the engine's own first. */
export const POLICIES: readonly (readonly [name: string, policy: Policy])[] = [
  ['computed, two ahead', computedPlan],
  ['computed, one ahead', oneAhead],
  ...SCHOOLS.map((s) => [s.name, inOrder(s.order)] as const),
];

/** Which machines a worker plays, under which policy. */
export interface Share {
  policy: number;
  from: number;
  to: number;
}

/** One machine played, and whether what leads at its first settlement does so when the knowledge is jittered. */
export type Outcome = Played & {
  keptLead: boolean;
  /** The first check made. */
  first: CheckId | null;
  complaints: readonly ComplaintId[];
};

const SEED = 2026;
const JITTER = 1.5;

/** Plays a share of the machines: the same machine has the same number in every share. */
function playShare({ policy, from, to }: Share): Outcome[] {
  const chosen = POLICIES[policy]?.[1];
  if (!chosen) throw new Error(`no policy ${policy}`);
  const outcomes: Outcome[] = [];
  for (let n = from; n < to; n++) {
    const machine = drawMachine(chanceFrom(SEED + n));
    let settled: Case | null = null;
    let first: CheckId | null = null;
    const played = play(machine, chosen, chanceFrom(10_000_000 + n), {
      atSettling: (c) => (settled = c),
      atCheck: (check, nth) => {
        if (nth === 0) first = check;
      },
    });
    const keptLead =
      policy > 1 ||
      settled === null ||
      leadWhenJittered(settled, chanceFrom(n), JITTER) === leadWhenJittered(settled, chanceFrom(n), 1);
    outcomes.push({ ...played, keptLead, first, complaints: machine.complaints });
  }
  return outcomes;
}

parentPort?.postMessage(playShare(workerData as Share));
