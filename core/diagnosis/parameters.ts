import type { CheckNature, Outcome, SaidBy, SaidEffect, Sureness } from '../knowledge';

/**
 * Every figure of the model that is not the trade's own word (`knowledge`), with where it comes from and what it moves.
 * "Trade" is experience in round figures; "played" was found by playing drawn machines; "casebook" by bench cases.
 */

// --- Before anything is looked at -------------------------------------------------------------------------------

/** Extra faults a machine carries besides the one it came in for, on average (trade). Higher: more sets of two and three. */
export const EXTRA_FAULTS = 0.55;
/** How often an owner mentions a behaviour the machine shows (trade). Higher: what nobody spoke of counts more against. */
export const MENTION_RATE = 0.45;
/** Weight of "none of these" against the listed causes: a machine on the bench has a fault (trade). */
export const NONE_OF_THESE = 0.08;
/** Behaviours that turn up with no fault the list knows. */
export const COMPLAINT_LEAK = 0.003;
/** A chain of damage is told of machines that ran on for months: of those that come in, so much of it has happened (casebook). */
export const CHAIN_SHARE = 0.6;

// --- What is noted ------------------------------------------------------------------------------------------------

/** Chance that what was noted is not what was there (trade). */
export const ERROR: Readonly<Record<Sureness, number>> = { sure: 0.01, fair: 0.15, doubtful: 0.45 };
/** The same for results that deceive a careful hand as well. */
export const SOFT_ERROR: Readonly<Record<Sureness, number>> = { sure: 0.02, fair: 0.2, doubtful: 0.5 };
/** More is overlooked than imagined: how the slips share out among a check's results, as ratios (trade). */
export const SLIPS = { normal: 3, soft: 2, other: 1 } as const;
/** Of that chance, what is left when the check was made again and came out the same. */
export const CONFIRMED = 0.25;
/** After many pulls a plug is wet whatever is wrong (trade). */
export const WET_FROM_PULLING = { error: 0.75, misread: 0.8 } as const;
/** Of a result that only says the complaint again, so much is the complaint and nothing new (casebook). */
export const RESTATED = 0.85;
/** A screw counted far out is hardly set too lean, nor one far in too rich: so much of its chance is left (trade). */
export const OTHER_WAY = 0.05;
/** A fault that comes and goes is cleared by clean showings once it would have hidden from all of them with no more than this chance (trade). */
export const HIDDEN = 0.1;
/** Probability of a fault that was surely seen, whatever else is noted. */
export const SEEN = 0.97;
/** Most that a part surely seen sound, or put right without effect, may still be believed in. */
export const CLEARED = 0.1;

// --- What is said to have been done before ------------------------------------------------------------------------

/**
 * What the work is said to have put right is left with so much of its odds: a doubtful observation made by somebody else, who
 * may have fitted a cheap part, or the wrong one (trade). Lower: owners are believed more.
 */
export const SAID_RIGHT: Readonly<Record<SaidBy, number>> = { owner: 0.4, shop: 0.28 };
/** What came of it, as a power of that: in vain it speaks doubly, and what helped for a while may be the same again. */
export const SAID_RIGHT_POWER: Readonly<Record<SaidEffect | 'unknown', number>> = {
  'no-change': 1.3,
  'trouble-since': 0.6,
  'better-for-a-while': 0,
  unknown: 1,
};
/** How much of what is done wrong in such work counts, as a power of its factor; a shop does less of it wrong (trade). */
export const SAID_WRONG_POWER: Readonly<Record<SaidEffect | 'unknown', number>> = {
  'no-change': 0.4,
  'trouble-since': 1,
  'better-for-a-while': 0.3,
  unknown: 0.5,
};
export const SAID_WRONG_BY: Readonly<Record<SaidBy, number>> = { owner: 1, shop: 0.75 };
/** A new part is worth half its news after so many months (trade). */
export const SAID_HALF_LIFE = 12;

// --- What is put right --------------------------------------------------------------------------------------------

/** How a trial turns out when what it puts right was all that was wrong (trade). */
export const ALONE: Readonly<Record<Outcome, number>> = { cured: 0.86, better: 0.09, 'no-change': 0.05 };
/** A trial that goes part of the way: half a cure is the ordinary sign. */
export const ALONE_GRADUAL: Readonly<Record<Outcome, number>> = {
  cured: 0.5,
  better: 0.45,
  'no-change': 0.05,
};
/** When other faults stand beside it. */
export const WITH_OTHERS: Readonly<Record<Outcome, number>> = { cured: 0.1, better: 0.45, 'no-change': 0.2 };
/** A trial that mended nothing of what was wrong turns out well by luck so often. */
export const LUCK = { cured: 0.0015, better: 0.04 } as const;
/** A repair in vain: it was there after all and stood alone, or beside others. In one of several places: loosely. */
export const IN_VAIN = { alone: 0.03, withOthers: 0.1 } as const;
export const IN_VAIN_ELSEWHERE = { alone: 0.3, withOthers: 0.4 } as const;
/** How a repair of what was not wrong turns out. */
export const ABSENT: Readonly<Record<Outcome, number>> = { cured: 0.008, better: 0.015, 'no-change': 0.977 };
/** How often a new part is itself at fault, or fitted wrong (trade). */
export const BOTCHED = 0.04;

