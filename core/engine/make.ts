import type { MachineFacts } from '../machine';
import { BASELINE_SCHOOLS, figuresOf } from '../machine';

/** What a simulated engine is like when everything is right. */
export interface EngineMake {
  /** rpm. */
  idle: number;
  /** Unloaded full speed at the right mixture, rpm. */
  full: number;
  /** Where the clutch bites, rpm; null where there is none. */
  clutch: number | null;
  /** Screw positions at which it is right, turns out from the seat (the idle stop: turns in from the throttle just shut). */
  L: number;
  H: number;
  stop: number;
}

/** Most that one carburettor's right position lies from the baseline, turns. */
const SCATTER_TURNS = 0.375;

/**
 * A sound engine of this machine's class or card. `chance` draws where its own right screw positions lie: what baseline a
 * bench begins from is nothing to it.
 */
export function makeOf(machine: MachineFacts, chance: () => number): EngineMake {
  const { idle, full, clutch, baseL, baseH } = figuresOf({ ...machine, baselineTurns: BASELINE_SCHOOLS[0] });
  const near = (turns: number): number => Math.max(0.5, turns + SCATTER_TURNS * (2 * chance() - 1));
  return { idle, full: (full[0] + full[1]) / 2, clutch, L: near(baseL), H: near(baseH), stop: 1 };
}
