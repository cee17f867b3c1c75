import type { CheckId, MachineFacts } from '../diagnosis';
import { BASELINE_SCHOOLS, figuresOf } from '../machine';
import { speedBand } from './judge';
import type { Ledger, LedgerLine, Screw, ScrewMove } from './ledger';
import type { Blip, IdleHeard } from './track';

/** What the technician saw or heard that a trace may not show. */
export const SEEN = ['dies-at-idle', 'burbles-in-cut', 'smokes-at-idle', 'screams', 'stumbles'] as const;
export type Seen = (typeof SEEN)[number];

export type Advice =
  | {
      kind: 'turn';
      move: ScrewMove;
      why: string;
      /** What should change, and when to leave off. */
      expect: string;
      /** Over the limit: say it at once and loudly. */
      urgent?: true;
    }
  | { kind: 'stop'; why: string; look: readonly CheckId[] }
  | { kind: 'listen'; why: string }
  | { kind: 'done'; why: string };

/** An eighth is the step, a quarter the most. */
const EIGHTH = 1;
const QUARTER = 2;
/** A speed that moved less than this share was not moved by the screw. */
const NO_EFFECT = 0.01;
/** An eighth richer than right costs the idle less than this; more, and it is rich. */
const MUCH_SLOWER = -0.035;
/** A leaner eighth that gains less than this has come to the fastest idle. */
const GAINS = 0.015;
/** H found this far inside its baseline, eighths, is brought out beyond it before any full throttle. */
const FAR_IN = 1;
const BEYOND = 2;
/** So much four-stroking at free full speed is the rich side of the fastest. */
const RICH_SIDE = 0.06;
const NO_BURBLE = 0.02;
const MUCH_BURBLE = 0.55;
/** Below this share of the band's low edge a quarter cannot overshoot it. */
const FAR_BELOW = 0.84;
/** This near its low edge the band is less than an eighth away. */
const NEARLY = 0.965;
/** Between a position that is over and one that is below. */
const SIXTEENTH = 0.5;
/** Idle that sags so much over ten seconds loads up. */
const SAGS = 0.05;
/** A fall below idle, or a dip before the rise, that is more than wander. */
const DIPS = 0.07;
const HANGS_S = 3.6;
/** What one eighth of the stop does to the idle, as a share: learned from the ledger where it can be. */
const STOP_EIGHTH = 0.035;

const turn = (screw: Screw, eighths: number, why: string, expect: string, urgent?: true): Advice => ({
  kind: 'turn',
  move: { screw, eighths },
  why,
  expect,
  ...(urgent && { urgent }),
});

const rpm = (value: number): string => `${Math.round(value / 10) * 10} rpm`;

/** The moves of one screw that were listened to before and after, newest first. */
const triedOn = (ledger: Ledger, screw: Screw): LedgerLine[] =>
  ledger.lines.filter((l) => l.screw === screw && l.heardBefore && l.heardAfter).toReversed();

/** How a speed answered a move: its share of change. Null when it was not heard on both sides. */
function answer(line: LedgerLine | undefined, of: 'idle' | 'full'): number | null {
  const [before, after] = [line?.heardBefore?.[of]?.mean, line?.heardAfter?.[of]?.mean];
  return before && after ? after / before - 1 : null;
}

/** Two moves of a screw the same way that did nothing to the speed it governs: turning on is no use. */
function deaf(ledger: Ledger, screw: 'L' | 'H'): boolean {
  const tried = triedOn(ledger, screw).slice(0, 2);
  const governs = screw === 'L' ? 'idle' : 'full';
  const oneWay = tried[0] && tried[1] && tried[0].eighths * tried[1].eighths > 0;
  return !!oneWay && tried.every((line) => Math.abs(answer(line, governs) ?? 1) < NO_EFFECT);
}

const blocked = (screw: 'L' | 'H'): Advice => ({
  kind: 'stop',
  why: `${screw} has no effect: its circuit is blocked, or air is leaking in. Put it back and look there.`,
  look: ['carb-passages', 'intake-boot', 'crankcase-vacuum'],
});

const sags = (idle: IdleHeard): boolean => (-idle.drift * 10) / idle.mean > SAGS;

