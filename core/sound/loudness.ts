/** Seconds a frame's loudness is taken over. */
const OVER_S = 0.06;

/** Power of the sound around sample `centre`. */
export function powerAt(samples: Float32Array, centre: number, rate: number): number {
  const half = Math.round((OVER_S * rate) / 2);
  const from = Math.max(0, Math.round(centre) - half);
  const to = Math.min(samples.length, Math.round(centre) + half);
  let sum = 0;
  for (let i = from; i < to; i++) sum += samples[i]! * samples[i]!;
  return sum / Math.max(1, to - from);
}

/** How many decibels `power` lies under `loudest`. */
export const decibelsUnder = (power: number, loudest: number): number =>
  loudest > 0 ? -10 * Math.log10(Math.max(1e-9, power / loudest)) : 0;
