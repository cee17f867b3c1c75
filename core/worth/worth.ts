import { causeOf, CHOICE_IDS, CHOICE_NAMES, type CauseId, type ChoiceId } from '../knowledge';
import { choiceOf, perSeasonOf, type Choice, type WorthCase } from './choices';
import { isDeep, needsShortBlock } from './jobs';
import type { Cents } from './money';
import { likeOf } from './quote';

/** The shop's rules, by what they say. */
export type RuleId =
  | 'squeeze-floor'
  | 'price-share'
  | 'price-share-hard'
  | 'cause-unfound'
  | 'rod-loose'
  | 'nothing-left-out'
  | 'would-not-run'
  | 'no-damage'
  | 'all-is-mend'
  | 'far-from-new'
  | 'least-a-season'
  | 'nothing-pays'
  | 'all-done'
  | 'unsafe'
  | 'by-hand';

/** What a verdict rests on. */
export interface Ruled {
  rule: RuleId;
  says: string;
}

export interface OfferedChoice extends Choice {
  /** The technician has changed it. */
  byHand: boolean;
  words?: string;
  /** Why it is advised against. */
  against: Ruled | null;
}

/** What to put to the owner, and what the shop would take. */
export interface Worth {
  choices: readonly OfferedChoice[];
  best: ChoiceId;
  because: Ruled;
  /** Nothing is spent before the owner has spoken. */
  askFirst: Ruled | null;
  notOffered: readonly ({ id: ChoiceId } & Ruled)[];
  /** All that is to be done is done: there is a price, and nothing to choose. */
  finished: boolean;
  /** What a like machine costs new, tax in. */
  like: Cents;
}

/** What is decided besides the faults. */
export interface WorthAsked extends WorthCase {
  /** The squeeze as it was judged last, psi at sea level. */
  squeezePsi: number | null;
  /** What may stand behind the damage and has no answer yet. */
  behindOpen: readonly CauseId[];
  /** Choices as the technician would have them. */
  set?: ReadonlyMap<ChoiceId, ChoiceSet>;
}

/** What a technician changed of a choice. */
export interface ChoiceSet {
  price?: Cents;
  days?: number;
  offered?: false;
  words?: string;
}

/** From this chance on a choice is worth laying on the counter. */
const LIKELY = 0.5;
/** A new one is no question as long as mending stays under this share of it. */
const FAR_FROM_NEW = 1 / 3;
/** So little left out is nothing: its chance, and what it saves as a share of mending all of it. */
const LEFT_OUT = 0.25;
const SAVES = 0.25;
/** Under this chance nobody says that it would run. */
const RUNS = 0.3;

const chanceOf = ({ likely }: WorthCase, is: (cause: CauseId) => boolean): number =>
  likely.found.some(is)
    ? 1
    : likely.sets.reduce((sum, s) => sum + (s.causes.some(is) ? s.probability : 0), 0);

const names = (causes: readonly CauseId[]): string =>
  causes.map((c) => causeOf(c).name.toLowerCase()).join(', ');

/** The damage has a cause that nobody has found: mended over it, it comes back. */
const unfound = ({ behindOpen }: WorthAsked): Ruled | null =>
  behindOpen.length > 0
    ? { rule: 'cause-unfound', says: `Not before what caused it is found: ${names(behindOpen)}.` }
    : null;

/** Why a choice makes no sense here; null where it does. */
function notOffered(
  id: ChoiceId,
  w: WorthAsked,
  choice: Choice,
  all: ReadonlyMap<ChoiceId, Choice>,
): Ruled | null {
  const rod = chanceOf(w, needsShortBlock) >= LIKELY;
  const top = chanceOf(w, (c) => isDeep(c) && !needsShortBlock(c)) >= LIKELY;
  const deepFound = w.likely.found.some(isDeep);
  switch (id) {
    case 'bare': {
      if (rod) return { rule: 'rod-loose', says: 'The rod is loose: run on, it comes apart.' };
      const left = choice.leaves.reduce((sum, l) => sum + l.chance, 0);
      const whole = all.get(top ? 'top-end' : 'mend')!;
      const saved = whole.price.mean - choice.price.mean;
      if (left < LEFT_OUT || saved < SAVES * whole.price.mean)
        return { rule: 'nothing-left-out', says: 'There is nothing it would leave out.' };
      if (choice.right < RUNS)
        return { rule: 'would-not-run', says: 'It would hardly run with what is left in it.' };
      return null;
    }
    case 'mend':
      if (deepFound)
        return {
          rule: 'all-is-mend',
          says: rod ? 'What was found takes a short block.' : 'What was found takes a top end.',
        };
      if (w.likely.found.length === 0 && choice.jobs.length === 0)
        return { rule: 'nothing-pays', says: 'Nothing was found that could be mended.' };
      return null;
    case 'top-end':
      if (!top) return { rule: 'no-damage', says: 'Piston, ring and cylinder are not what is wrong.' };
      if (rod) return { rule: 'rod-loose', says: 'No top end over a loose rod.' };
      return unfound(w);
    case 'short-block':
      if (!rod) return { rule: 'no-damage', says: 'Rod and bearings are not what is wrong.' };
      return unfound(w);
    case 'replace':
    case 'parts': {
      const dearest = Math.max(
        ...(['mend', 'top-end', 'short-block'] as const).flatMap((o) => {
          const c = all.get(o)!;
          return c.jobs.length > 0 && notOffered(o, w, c, all) === null ? [c.price.high] : [];
        }),
        top || rod ? Infinity : 0,
      );
      return dearest < FAR_FROM_NEW * likeOf(w)
        ? { rule: 'far-from-new', says: 'Mending it is under a third of a like one.' }
        : null;
    }
    case 'as-it-is':
      return null;
  }
}

