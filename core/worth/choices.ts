import { explainsAny, type Likely } from '../diagnosis';
import { causeOf, probabilityOf, type CauseId, type ChoiceId, type ComplaintId } from '../knowledge';
import { isDeep, needsShortBlock, type RepairJob } from './jobs';
import { labourOf, withTax, type Cents } from './money';
import { feeOf, likeOf, quote, type Reckoning } from './quote';
import { ELSE, leftRisk, QUEUE_DAYS, RENEWED_LIFE, RISK, WORN_SEASONS } from './risks';
import { partsFor } from './priceBook';

/** A figure that is open as long as causes are: its mean as a whole number, and between what it lies eight times in ten. */
export interface Range {
  mean: number;
  low: number;
  high: number;
}

/** One way this may go: what is put right, what it costs, what may come of it. */
export interface Course {
  probability: number;
  jobs: readonly RepairJob[];
  leaves: readonly CauseId[];
  price: Cents;
  shopCost: Cents;
  minutes: number;
  days: number;
  /** Chance that it runs right afterwards. */
  right: number;
  seasons: number;
  /** What may bring it back within a season once it runs, and what each costs the owner and the shop. */
  risks: readonly { chance: number; owner: Cents; shop: Cents }[];
}

/** A choice to put to an owner. */
export interface Choice {
  id: ChoiceId;
  price: Range;
  days: Range;
  minutes: number;
  /** What it costs the shop, comebacks of its own work reckoned in. */
  shopCost: Cents;
  right: number;
  /** Chance that it is back within a season, once it left running. */
  back: number;
  /** What comes back is expected to cost the owner. */
  returnCost: Cents;
  seasons: number;
  /** Price and comebacks over the seasons it is expected to give; null where it gives none. */
  perSeason: Cents | null;
  /** What is done, with the chance that it is needed. */
  jobs: readonly { job: RepairJob; chance: number }[];
  /** What stays wrong, with its chance. */
  leaves: readonly { cause: CauseId; chance: number }[];
  courses: readonly Course[];
}

/** What a machine has and may have, and what the account of the work says of it beside that. */
export interface LikelyNow extends Likely {
  /** Work that is done: it is paid for whatever is chosen. */
  done?: readonly RepairJob[];
  /** Chance that what was cured is still there, and has not shown since: it comes back. */
  hidden?: number;
  /** Work to do that no cause stands for: safety parts, and repairs in somebody's own words. */
  toDoBesides?: readonly RepairJob[];
}

/** What choices are worked out from. */
export interface WorthCase extends Reckoning {
  likely: LikelyNow;
  hardUse: boolean;
  /** Null: nobody said. */
  ageYears: number | null;
}

/** Owners may not choose to go without these. */
const NEVER_LEFT: ReadonlySet<CauseId> = new Set(['spark-screen-missing', 'stop-circuit-open']);

/** What of a machine's faults a choice puts right. */
export function putRightBy(
  id: ChoiceId,
  all: readonly CauseId[],
  complaints: readonly ComplaintId[],
): CauseId[] {
  switch (id) {
    case 'bare':
      return all.filter((c) => NEVER_LEFT.has(c) || (!isDeep(c) && explainsAny(c, complaints)));
    case 'mend':
      return all.filter((c) => !isDeep(c));
    case 'top-end':
      return all.filter((c) => !needsShortBlock(c));
    case 'short-block':
      return [...all];
    default:
      return [];
  }
}

/** How likely a fault that is left keeps it from running right: as often as it shows as one of these complaints. */
const inTheWay = (cause: CauseId, complaints: readonly ComplaintId[]): number =>
  Math.max(
    0,
    ...complaints.map((c) => {
      const strength = causeOf(cause).complaints[c];
      return strength === undefined ? 0 : probabilityOf(strength);
    }),
  );

/** Seasons a sound one of this age and use still gives. */
function seasonsLeft({ rules, hardUse, ageYears }: WorthCase): { whole: number; left: number } {
  const whole = hardUse ? rules.seasonsHard : rules.seasonsLight;
  return { whole, left: Math.max(1.5, whole - (ageYears ?? whole / 2)) };
}

