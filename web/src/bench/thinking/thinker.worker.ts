import { forecastOf, looksAhead } from '@rusty-wren/core/diagnosis';
import type { Case, Forecast, NextCheck, Progress, Way } from '@rusty-wren/core/diagnosis';
import type { CheckId } from '@rusty-wren/core/knowledge';
import {
  helpsOf,
  planOf,
  promisesOf,
  readyNineInTen,
  type DayPlan,
  type Help,
  type IfOrdered,
  type Promised,
  type Slot,
  type Work,
} from '@rusty-wren/core/schedule';
import { oneMoreCheck, type OneMore, type WorthAsked } from '@rusty-wren/core/worth';
import * as Comlink from 'comlink';

/** Lets a message in between two steps of long work, so that it can be told to stop. */
const breathe = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

let stopped = new Set<string>();

/** Told more often than this, the page would do nothing but draw, ms. */
const TELL_EVERY = 250;

/** Runs stepwise work to its end, telling the first step and how far it is now and then; null when it was told to stop. */
async function walk<S, R>(task: string, steps: Generator<S, R>, tell: (step: S) => void): Promise<R | null> {
  stopped.delete(task);
  let told = -Infinity;
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - told >= TELL_EVERY) {
      told = performance.now();
      tell(step.value);
    }
    await breathe();
    if (stopped.has(task)) return null;
  }
}

const thinker = {
  /** The plan looking two checks ahead; null when stopped. */
  ahead: (task: string, c: Case, tell: (progress: Progress) => void): Promise<NextCheck[] | null> =>
    walk(task, looksAhead(c), tell),
  /** Minutes from here under a way of working; null when stopped. */
  forecast: (
    task: string,
    c: Case,
    way: Way,
    options: { plays: number; seed: number },
    tell: (forecast: Forecast) => void,
  ): Promise<Forecast | null> => walk(task, forecastOf(c, way, options), tell),
  /** Checks that could change which choice is best for the owner, by what each is expected to save. */
  oneMore: (c: Case, asked: Omit<WorthAsked, 'likely'>, checks: readonly CheckId[]): OneMore[] =>
    oneMoreCheck(c, asked, checks),
  /** The plan of some work, better and better; null when stopped. */
  plan: (
    task: string,
    work: Work,
    before: readonly Slot[],
    tell: (plan: DayPlan) => void,
  ): Promise<DayPlan | null> => walk(task, planOf(work, { before }), tell),
  /** How each promise stands by a plan, and when a machine that comes in now is ready nine times in ten. */
  promises: (work: Work, slots: readonly Slot[]): { promises: Promised[]; newcomer: number } => ({
    promises: promisesOf(work, slots),
    newcomer: readyNineInTen(work, slots),
  }),
  /** What would help the promises that may break. */
  helps: (
    work: Work,
    slots: readonly Slot[],
    promises: readonly Promised[],
    ifOrdered: readonly IfOrdered[],
  ): Help[] => helpsOf(work, slots, promises, { ifOrdered }),
  /** Stops a task at its next step. */
  stop: (task: string): void => {
    stopped = new Set([...stopped, task]);
  },
};
export type Thinker = typeof thinker;

Comlink.expose(thinker);
