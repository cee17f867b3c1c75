import { guidedRun, PLAIN, soundOf, standInOf, trackOf, type Screws } from '@rusty-wren/core/engine';
import type { MachineFacts } from '@rusty-wren/core/machine';
import { LiveSpeed, speedsOf, type SpeedReading } from '@rusty-wren/core/sound';
import * as Comlink from 'comlink';

let live: LiveSpeed | null = null;

const STAND_IN_RATE = 16_000;
const SETTLES_S = 5;

const ear = {
  /** The speed along a whole recording. To stop it, end the worker. */
  read: (samples: Float32Array, rate: number, full: number, tell: (share: number) => void): SpeedReading[] =>
    speedsOf(samples, rate, {
      full,
      progress: (share) => {
        tell(share);
        return true;
      },
    }) ?? [],
  /** Begins to listen to sound of `rate` samples a second on a machine of that full speed, rpm. */
  begin: (rate: number, full: number): void => {
    live = new LiveSpeed(rate, full);
  },
  /** More of it; the readings it settles. */
  hear: (samples: Float32Array): SpeedReading[] => live?.push(samples) ?? [],
  /** The guided recording of the engine that stands in for a machine: its sound. */
  standIn: (
    machine: MachineFacts,
    name: string,
    screws: Screws,
    take: number,
  ): { samples: Float32Array; rate: number } => {
    const engine = standInOf(machine, name);
    // It was running before anybody listened.
    engine.run({ ...screws, throttle: 0 }, SETTLES_S);
    const began = engine.state.t;
    const states = guidedRun(engine, screws);
    const { seconds } = trackOf(states);
    const track = states.map(({ t, rpm, fourStroke, charge, running }) => ({
      t: t - began,
      rpm: running ? rpm : 0,
      fourStroke,
      charge,
    }));
    const quiet = { ...PLAIN, noise: { kind: 'hiss' as const, snrDb: 14 } };
    return {
      samples: soundOf([...track, { t: seconds, rpm: 0 }], quiet, STAND_IN_RATE, take),
      rate: STAND_IN_RATE,
    };
  },
};
export type Ear = typeof ear;

Comlink.expose(ear);