/** Advice on the idle mixture; null when it is right: on the rich side of the fastest idle, picking up cleanly. */
function onLow(blip: Blip, ledger: Ledger, seen: ReadonlySet<Seen>): Advice | null {
  const { idle } = blip;
  if (!idle) return null;
  const [last] = triedOn(ledger, 'L');
  const answered = last?.after.L === ledger.now.L ? answer(last, 'idle') : null;
  if (deaf(ledger, 'L')) return blocked('L');
  if (sags(idle) || seen.has('smokes-at-idle'))
    return turn(
      'L',
      -EIGHTH,
      'The idle sags: it loads up',
      'A steady, faster idle. Leave off when it stops rising.',
    );
  const lean = leanSign(blip, idle.mean, seen);
  if (last && answered !== null) {
    if (last.eighths > 0) {
      if (answered < 2 * MUCH_SLOWER)
        return turn(
          'L',
          -QUARTER,
          'Richer was much slower: it is rich',
          'The idle rises. Leave off when it stops rising.',
        );
      if (answered < MUCH_SLOWER)
        return turn('L', -EIGHTH, 'Richer was slower: back', 'The idle as it was, picking up cleanly.');
      if (answered > NO_EFFECT)
        return turn('L', EIGHTH, 'Richer was faster', 'Leave off when it falls a little.');
      // An eighth rich of the fastest: that is the place.
      if (!lean) return null;
    } else {
      if (answered > GAINS) return turn('L', -EIGHTH, 'Leaner was faster', 'Leave off when it stops rising.');
      const cameBack = triedOn(ledger, 'L')[1];
      if (cameBack && cameBack.eighths > 0 && cameBack.before.L === ledger.now.L && !lean) return null;
      return turn(
        'L',
        EIGHTH,
        'Leaner gained no more: an eighth back to the rich side',
        'The same idle, picking up cleanly.',
      );
    }
  }
  if (lean)
    return turn(
      'L',
      lean.much ? QUARTER : EIGHTH,
      lean.why,
      'A clean pick-up and return. Leave off when it picks up cleanly.',
    );
  if (triedOn(ledger, 'L').length > 0) return null;
  return turn(
    'L',
    EIGHTH,
    'To find the fastest idle: try it richer',
    'It rises if it was lean, falls a little if it was right.',
  );
}

/** Whether the idle mixture shows lean, and how. */
function leanSign(
  { snap, back }: Blip,
  idle: number,
  seen: ReadonlySet<Seen>,
): { why: string; much: boolean } | null {
  const under = back ? back.undershoot / idle : 0;
  if (back?.stalled) return { why: 'It dies coming back to idle', much: true };
  if (under > DIPS) return { why: 'It falls below idle coming back', much: under > 2 * DIPS };
  if (snap && snap.dip / idle > DIPS)
    return { why: 'It dips when the throttle is snapped open', much: false };
  if (seen.has('stumbles')) return { why: 'It stumbles on the throttle', much: false };
  return null;
}

/** Over the limit without a burble: out by a quarter, or to beyond the baseline in one go, so that the next burst is safe. */
const farEnough = (ledger: Ledger, machine: MachineFacts): number =>
  ledger.counted.has('H')
    ? Math.max(QUARTER, Math.min(6, Math.round(8 * figuresOf(machine).baseH) + BEYOND - ledger.now.H))
    : QUARTER;

/** Whether full speed went over the limit, rpm, with H so many eighths from where it stands. */
const wasOver = (ledger: Ledger, eighths: number, limit: number): boolean =>
  ledger.heard.some(
    ({ at, blip }) =>
      at.L === ledger.now.L && at.H === ledger.now.H + eighths && (blip.full?.most ?? 0) > limit,
  );

