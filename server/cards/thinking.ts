import { parentPort } from 'node:worker_threads';
import { forecastOf, glanceAhead, type Case, type Forecast, type Glance } from '@rusty-wren/core/diagnosis';

/** What the thinking thread is asked: what to do next, or how long the rest takes. */
export interface Asked {
  n: number;
  what: 'glance' | 'forecast';
  case: Case;
}
export type Answered = { n: number } & (
  | { glance: Pick<Glance, 'lead' | 'next' | 'stop'> }
  | { forecast: Pick<Forecast, 'mean' | 'p90'> }
  | { failed: string }
);

/** Evenly spread over what may be wrong: the mean of so many lies within a few minutes of that of many more. */
const PLAYS = 40;

function answer({ n, what, case: c }: Asked): Answered {
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
