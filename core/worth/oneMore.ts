import { likelyIn, mayResult, minutesIn, type Case } from '../diagnosis';
import { checkOf, type CheckId, type ChoiceId } from '../knowledge';
import { labourOf, type Cents } from './money';
import { worthOf, type Worth, type WorthAsked } from './worth';
import { choiceOf, type Choice } from './choices';

/** A check that could change which choice is best, before a price is named. */
export interface OneMore {
  check: CheckId;
  minutes: number;
  /** What it is expected to save the owner, its own bench time taken off. */
  saves: Cents;
  /** Results after which another choice is best, with their chance. */
  changes: readonly { result: string; chance: number; best: ChoiceId }[];
}

/** So little saved is not worth a word. */
const LEAST_SAVED: Cents = 5_00;

/** What a choice made before a check costs more than the best one after it, over the seasons that one gives: at most all of it. */
function regret(made: Choice, after: Worth): Cents {
  const best = after.choices.find((c) => c.id === after.best);
  if (!best || best.id === made.id || best.perSeason === null) return 0;
  const lost = made.price.mean + made.returnCost;
  return made.perSeason === null
    ? lost
    : Math.min(lost, Math.max(0, made.perSeason - best.perSeason) * best.seasons);
}

/**
 * The value of information of checks, in money: by each result a check may give, what the choice that is best now would cost
 * more than the one that is best then, over the seasons it gives. The best first; those that save nothing are left out.
 * `checks`: those that can be made as the machine stands.
 */
export function oneMoreCheck(
  c: Case,
  asked: Omit<WorthAsked, 'likely'>,
  checks: readonly CheckId[],
): OneMore[] {
  const now = worthOf({ ...asked, likely: likelyIn(c) });
  const may = mayResult(c);
  const minutesOf = minutesIn(c);
  const made = new Set(c.evidence.flatMap((e) => (e.kind === 'finding' ? [e.check] : [])));
  return checks
    .filter((check) => !made.has(check))
    .map((check): OneMore => {
      const results = may(check).filter((r) => r.chance > 0.01);
      const minutes = minutesOf(checkOf(check));
      const after = results.map((r) => {
        const then = { ...asked, likely: likelyIn(r.then) };
        return { ...r, worth: worthOf(then), made: choiceOf(now.best, then) };
      });
      const gained = after.reduce((sum, { chance, worth, made }) => sum + chance * regret(made, worth), 0);
      return {
        check,
        minutes,
        saves: Math.round(gained) - labourOf(minutes, asked.rules.ratePerHour),
        changes: after.flatMap(({ result, chance, worth }) =>
          worth.best === now.best ? [] : [{ result, chance, best: worth.best }],
        ),
      };
    })
    .filter((o) => o.saves >= LEAST_SAVED && o.changes.length > 0)
    .sort((x, y) => y.saves - x.saves);
}
