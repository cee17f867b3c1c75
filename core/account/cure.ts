import { whoseCure, type Case, type Credit } from '../diagnosis';
import {
  behindOf,
  causeOf,
  IN_CARBURETTOR,
  remedyMinutes,
  remedyOf,
  swapBackOf,
  type CauseId,
  type SwapBack,
} from '../knowledge';
import { cameRight, type Change, type Picture } from '../log';

/** A change with its share of the credit (0–1), and how likely each cause was there and put right by it, likeliest first. */
export interface CureShare {
  change: Change;
  share: number;
  causes: readonly Credit[];
}

const MATTERS = ['ordered', 'charged', 'behind'] as const;
/** Why it matters which of several it was, what weighs most first: a dear part, what is charged, what is to be looked for behind it. */
export type Matters = (typeof MATTERS)[number];

/** The cheapest thing to put back for a moment that would tell whose cure it was. */
export interface SwapToTell extends SwapBack {
  of: CureShare;
  matters: Matters;
}

/** To stop after a cure, or to open the carburettor all the same: bench minutes, comebacks reckoned in. */
export interface OpenAnyway {
  /** Chance that it comes back with the same, as it is and with the carburettor gone through. */
  back: number;
  backOpened: number;
  stop: number;
  open: number;
}

/** Whose cure it was. */
export interface Cure {
  /** Every change between the last failure and the first good showing, likeliest first. */
  shares: readonly CureShare[];
  /** It came right by itself, or by what nobody noted. */
  byItself: number;
  /** It is not cured, and has not shown it since. */
  hidden: number;
  /** The one it was, as far as anybody can say; null: that is not known. */
  named: CureShare | null;
  /** What it may have been, where that is not known: likeliest first. */
  maybe: readonly CureShare[];
  /** Put back for a moment, this would tell; null where nothing would, or where it does not matter. */
  swap: SwapToTell | null;
  openAnyway: OpenAnyway | null;
}

/** From this share on it is said to be what cured it. */
export const NAMED_FROM = 0.75;
/** From this share on it may have been it. */
export const MAY_BE_FROM = 0.12;
/** What hides oftener than this is not told apart by putting something back once. */
const HIDES_TOO_WELL = 0.35;
/** Finding it again, mending and proving it once more, and what the owner thinks of it, in bench minutes (trade). */
const COMEBACK_MINUTES = 60;
/** Causes that would do damage, if it were them and the old thing went back. */
const HARMFUL: ReadonlySet<CauseId> = new Set([
  'no-oil-in-fuel',
  'high-screw-lean',
  'low-screw-lean',
  'intake-leak',
]);
/** Of a job that mends several, one part back tells little unless it is most of its share. */
const MOST_OF_IT = 0.8;

/** Whether a fault that rests on these entries was seen: on something else than its own repair. */
export function seenOn({ repairs }: Pick<Picture, 'repairs'>): (refs: readonly string[]) => boolean {
  const own = new Set(repairs.map((r) => r.entryId));
  return (refs) => refs.some((ref) => !own.has(ref));
}

const isSeen = (cause: CauseId, picture: Picture): boolean => {
  const seen = seenOn(picture);
  return picture.found.some((f) => f.cause === cause && seen(f.refs));
};

/** Why it matters whether this was the cure; null where it does not. */
function mattersOf({ change, causes }: CureShare, picture: Picture): Matters | null {
  const open = causes.filter((c) => c.share >= MAY_BE_FROM);
  if (open.some(({ cause }) => causeOf(cause).dear)) return 'ordered';
  // What was seen to be wrong is charged for whatever cured it.
  if (change.meant && open.some(({ cause }) => !isSeen(cause, picture))) return 'charged';
  const unanswered = ({ cause }: Credit): boolean =>
    behindOf(cause).some((b) => !picture.behindAnswers.has(b) && !picture.cleared.includes(b));
  return open.some(unanswered) ? 'behind' : null;
}

/** Whether the old fuel was seen to have oil in it: else none of it goes back. */
const hasOil = ({ findings }: Picture): boolean =>
  findings.some((f) => f.check === 'fuel-look' && (f.result === 'clear-dyed' || f.result === 'dark-dyed'));

