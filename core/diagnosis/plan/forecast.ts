import { chanceFrom, drawFrom, type Chance } from '../../chance';
import { CAUSES, type CheckId, type PartId } from '../../knowledge';
import type { Case } from '../case';
import { causesOf, normalise } from '../hypotheses';
import { asItStood, fillChosen, vainLikelihood } from '../likelihood';
import { ACT_ON, LEAST_NET } from '../parameters';
import type { Posterior } from '../posterior';
import { believing, type Answers, type Belief } from './board';
import { causeToActOn } from './nextCheck';
import { aheadFrom, firstFrom, planningFor, type Planning } from './planning';
import { costOf, offAfter, wholeOrder } from './possible';
import { rate } from './rate';

/** Bench minutes from now to the right repair, over plays of what this machine may have. */
export interface Forecast {
  mean: number;
  /** Nine times in ten it takes no longer. */
  p90: number;
  /** Plays so far. */
  plays: number;
}

/** How the work goes on: by the computed plan, or by an order of checks. */
export type Way = 'computed' | readonly CheckId[];

const MOST_STEPS = 120;
/** A forecast of minutes needs no more: the fainter sets hardly move its mean, and a phone plays it too. */
const PLAYED_SETS = 200;
/** Between reports. */
const BATCH = 5;

interface Course {
  belief: Belief;
  off: ReadonlySet<PartId>;
  made: ReadonlySet<CheckId>;
}

/** Somebody has seen it: from so high a probability on it is mended, as on the bench. */
const AS_GOOD_AS_SEEN = 0.95;

/** The check a way makes next, or null to repair. */
function choose(planning: Planning, way: Way, course: Course): Answers | null {
  const { causes } = course.belief;
  const enough = way === 'computed' ? AS_GOOD_AS_SEEN : ACT_ON;
  if (causes.some((x, i) => i < CAUSES.length && x >= enough)) return null;
  return way === 'computed' ? chooseByPlan(planning, course) : chooseByOrder(planning, way, course);
}

function chooseByOrder(planning: Planning, order: readonly CheckId[], { made }: Course): Answers | null {
  for (const id of wholeOrder(order)) {
    const answers = made.has(id) ? undefined : planning.board.answers.get(id);
    if (answers) return answers;
  }
  return null;
}

/** The check that leads to the fewest minutes; what would come first anyway is made at once, as on the bench. */
function chooseByPlan(planning: Planning, { belief, off, made }: Course): Answers | null {
  const now = aheadFrom(planning, belief, off).minutes;
  const first = firstFrom(planning, belief, off);
  const foremost = first && !first.repair ? planning.routes.by[first.cause]?.id : undefined;
  let best: Answers | null = null;
  let least = now - LEAST_NET;
  for (const answers of planning.board.answers.values()) {
    if (made.has(answers.check.id) || costOf(answers.check, off, planning.routes.at) >= least + now) continue;
    const { through } = rate(planning, belief, answers, off);
    const placed = answers.check.id === foremost ? Math.min(through, now) - 1 : through;
    if (placed >= least) continue;
    least = placed;
    best = answers;
  }
  return best;
}

/** What is believed after a cause was repaired in vain. */
function afterVain(planning: Planning, { weights }: Belief, cause: number, p: Posterior): Belief {
  const { chosen } = planning.board;
  const table = new Float64Array(chosen.length);
  fillChosen(table, asItStood(vainLikelihood([CAUSES[cause]!.id]), p.gone, p.present), chosen);
  const then = weights.map((w, n) => w * table[n]!);
  normalise(then);
  const causes = causesOf(chosen, then);
  // Tried and found not to be it: not tried again.
  causes[cause] = 0;
  return { weights: then, causes };
}

/**
 * Plays this machine on from where it stands, its faults drawn from what is believed now, and reports the bench minutes
 * (checks, opening, closing and needless repairs) until the first right repair. The same seed gives the same plays, so
 * that ways can be compared fairly. Yields after every few plays; returns the last word.
 */
export function* forecast(
  c: Case,
  p: Posterior,
  way: Way,
  { plays, seed }: { plays: number; seed: number },
): Generator<Forecast, Forecast> {
  const planning = planningFor(c, p, { mostSets: PLAYED_SETS });
  const { board } = planning;
  const weights = board.now.weights.slice();
  const none = board.chosen.indexOf(0);
  // Nothing unseen is wrong: the repair is what was seen, and it is known. Else somebody's list is too short.
  if (none >= 0 && !planning.routes.accounted) weights[none] = 0;
  normalise(weights);
  /** The same results lead to the same choice: worked out once. */
  const choices = new Map<string, { course: Course; answers: Answers | null }>();
  const all: number[] = [];
  const report = (): Forecast => {
    const sorted = all.toSorted((x, y) => x - y);
    return {
      mean: all.reduce((a, b) => a + b, 0) / all.length,
      p90: sorted[Math.floor(0.9 * (sorted.length - 1))] ?? NaN,
      plays: all.length,
    };
  };
  for (let n = 0; n < plays; n++) {
    // Evenly spread over what may be wrong, so that few plays tell much.
    const truth = drawFrom(weights, (n + 0.5) / plays);
    all.push(playOn(planning, way, p, truth, chanceFrom(seed + n), choices));
    if (all.length % BATCH === 0 && all.length < plays) yield report();
  }
  return report();
}

function playOn(
  planning: Planning,
  way: Way,
  p: Posterior,
  truth: number,
  chance: Chance,
  choices: Map<string, { course: Course; answers: Answers | null }>,
): number {
  const { board } = planning;
  const { needs, at } = planning.routes;
  const faults = new Set(
    [needs.a[truth]!, needs.b[truth]!, needs.c[truth]!].filter((i) => i < CAUSES.length),
  );
  if (faults.size === 0) return 0;
  let minutes = 0;
  let key = '';
  let course: Course = { belief: board.now, off: planning.off, made: new Set() };
  for (let step = 0; step < MOST_STEPS; step++) {
    let known = choices.get(key);
    if (!known) {
      known = { course, answers: choose(planning, way, course) };
      choices.set(key, known);
    }
    ({ course } = known);
    const { answers } = known;
    if (!answers) {
      const lead = causeToActOn(course.belief.causes, firstFrom(planning, course.belief, course.off), p);
      if (faults.has(lead)) return minutes;
      minutes += at.needless[lead]!;
      key += ` !${lead}`;
      course = { ...course, belief: afterVain(planning, course.belief, lead, p) };
      continue;
    }
    minutes += costOf(answers.check, course.off, at);
    const row = answers.rows.indexOf(truth) + 1;
    const r = drawFrom(
      Float64Array.from(answers.chances, (table) => table[row]!),
      chance(),
    );
    key += ` ${answers.check.id}=${r}`;
    if (choices.has(key)) continue;
    course = {
      belief: believing(board, course.belief, answers, r),
      off: offAfter(answers.check, course.off),
      made: new Set([...course.made, answers.check.id]),
    };
  }
  return minutes;
}
