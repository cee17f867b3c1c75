import { createEmptyCard, fsrs, Rating, type Card, type Grade as Rated } from 'ts-fsrs';
import { CAUSE_IDS, type CauseId } from '../knowledge';
import type { Grade } from './review';

/** When a cause is to be met again, as it is kept: dates are ms since 1970. */
export type Memory = Omit<Card, 'due' | 'last_review'> & { due: number; last_review?: number };
/** What somebody has practised, by cause. */
export type Memories = Partial<Readonly<Record<CauseId, Memory>>>;

const RATINGS: Readonly<Record<Grade, Rated>> = {
  again: Rating.Again,
  hard: Rating.Hard,
  good: Rating.Good,
  easy: Rating.Easy,
};

/** Whole days: nobody is sent back to the bench in ten minutes. */
const SCHEDULE = fsrs({ enable_fuzz: false, enable_short_term: false });

const cardOf = ({ due, last_review, ...card }: Memory): Card => ({
  ...card,
  due: new Date(due),
  ...(last_review !== undefined && { last_review: new Date(last_review) }),
});

/**
 * What is remembered after an exercise on some causes that went so well: what went badly comes back in a day or two, what went well
 * in weeks. Spaced by the free spaced repetition scheduler (FSRS).
 */
export function remember(memories: Memories, causes: readonly CauseId[], grade: Grade, at: number): Memories {
  const next: Partial<Record<CauseId, Memory>> = { ...memories };
  for (const cause of causes) {
    const before = memories[cause];
    const { card } = SCHEDULE.next(
      before ? cardOf(before) : createEmptyCard(new Date(at)),
      new Date(at),
      RATINGS[grade],
    );
    const { due, last_review, ...rest } = card;
    next[cause] = {
      ...rest,
      due: due.getTime(),
      ...(last_review && { last_review: last_review.getTime() }),
    };
  }
  return next;
}

/** The causes that are to be met again by now, longest due first. */
export const dueAt = (memories: Memories, at: number): CauseId[] =>
  CAUSE_IDS.filter((id) => (memories[id]?.due ?? Infinity) <= at).toSorted(
    (x, y) => memories[x]!.due - memories[y]!.due,
  );