/** How to put a change back for a moment; null where that cannot be done, or would harm. */
function swapOf({ causes, share, change }: CureShare, picture: Picture): SwapBack | null {
  const [first] = causes;
  if (!first || !change.meant || change.swappedBack !== undefined) return null;
  if (causes.some((c) => HARMFUL.has(c.cause))) return null;
  if (causeOf(first.cause).sits === 'fuel' && !hasOil(picture)) return null;
  const swap = swapBackOf(first.cause);
  const told = causes.filter((c) => swapBackOf(c.cause) === swap).reduce((n, c) => n + c.share, 0);
  return told < MOST_OF_IT * share ? null : swap;
}

/** The swap-back that tells most for its minutes: whichever way it turns out, one of them is it. */
function swapToTell(maybe: readonly CureShare[], picture: Picture): SwapToTell | null {
  const reasons = maybe.map((m) => mattersOf(m, picture));
  const matters = MATTERS.find((m) => reasons.includes(m));
  if (maybe.length < 2 || !matters) return null;
  const tells = (of: CureShare): number => {
    const others = Math.max(...maybe.filter((m) => m !== of).map((m) => m.share));
    return of.share + (others / Math.max(1e-9, 1 - of.share) >= NAMED_FROM ? 1 - of.share : 0);
  };
  const [best] = maybe
    .flatMap((of) => {
      const swap = swapOf(of, picture);
      return swap ? [{ of, matters, ...swap }] : [];
    })
    .sort((x, y) => tells(y.of) / y.minutes - tells(x.of) / x.minutes);
  return best ?? null;
}

const REBUILD = remedyOf('carburettor-rebuild');

/** Whether the carburettor was gone through already. */
const wasOpened = ({ repairs, order, trail }: Picture): boolean =>
  repairs.some((r) => 'cause' in r && (r.remedy === REBUILD.id || IN_CARBURETTOR.has(r.cause))) ||
  trail.some(({ entry: e }) => order.has(e.id) && e.kind === 'took-off' && 'layer' in e.body);

function openAnywayOf(picture: Picture, hidden: number, left: readonly Credit[]): OpenAnyway | null {
  const inCarburettor = left.filter((c) => IN_CARBURETTOR.has(c.cause)).reduce((n, c) => n + c.share, 0);
  if (inCarburettor === 0 || wasOpened(picture)) return null;
  const backOpened = Math.max(0, hidden - inCarburettor);
  return {
    back: hidden,
    backOpened,
    stop: hidden * COMEBACK_MINUTES,
    open: remedyMinutes(REBUILD) + backOpened * COMEBACK_MINUTES,
  };
}

/**
 * Whose cure it was: everything that was changed between the last failure and the first good showing, with its share by the engine.
 * Null while nothing is cured.
 *
 * @example cureOf(picture, caseOf(picture))?.named?.change.says // 'Fit a new plug'
 */
export function cureOf(picture: Picture, c: Case): Cure | null {
  const right = cameRight(picture);
  if (!right) return null;
  const { changes, hides } = right;
  const { shares, byItself, hidden, left } = whoseCure(c, changes, { hides });
  // Two that were both at work had both a part in it: of the credit, each has its share.
  const whole = Math.max(1, shares.reduce((sum, s) => sum + s.share, 0) + byItself + hidden);
  const told = changes
    .map((change, n): CureShare => ({ change, causes: shares[n]!.causes, share: shares[n]!.share / whole }))
    .sort((x, y) => y.share - x.share);
  const named = told.find((s) => s.share >= NAMED_FROM) ?? null;
  const maybe = named ? [] : told.filter((s) => s.share >= MAY_BE_FROM);
  return {
    shares: told,
    byItself,
    hidden,
    named,
    maybe,
    // Gone home, there is nothing to put back in.
    swap: hides > HIDES_TOO_WELL || picture.stage === 'closed' ? null : swapToTell(maybe, picture),
    openAnyway: openAnywayOf(picture, hidden, left),
  };
}

/** Whether a piece of work is one of several things that may have been the cure, or was not it: there is another. */
export const isOneOfSeveral = ({ named, maybe }: Pick<Cure, 'named' | 'maybe'>, entryId: string): boolean => {
  const isIt = (s: CureShare): boolean => s.change.refs.includes(entryId);
  return named ? !isIt(named) : maybe.some((m) => !isIt(m));
};
