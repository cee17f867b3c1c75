import type { PartId } from '../../knowledge';
import { weightsWith, type Answers, type Belief } from './board';
import { expectedMinutes, type Ahead } from './expectedMinutes';
import { maskOfParts, type Planning } from './planning';
import { costOf, offAfter } from './possible';

/** What one result of a check would leave. */
export interface Prospect {
  /** Position among the check's answers. */
  r: number;
  result: string;
  /** Chance of the result (0–1). */
  chance: number;
  /** What lies ahead from there. */
  ahead: Ahead;
}

/** A check weighed: what it costs, and what it leads to. */
export interface Rated {
  answers: Answers;
  /** Bench minutes: its own, opening, closing, handling, and what it needs put back. */
  cost: number;
  /** Expected minutes from here through this check, its cost counted in. */
  through: number;
  prospects: readonly Prospect[];
}

/** Results rarer than this are not thought of. */
const RARE = 1e-4;

/** What one check leads to from a belief: the expected minutes through it, and each of its prospects. */
export function rate(
  { board, routes }: Planning,
  belief: Belief,
  answers: Answers,
  off: ReadonlySet<PartId>,
): Rated {
  const cost = costOf(answers.check, off, routes.at);
  const offMask = maskOfParts(offAfter(answers.check, off));
  const weights = new Float64Array(board.chosen.length);
  let through = cost;
  const prospects: Prospect[] = [];
  answers.results.forEach((result, r) => {
    const chance = weightsWith(belief, answers, r, weights);
    if (chance < RARE) return;
    const ahead = expectedMinutes(weights, 1 / chance, answers.seen[r]!, offMask, routes);
    through += chance * ahead.minutes;
    prospects.push({ r, result, chance, ahead });
  });
  return { answers, cost, through, prospects };
}

/** Every check of the board, rated by what it alone leads to. */
export const rateAll = (planning: Planning): Rated[] =>
  [...planning.board.answers.values()].map((answers) =>
    rate(planning, planning.board.now, answers, planning.off),
  );