/** Advice on full speed; null when it is in band on the rich side. */
function onHigh(blip: Blip, ledger: Ledger, machine: MachineFacts, seen: ReadonlySet<Seen>): Advice | null {
  const { full } = blip;
  if (!full) return null;
  const [low, high] = speedBand('full', machine);
  const [last] = triedOn(ledger, 'H');
  const share = answer(last, 'full');
  if (full.most > high)
    return turn(
      'H',
      full.fourStroke < RICH_SIDE ? farEnough(ledger, machine) : full.most > 1.02 * high ? QUARTER : EIGHTH,
      `${rpm(full.most)} is over the limit of ${rpm(high)}. Let go at once.`,
      'The speed falls and a light burble begins. Leave off inside the band.',
      true,
    );
  if (deaf(ledger, 'H')) return blocked('H');
  if (seen.has('screams'))
    return turn('H', EIGHTH, 'It screams: lean', 'A light burble when free, gone in the cut.');
  const burbles = full.fourStroke >= RICH_SIDE;
  if (full.mean < low) {
    if (burbles && wasOver(ledger, -EIGHTH, high))
      return wasOver(ledger, -SIXTEENTH, high)
        ? {
            kind: 'done',
            why: 'A sixteenth leaner is over the limit: it stays here, on the rich side. Now prove it.',
          }
        : turn(
            'H',
            -SIXTEENTH,
            'An eighth leaner was over the limit: half of that',
            'In band, still burbling a little.',
          );
    if (burbles)
      return turn(
        'H',
        full.fourStroke > MUCH_BURBLE && full.mean < FAR_BELOW * low && !wasOver(ledger, -QUARTER, high)
          ? -QUARTER
          : full.mean > NEARLY * low
            ? -SIXTEENTH
            : -EIGHTH,
        `It burbles at ${rpm(full.mean)}, below ${rpm(low)}: rich`,
        'The speed rises. Leave off inside the band, still burbling a little.',
      );
    // Slow without a burble: lean past the fastest, or not the screw at all. Richer is the safe way to find out.
    if (share !== null && last && last.eighths > 0 && share < NO_EFFECT)
      return {
        kind: 'stop',
        why: 'Slow without a burble, and richer was no faster: something holds it back.',
        look: ['spark-screen-look', 'air-filter-look', 'compression-gauge'],
      };
    return turn('H', EIGHTH, `Slow without a burble: it may be lean`, 'The speed rises if it was lean.');
  }
  if (seen.has('burbles-in-cut'))
    return turn('H', -EIGHTH, 'It burbles in the cut: rich', 'It clears in the cut.');
  if (!burbles)
    return turn(
      'H',
      full.fourStroke < NO_BURBLE ? farEnough(ledger, machine) : EIGHTH,
      'In band, but on the lean side: no burble',
      'A light burble when free, gone in the cut.',
    );
  return null;
}

/** Advice on the idle stop; null when the idle is in band. */
function onStop(blip: Blip, ledger: Ledger, machine: MachineFacts): Advice | null {
  const { idle } = blip;
  const band = speedBand('idle', machine);
  if (!idle || (idle.mean >= band[0] * (1 + NO_EFFECT) && idle.mean <= band[1])) return null;
  const { clutch, idle: target } = figuresOf(machine);
  const [last] = triedOn(ledger, 'stop');
  const share = answer(last, 'idle');
  const eighth =
    share && last && Math.abs(share / last.eighths) > 0.008 && share * last.eighths > 0
      ? Math.min(0.1, share / last.eighths)
      : STOP_EIGHTH;
  const wanted = Math.min(target, (band[0] + band[1]) / 2 + 50);
  const eighths = Math.max(-6, Math.min(6, Math.round((wanted / idle.mean - 1) / eighth)));
  const fast = idle.mean > band[1];
  const step = eighths === 0 ? (fast ? -1 : 1) : eighths;
  return turn(
    'stop',
    step,
    clutch !== null && idle.mean > clutch - 500
      ? `${rpm(idle.mean)} is close to where the clutch bites, ${rpm(clutch)}`
      : `Idle ${rpm(idle.mean)}, wanted ${rpm(target)}`,
    `${rpm(target)}, the tool still.`,
    clutch !== null && idle.mean >= clutch ? true : undefined,
  );
}

/** L positions to try where it will not idle, eighths from the baseline, likeliest first; the last is the leaner school’s. */
const SEARCH = [0, -2, 2, -4, 4, -8] as const;
/** Most the stop is put in to get an idle at all, eighths: more would only hide what is wrong. */
const STOP_IN = 3;

/** It will not idle long enough to be heard: L towards its baseline, the stop a little in, then where L was not tried yet. */
function onSilence(ledger: Ledger, machine: MachineFacts): Advice {
  if (!ledger.counted.has('L'))
    return {
      kind: 'listen',
      why: 'It will not idle. Count L and H to their seats first, so that there is a way back.',
    };
  const base = Math.round(8 * figuresOf(machine).baseL);
  const off = ledger.now.L - base;
  const silent = new Set(ledger.heard.filter((h) => !h.blip.idle).map((h) => h.at.L));
  const expect = 'It idles. Then listen again.';
  const nearer = off < 0 ? QUARTER : -QUARTER;
  if (Math.abs(off) >= QUARTER && !silent.has(ledger.now.L + nearer))
    return turn('L', nearer, `It will not idle, and L is ${off < 0 ? 'far in' : 'far out'}`, expect);
  if (ledger.now.stop - ledger.found.stop < STOP_IN) return turn('stop', STOP_IN, 'It will not idle', expect);
  const next = SEARCH.map((o) => base + o).find(
    (at) => at >= QUARTER && ![...silent].some((tried) => Math.abs(tried - at) < EIGHTH),
  );
  if (next !== undefined)
    return turn('L', next - ledger.now.L, 'Still no idle: L where it was not tried yet', expect);
  return {
    kind: 'stop',
    why: 'No idle wherever L stands: it is not the screws.',
    look: ['carb-passages', 'intake-boot', 'crankcase-vacuum'],
  };
}

