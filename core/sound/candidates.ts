/** Engine speeds looked for, rpm. */
export const LOWEST_RPM = 1500;
export const HIGHEST_RPM = 15_000;
/** Candidates to an octave, so that twice a candidate is a candidate too. */
export const OCTAVE = 70;
/** Natural log of one step. */
export const STEP = Math.LN2 / OCTAVE;

/** Turns a second of each candidate, lowest first, one per cent apart. */
export const CANDIDATES: Float64Array = Float64Array.from(
  { length: Math.ceil(Math.log(HIGHEST_RPM / LOWEST_RPM) / STEP) + 1 },
  (_, i) => (LOWEST_RPM / 60) * Math.exp(i * STEP),
);
