import type { Found } from '@rusty-wren/contract';
import type { Context } from 'hono';
import { wordsIn } from '../cards/card';
import type { Db } from '../db/pool';
import { refuse } from '../http/problem';

/** Longer than this nobody types. */
const MOST_TYPED = 200;
/** So many words are looked for. */
const MOST_WORDS = 8;
/** So many words are taken in the place of one that stands nowhere. */
const MOST_INSTEAD = 4;
/** A shorter word with a slip may be anything. */
const LEAST_LETTERS = 4;
/** The number in a model's name. */
const FEW_FIGURES = /^\d{1,2}$/;
/** Letters that may be wrong: two changed over are two, and one slip. */
const MOST_OFF = 2;
/** By so many letters a word of some length may be too short or too long. */
const lengthOff = (word: string): number => (word.length >= 6 ? 2 : 1);

/** The words a question asks for; null where it asks for none. Throws 400 for more than anybody types. */
export function wordsAsked(c: Context): string | null {
  const words = c.req.query('words') ?? null;
  if (words !== null && words.length > MOST_TYPED)
    throw refuse(400, `words is longer than ${MOST_TYPED} letters.`);
  return words;
}

/**
 * What was typed, as PostgreSQL's text search takes it: each word as a beginning, and one that stands nowhere as the words it may
 * have been meant for. `query`: null where nothing can be found, for nothing was typed or a word is like none.
 */
export async function understood(
  db: Db,
  typed: string,
): Promise<{ query: string | null; words: string[]; instead: Found['instead'] }> {
  const runs = wordsIn([typed.slice(0, MOST_TYPED).replaceAll(/[^\p{L}\p{N}\s]+/gu, ' ')]).slice(
    0,
    MOST_WORDS,
  );
  const instead: Found['instead'] = [];
  const parts: string[] = [];
  for (const [n, word] of runs.entries()) {
    if (n < runs.length - 1 && FEW_FIGURES.test(word)) {
      // Whatever begins with it is half of all numbers; another word follows, so it was typed to its end.
      parts.push(`'${word}'`);
      continue;
    }
    const known = await db.query('SELECT 1 FROM word WHERE word >= $1 AND word < $1 || $2 LIMIT 1', [
      word,
      '\u{10FFFF}',
    ]);
    if (known.rowCount) {
      parts.push(`'${word}':*`);
      continue;
    }
    const took = await nearest(db, word);
    if (took.length === 0) return { query: null, words: runs, instead: [{ word, took }] };
    instead.push({ word, took });
    parts.push(`(${took.map((w) => `'${w}'`).join(' | ')})`);
  }
  return { query: parts.length > 0 ? parts.join(' & ') : null, words: runs, instead };
}

/** The words a slip may have been meant for: by letters changed, with the first one right, else by what they have in common. */
async function nearest(db: Db, word: string): Promise<string[]> {
  if (word.length < LEAST_LETTERS || /[0-9]/.test(word)) return [];
  const { rows } = await db.query<{ word: string; off: number }>(
    `SELECT word, levenshtein_less_equal(word, $1, 3) AS off FROM word
     WHERE word !~ '[0-9]' AND left(word, 1) = left($1, 1) AND length(word) BETWEEN length($1) - $2 AND length($1) + $2
     ORDER BY off, similarity(word, $1) DESC, word LIMIT ${MOST_INSTEAD}`,
    [word, lengthOff(word)],
  );
  const near = rows.filter((r) => r.off <= MOST_OFF);
  const [best] = near;
  if (best) return near.filter((r) => r.off === best.off).map((r) => r.word);
  const like = await db.query<{ word: string }>(
    `SELECT word FROM word WHERE word !~ '[0-9]' AND word % $1 ORDER BY similarity(word, $1) DESC, word LIMIT ${MOST_INSTEAD}`,
    [word],
  );
  return like.rows.map((r) => r.word);
}