function against(choice: Choice, w: WorthAsked): Ruled | null {
  const broken = (w.likely.toDoBesides ?? []).some((job) => job.id === 'safety-part');
  // Nobody is sent home with it as what the bench would take.
  if (choice.id === 'as-it-is' && broken) return { rule: 'unsafe', says: 'It would go home unsafe to use.' };
  if (choice.id === 'as-it-is' || choice.id === 'replace' || choice.id === 'parts') return null;
  const { rules, hardUse } = w;
  const share = hardUse ? rules.mostShareHard : rules.mostShare;
  if (choice.price.mean <= (likeOf(w) * share) / 100) return null;
  return hardUse
    ? { rule: 'price-share-hard', says: `Over ${share} % of a like one, and it is used hard.` }
    : { rule: 'price-share', says: `Over ${share} % of what a like one costs.` };
}

/** A choice with what the technician changed of it. */
function withSet(choice: Choice, set: ChoiceSet | undefined): Omit<OfferedChoice, 'against'> {
  if (!set) return { ...choice, byHand: false };
  const only = (value: number) => ({ mean: value, low: value, high: value });
  const price = set.price === undefined ? choice.price : only(set.price);
  return {
    ...choice,
    byHand: true,
    price,
    days: set.days === undefined ? choice.days : only(set.days),
    perSeason: perSeasonOf({ ...choice, price }),
    ...(set.words && { words: set.words }),
  };
}

/** Whether something was put right and nothing is left to do or to find. */
const isFinished = ({ found, sets, done = [], toDoBesides = [] }: WorthCase['likely']): boolean =>
  done.length > 0 && found.length + toDoBesides.length === 0 && sets.every((s) => s.causes.length === 0);

/** Of those the rules leave, the one that costs least a season; a new one where none is left. */
function bestOf(choices: readonly OfferedChoice[]): Pick<Worth, 'best' | 'because'> {
  const fit = choices
    .filter((c) => c.perSeason !== null && c.right >= LIKELY)
    .toSorted((x, y) => x.perSeason! - y.perSeason!);
  const best = fit.find((c) => !c.against);
  const [cheapest] = fit;
  const dear = cheapest?.against
    ? {
        rule: cheapest.against.rule,
        says: `${CHOICE_NAMES[cheapest.id]} is out: ${cheapest.against.says.charAt(0).toLowerCase()}${cheapest.against.says.slice(1)}`,
      }
    : null;
  if (best)
    return {
      best: best.id,
      because: dear ?? { rule: 'least-a-season', says: 'It costs least for each season it gives.' },
    };
  const asItIs = choices.find((c) => c.id === 'as-it-is');
  const other = choices.find((c) => c.id !== 'as-it-is' && c.id !== 'parts');
  return {
    best: choices.some((c) => c.id === 'replace')
      ? 'replace'
      : asItIs?.against && other
        ? other.id
        : 'as-it-is',
    because: dear ?? { rule: 'nothing-pays', says: 'What is wrong is not known well enough yet.' },
  };
}

/**
 * The choices to put to an owner, with what each costs, gives and risks by what is found and believed of the machine, and the
 * one the shop's rules would take. Prices are whole cents with tax. Pure.
 */
export function worthOf(w: WorthAsked): Worth {
  const all = new Map(CHOICE_IDS.map((id) => [id, choiceOf(id, w)] as const));
  const finished = isFinished(w.likely);
  const why = (id: ChoiceId): Ruled | null => {
    const set = w.set?.get(id);
    if (finished && id !== 'mend') return { rule: 'all-done', says: 'What was wrong is put right.' };
    if (finished) return null;
    if (set?.offered === false) return { rule: 'by-hand', says: set.words ?? 'Taken out by the technician.' };
    // What somebody has set a price to is on the counter, whatever the rules say.
    return set?.price === undefined ? notOffered(id, w, all.get(id)!, all) : null;
  };
  const said = CHOICE_IDS.map((id) => ({ id, why: why(id) }));
  const choices = said.flatMap(({ id, why: not }): OfferedChoice[] => {
    const choice = withSet(all.get(id)!, w.set?.get(id));
    return not ? [] : [{ ...choice, against: against(choice, w) }];
  });
  const { squeezePsi, rules } = w;
  return {
    choices,
    ...(finished
      ? { best: 'mend' as const, because: { rule: 'all-done' as const, says: 'All of it is done.' } }
      : bestOf(choices)),
    finished,
    askFirst:
      !finished && squeezePsi !== null && squeezePsi < rules.floorPsi
        ? {
            rule: 'squeeze-floor',
            says: `Squeeze is ${Math.round(squeezePsi)} psi, under ${rules.floorPsi}: nothing is spent before the owner has spoken.`,
          }
        : null,
    notOffered: said.flatMap(({ id, why: not }) => (not ? [{ id, ...not }] : [])),
    like: likeOf(w),
  };
}