/** No full speed was heard and H stands further out than the leaner school begins: in, but never beyond that. */
function drowns({ now, counted }: Ledger, { spec }: MachineFacts): Advice | null {
  const least = 8 * (spec?.baseH ?? BASELINE_SCHOOLS[0]) + BEYOND;
  return counted.has('H') && now.H > least
    ? turn(
        'H',
        Math.max(-QUARTER, least - now.H),
        'No full speed was heard, and H is far out: it may drown',
        'It comes up to full throttle.',
      )
    : null;
}

/** Leaning L quickens full speed too: this near the limit H comes out first. */
const NEAR_LIMIT = 0.985;

/**
 * The next move by the last recording and by all moves before: over-speed first, then the idle mixture, the stop, full
 * speed, and the idle once more. Every move is an eighth or a quarter of a turn (the stop: up to three quarters).
 */
export function advise(ledger: Ledger, machine: MachineFacts, seen: readonly Seen[] = []): Advice {
  const last = ledger.heard.at(-1);
  const moved = ledger.lines.at(-1);
  const { baseH } = figuresOf(machine);
  if (ledger.counted.has('H') && !ledger.heard.some((h) => h.blip.full) && ledger.now.H < 8 * baseH - FAR_IN)
    return turn(
      'H',
      Math.round(8 * baseH) + BEYOND - ledger.now.H,
      'H is far in: to its baseline and a quarter beyond before any full throttle',
      'Rich at full throttle, from where it is leaned by eighths.',
    );
  if (!last) return { kind: 'listen', why: 'Warm it up, tool fitted and clear. Then let it be heard.' };
  if (moved && moved.heardAfter === null && !same(last.at, ledger.now))
    return { kind: 'listen', why: 'The screw was moved: listen again.' };
  const { blip } = last;
  const said = new Set(seen);
  const [, top] = speedBand('full', machine);
  const hangs = blip.back && (blip.back.hang === null || blip.back.hang > HANGS_S) && !blip.back.stalled;
  if (blip.full && blip.full.most > top) return onHigh(blip, ledger, machine, said)!;
  if (!blip.idle || said.has('dies-at-idle')) return onSilence(ledger, machine);
  if (hangs && blip.idle.mean > speedBand('idle', machine)[0] && blip.idle.spread > 0.06 * blip.idle.mean)
    return {
      kind: 'stop',
      why: 'It hangs and wanders: look for an air leak before richening.',
      look: ['intake-boot', 'mount-bolts', 'crankcase-vacuum'],
    };
  const [idleLow, idleHigh] = speedBand('idle', machine);
  // An idle far off hides the mixture: near enough first.
  const farOff = blip.idle.mean < 0.85 * idleLow || blip.idle.mean > 1.15 * idleHigh;
  return (
    (farOff && moved?.screw !== 'L' && !sags(blip.idle) ? onStop(blip, ledger, machine) : null) ??
    richerFirst(onLow(blip, ledger, said), blip, top) ??
    onStop(blip, ledger, machine) ??
    onHigh(blip, ledger, machine, said) ??
    (blip.full
      ? { kind: 'done', why: 'Idle and full speed in band, on the rich side. Now prove it.' }
      : (drowns(ledger, machine) ?? {
          kind: 'listen',
          why: 'The idle is right. Now a burst of full throttle, under five seconds.',
        }))
  );
}

/** The advice on L, unless it would lean and full speed is close to its limit, rpm: then H first. */
const richerFirst = (advice: Advice | null, { full }: Blip, limit: number): Advice | null =>
  advice?.kind === 'turn' && advice.move.eighths < 0 && full && full.most > NEAR_LIMIT * limit
    ? turn(
        'H',
        EIGHTH,
        'Close to the limit, and leaning L quickens it too',
        'A little slower at full throttle. Then L.',
      )
    : advice;

const same = (a: Readonly<Record<Screw, number>>, b: Readonly<Record<Screw, number>>): boolean =>
  a.L === b.L && a.H === b.H && a.stop === b.stop;