/** What was put right on purpose, and not seen, was so many times likelier there than the log alone says (trade; drawn machines, whose hands know no more than their logs, want 1). */
export const CHOSEN = 2;
/** What somebody found and put right in their own words is at work in the complaint so often, whatever else is there (trade). */
export const FOUND_UNLISTED = 0.7;
/** A fault goes by itself, or by something nobody noted, so often (trade). */
export const WENT_BY_ITSELF = 0.05;
/** With the old part back in it does it again so often though that part was sound (trade). */
export const SWAP_ERROR = 0.03;

// --- Results that hang together -----------------------------------------------------------------------------------

/** How often conditions are poor, and how much of a check's misreading happens then (trade). */
export const POOR = 0.15;
export const MISREAD_WHEN_POOR = 0.85;
/** How often a fault shows plainly, and how much oftener it then gives its signs (trade). */
export const PLAIN = 0.6;
export const PLAINER = 1.3;

// --- Bench minutes ------------------------------------------------------------------------------------------------

/**
 * Picking it up, wiping hands and noting it; setting up what is measured; preparing a trial and undoing it (trade).
 * Higher: fewer and weightier checks.
 */
export const HANDLING_MINUTES: Readonly<Record<CheckNature, number>> = {
  look: 1,
  symptom: 1,
  measurement: 1.5,
  trial: 2.5,
};
/** Closing up takes so much of the minutes of opening (trade). Higher: later dismantling. */
export const CLOSING_SHARE = 0.8;
/**
 * A machine opened for a look is half repaired if the fault is there; the rest goes on gaskets, care and a repair done in
 * two goes (trade). Higher: earlier dismantling.
 */
export const SPARED_SHARE = 0.25;
/** A repair that was not needed: proving it, finding out, going back to looking (played). */
export const NEEDLESS_MINUTES = 20;
/** A dear part bought for nothing, and its wait, in minutes' worth (trade). Higher: proof before buying. */
export const DEAR_MINUTES = 60;
/** Nobody is surer than this of what was not seen, when it comes to acting on it (casebook). */
export const SUREST_UNSEEN = 0.9;
/** A look that missed what was there: going through the rest and coming back to it (trade). */
export const MISSED_MINUTES = 25;
/** Minutes of head-scratching when nothing on the list was it. */
export const LOST_MINUTES = 75;
/**
 * A queue longer than this is not gone through to its end: other checks would split the rest, so that what lies beyond
 * counts for the stated share (casebook). Lower: checks that only clear faint suspects are worth less.
 */
export const LONG_QUEUE = { minutes: 40, share: 0.3 } as const;
/** From this probability on, one cause is likely enough to act on, if no check pays. */
export const ACT_ON = 0.9;
/** Checking goes on while the best check loses no more than this, in minutes: a repair is better proved than tried (played). */
export const LEAST_NET = -1.25;
/** Below this probability a repair is not tried while a check is left on the plan (played). */
export const LIKELY_ENOUGH = 0.6;
/** Below this one, everything made is gone over once more before a repair is tried on a guess (played). */
export const A_GUESS = 0.5;
/** From these minutes of opening on, it is a dismantling: what is cheap and could save it comes first (trade). */
export const DISMANTLING_MINUTES = 6;
/** A check must save so many minutes for each it takes to be proposed at all (played). */
export const WORTH_MAKING = 0.7;
/** The same for a cheap check that could still save a dismantling. */
export const WORTH_BEFORE_DISMANTLING = 0.5;
/** The same when all that pays was made, and the likeliest repair would rather be in vain (played). */
export const WORTH_GOING_OVER = 0.1;
/** From this chance on that it was read wrong, a sure result is worth reading again, until it is confirmed (casebook). */
export const DOUBTED = 0.25;
/** A suspect that needs looking for with at least this probability has its look on the plan (casebook). */
export const LEADING = 0.08;
/** From this probability on, what nobody has seen is looked for although what was seen accounts for the complaints. */
export const STILL_OPEN = 0.3;
/** Fainter than this, what may stand behind a damage counts as answered. */
export const ANSWERED = 0.004;
/** From this probability on, a suspect about to be repaired unseen is proved first. */
export const PROVED_FROM = 0.2;
/** A cause that shows as a complaint more rarely than this is not what it is about (the trade's "rarely"). */
export const LEAST_LINK = 0.07;
/** A member of a set is to blame for a complaint when it shows as it at least so often, given that something does. */
export const BLAMED = 0.35;
/** Minutes' worth of doing at once what has to be done anyway: the queue is reckoned as if no look ever misled (casebook). */
export const AT_ONCE = 1;
/** A look that saves less than this share of its cost gains nothing by being early (casebook). */
export const EARLY_SHARE = 0.3;
/** A result rarer than this does not justify making a check first (casebook). */
export const UNLIKELY = 0.04;
