/** How strongly one thing shows as another, in words a technician can dispute. */
export const STRENGTHS = {
  'almost-always': 0.93,
  usually: 0.75,
  often: 0.5,
  sometimes: 0.25,
  rarely: 0.07,
  'hardly-ever': 0.015,
} as const;
export type Strength = keyof typeof STRENGTHS;

/** Probability (0–1) that a strength word stands for. */
export const probabilityOf = (word: Strength): number => STRENGTHS[word];
