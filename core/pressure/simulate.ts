import { chanceFrom, normalFrom } from '../chance';
import { fromKpa, type PressureUnit } from '../units';
import { rateThrough } from './leak';
import type { Trace } from './trace';

/** A gauge watched in the imagination, for stand-ins and proofs. */
export interface Imagined {
  startKpa: number;
  /** ml/s a kPa. */
  leak: number;
  volumeMl: number;
  seconds: number;
  /** Readings a second. */
  hz: number;
  unit: PressureUnit;
  /** Standard deviation of the gauge, and the step it is read to, in `unit`. */
  noise: number;
  step: number;
  /** Share of the pressure lost while the first second settles. */
  settles?: number;
  /** A knock on the bench at this second. */
  bumpedAt?: number;
  seed: number;
}

/** The trace such a test would give. The same seed gives the same trace. */
export function imagineTrace(i: Imagined): Trace {
  const normal = normalFrom(chanceFrom(i.seed));
  const rate = rateThrough(i.leak, i.volumeMl);
  const points = Array.from({ length: Math.floor(i.seconds * i.hz) + 1 }, (_, n) => {
    const t = n / i.hz;
    const settling = (i.settles ?? 0) * Math.exp(-t / 0.25);
    const bump = i.bumpedAt !== undefined && Math.abs(t - i.bumpedAt) < 1.5 ? 0.25 : 0;
    const kpa = i.startKpa * (Math.exp(-rate * t) + settling + bump);
    const read = fromKpa(kpa, i.unit) + i.noise * normal();
    const shown = i.step > 0 ? Math.round(read / i.step) * i.step : read;
    return [Math.round(t * 100) / 100, Math.max(0, Math.round(shown * 1e4) / 1e4)] as const;
  });
  return { unit: i.unit, points, volumeMl: i.volumeMl, simulated: true };
}
