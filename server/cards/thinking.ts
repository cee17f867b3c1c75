import { parentPort } from 'node:worker_threads';
import { expectedOn, type Thousandths } from '@rusty-wren/core/learning';
import type { AskedOf } from '../learning/learner';
import { forecastOf, glanceAhead, type Case, type Forecast, type Glance } from '@rusty-wren/core/diagnosis';

/** What the thinking thread is asked: what to do next, how long the rest takes, or what the trade expects on a machine. */
export type Asked = { n: number } & (
  | { what: 'glance' | 'forecast'; case: Case }
  | { what: 'expected'; of: AskedOf }
);
export type Answered = { n: number } & (
  | { glance: Pick<Glance, 'lead' | 'next' | 'stop'> }
  | { forecast: Pick<Forecast, 'mean' | 'p90'> }
  | { expected: Thousandths }
  | { failed: string }
);

/** Evenly spread over what may be wrong: the mean of so many lies within a few minutes of that of many more. */
const PLAYS = 40;

/** What was expected is asked of many machines that came in alike. */
const MOST_KEPT = 2000;
const kept = new Map<string, Thousandths>();

function expectedOf({ machine, history, complaints }: AskedOf): Thousandths {
  const key = JSON.stringify([machine, history, complaints]);
  const known = kept.get(key) ?? expectedOn(machine, history, complaints);
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, known);
  return known;
}

function answer(asked: Asked): Answered {
  const { n } = asked;
  if (asked.what === 'expected') return { n, expected: expectedOf(asked.of) };
  const { what, case: c } = asked;
  if (what === 'glance') {
    const { lead, next, stop } = glanceAhead(c);
    return { n, glance: { lead, next, stop } };
  }
  const plays = forecastOf(c, 'computed', { plays: PLAYS, seed: 1 });
  for (;;) {
    const { value, done } = plays.next();
    if (done) return { n, forecast: { mean: value.mean, p90: value.p90 } };
  }
}

parentPort?.on('message', (asked: Asked) => {
  try {
    parentPort?.postMessage(answer(asked));
  } catch (error) {
    parentPort?.postMessage({ n: asked.n, failed: (error as Error).message } satisfies Answered);
  }
});
