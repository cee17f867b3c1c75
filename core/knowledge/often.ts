/** How often it does it, as it is said where nobody counts. */
export const OFTEN_SAID = { 'every-time': 'Every time', 'now-and-then': 'Now and then' } as const;
export type OftenSaid = keyof typeof OFTEN_SAID;
export const OFTEN_SAID_IDS = Object.keys(OFTEN_SAID) as readonly OftenSaid[];
/** At most so many tries are counted. */
export const MOST_COUNTED = 50;

/** Out of how many tries it did it; at least once. */
export interface Counted {
  failed: number;
  of: number;
}
/** How often it does what it is complained of: as it is said, or counted. */
export type HowOften = { said: OftenSaid } | Counted;

/** How often, as it is told: "every time", "1 of 3 times". */
export const oftenWords = (often: HowOften): string =>
  'said' in often ? OFTEN_SAID[often.said].toLowerCase() : `${often.failed} of ${often.of} times`;
