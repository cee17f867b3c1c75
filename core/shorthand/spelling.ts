import { distance } from 'fastest-levenshtein';

/** Letters that may be wrong in a word of this length before it is another word. */
const slips = (length: number): number => (length < 4 ? 0 : length < 7 ? 1 : 2);

const letters = (word: string): string => [...word].sort().join('');

/** Whether one word may be the other with a slip of the hand: a letter or two wrong, or two changed about. */
const near = (word: string, other: string): number => {
  const off = distance(word, other);
  if (off <= slips(Math.max(word.length, other.length))) return off;
  return off === 2 && word.length > 3 && letters(word) === letters(other) ? 1.5 : Infinity;
};

/** What the nearest of these words stand for, each once; empty when none is near. More than one: it is not clear. */
export function nearest<T>(word: string, vocabulary: Iterable<readonly [string, T]>): T[] {
  let least = Infinity;
  let found = new Set<T>();
  for (const [known, means] of vocabulary) {
    const off = near(word, known);
    if (off > least || off === Infinity) continue;
    if (off < least) found = new Set();
    least = off;
    found.add(means);
  }
  return [...found];
}
