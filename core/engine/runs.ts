import type { Controls, EngineState, SimulatedEngine } from './engine';

export type Screws = Pick<Controls, 'L' | 'H' | 'stop'>;

/** The guided recording, s: idle, throttle snapped open and held, let go, idle again. */
export const GUIDED_S = { idle: 10, hold: 4, after: 8 };

const MOST_PULLS = 6;

/** The guided recording as a simulated engine makes it, every 20 ms. */
export function guidedRun(engine: SimulatedEngine, screws: Screws, guided = GUIDED_S): EngineState[] {
  const controls = { ...screws, load: 0 };
  const idle = engine.run({ ...controls, throttle: 0 }, guided.idle);
  // One that died at idle is pulled again and kept alive on the throttle.
  for (let i = 0; i < MOST_PULLS && !engine.pull({ ...controls, throttle: 0.15 }); i++);
  return [
    ...idle,
    ...engine.run({ ...controls, throttle: 1 }, guided.hold),
    ...engine.run({ ...controls, throttle: 0 }, guided.after),
  ];
}