/** A choice on a machine that has just these faults. */
export function courseOf(
  id: ChoiceId,
  unseen: readonly CauseId[],
  probability: number,
  w: WorthCase,
): Course {
  const { rules, machine, book, likely } = w;
  const { complaints } = likely;
  const { whole, left } = seasonsLeft(w);
  const none = { probability, jobs: [], shopCost: 0, minutes: 0, risks: [] };
  const { done = [], hidden = 0, toDoBesides = [] } = likely;
  const all = [...new Set([...likely.found, ...unseen])];
  if (id === 'replace') {
    const like = partsFor(book, 'like', machine);
    const price = like.price + (rules.feeCredited ? 0 : feeOf(w));
    return { ...none, leaves: [], price, days: QUEUE_DAYS + like.waitDays, right: 1, seasons: whole };
  }
  if (id === 'parts') return { ...none, leaves: [], price: 0, days: 0, right: 0, seasons: 0 };
  const mended = putRightBy(id, all, complaints);
  const leaves = all.filter((c) => !mended.includes(c));
  const q = quote(mended, w, id === 'as-it-is' ? done : [...done, ...toDoBesides]);
  const known =
    complaints.length === 0 ||
    [...done.flatMap((job) => job.mends), ...mended].some((c) => explainsAny(c, complaints));
  const right = known
    ? q.jobs.reduce((p) => p * (1 - RISK.botched), 1) *
      leaves.reduce((p, c) => p * (1 - inTheWay(c, complaints)), 1)
    : 0;
  const worn = leaves.some(isDeep);
  const life =
    id === 'top-end' || id === 'short-block'
      ? Math.max(left, RENEWED_LIFE[id] * whole)
      : worn
        ? WORN_SEASONS
        : left;
  const like = likeOf(w);
  const risks = [
    ...q.jobs.map((job) => ({
      chance: RISK.renewed,
      owner: 0,
      shop: labourOf(job.minutes, rules.ratePerHour) + partsFor(book, job.id, machine).cost,
    })),
    ...(hidden > 0 ? [{ chance: hidden, owner: 0, shop: labourOf(q.minutes, rules.ratePerHour) }] : []),
    ...leaves.map((c) => ({ chance: leftRisk(c), owner: Math.min(quote([c], w).price, like), shop: 0 })),
    {
      chance: w.hardUse ? RISK.elseHard : RISK.elseLight,
      owner: withTax(labourOf(ELSE.minutes, rules.ratePerHour) + ELSE.parts, rules.taxPermille),
      shop: 0,
    },
  ];
  return {
    probability,
    jobs: q.jobs,
    leaves,
    price: q.price,
    shopCost: q.shopCost,
    minutes: q.minutes,
    days: q.days,
    right,
    seasons: life,
    risks,
  };
}

const meanOf = (courses: readonly Course[], of: (c: Course) => number): number =>
  courses.reduce((sum, c) => sum + c.probability * of(c), 0);

/** Mean of a figure, and what it is at the first and the last tenth of the probability. */
function rangeOf(courses: readonly Course[], of: (c: Course) => number): Range {
  const sorted = courses.toSorted((x, y) => of(x) - of(y));
  const at = (share: number): number => {
    let told = 0;
    for (const c of sorted) {
      told += c.probability;
      if (told >= share - 1e-9) return of(c);
    }
    return of(sorted.at(-1)!);
  };
  const mean = Math.round(meanOf(courses, of));
  // What is rare and dear draws the mean beyond nine tenths: then the range reaches as far.
  return { mean, low: Math.min(at(0.1), mean), high: Math.max(at(0.9), mean) };
}

/** Of each thing in the courses, how likely it is among them. */
function shareOf<T>(
  courses: readonly Course[],
  of: (c: Course) => readonly T[],
  key: (t: T) => string,
): { it: T; chance: number }[] {
  const found = new Map<string, { it: T; chance: number }>();
  for (const c of courses)
    for (const it of of(c)) {
      const known = found.get(key(it));
      if (known) known.chance += c.probability;
      else found.set(key(it), { it, chance: c.probability });
    }
  return [...found.values()].sort((x, y) => y.chance - x.chance);
}

/** What is fainter is not said. */
const FAINT = 0.04;
/** So few seasons are none. */
const NO_SEASONS = 0.25;

/** Price and comebacks over the seasons it gives, in whole cents; null where it gives none. */
export const perSeasonOf = ({
  price,
  returnCost,
  seasons,
}: Pick<Choice, 'price' | 'returnCost' | 'seasons'>): Cents | null =>
  seasons < NO_SEASONS ? null : Math.round((price.mean + returnCost) / seasons);

/** A choice over everything the machine may have. */
export function choiceOf(id: ChoiceId, w: WorthCase): Choice {
  const courses = w.likely.sets.map((s) => courseOf(id, s.causes, s.probability, w));
  const price = rangeOf(courses, (c) => c.price);
  const right = meanOf(courses, (c) => c.right);
  const returning = (c: Course): number => c.risks.reduce((sum, r) => sum + r.chance * r.owner, 0);
  const returnCost = meanOf(courses, (c) => c.right * returning(c));
  const seasons = meanOf(courses, (c) => c.right * c.seasons);
  const back = meanOf(courses, (c) => c.right * (1 - c.risks.reduce((p, r) => p * (1 - r.chance), 1)));
  return {
    id,
    price,
    days: rangeOf(courses, (c) => c.days),
    minutes: meanOf(courses, (c) => c.minutes),
    shopCost: meanOf(
      courses,
      (c) => c.shopCost + c.right * c.risks.reduce((n, r) => n + r.chance * r.shop, 0),
    ),
    right,
    back: right > 0 ? back / right : 0,
    returnCost: Math.round(returnCost),
    seasons,
    perSeason: perSeasonOf({ price, returnCost, seasons }),
    jobs: shareOf(
      courses,
      (c) => c.jobs,
      (job) => `${job.id} ${job.mends.length > 0 ? '' : job.does} ${job.done === true}`,
    ).flatMap(({ it, chance }) => (chance >= FAINT ? [{ job: it, chance }] : [])),
    leaves: shareOf(
      courses,
      (c) => c.leaves,
      (cause) => cause,
    ).flatMap(({ it, chance }) => (chance >= FAINT ? [{ cause: it, chance }] : [])),
    courses,
  };
}
