import type { MachineFacts } from '../../machine';
import { BASELINE_SCHOOLS, figuresOf } from '../../machine';
import { speedBand } from '../judge';
import type { Ledger } from '../ledger';
import type { Blip } from '../track';
import {
  answer,
  blocked,
  deaf,
  EIGHTH,
  HALF,
  NO_EFFECT,
  QUARTER,
  rpm,
  triedOn,
  turn,
  type Advice,
  type Seen,
} from './advice';

/** How far beyond its baseline H begins, eighths: rich, and leaned from there. */
export const BEYOND = 2;
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
/** Leaning L quickens full speed too: this near the limit H comes out first. */
const NEAR_LIMIT = 0.985;

/** Over the limit without a burble: out by a quarter, or to beyond the baseline in one go, so that the next burst is safe. */
const farEnough = (ledger: Ledger, machine: MachineFacts): number =>
  ledger.counted.has('H')
    ? Math.max(QUARTER, Math.min(6, Math.round(8 * figuresOf(machine).baseH) + BEYOND - ledger.now.H))
    : QUARTER;

/** Whether H, half a turn in from where it stands, would still be on the rich side of where it begins. */
const standsFarOut = ({ counted, now }: Ledger, machine: MachineFacts): boolean =>
  counted.has('H') && now.H - HALF >= 8 * figuresOf(machine).baseH + BEYOND;

/** Whether full speed went over the limit, rpm, with H so many eighths from where it stands. */
const wasOver = (ledger: Ledger, eighths: number, limit: number): boolean =>
  ledger.heard.some(
    ({ at, blip }) =>
      at.L === ledger.now.L && at.H === ledger.now.H + eighths && (blip.full?.most ?? 0) > limit,
  );

/** Advice on full speed; null when it is in band on the rich side. */
export function onHigh(
  blip: Blip,
  ledger: Ledger,
  machine: MachineFacts,
  seen: ReadonlySet<Seen>,
): Advice | null {
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
    if (burbles && full.fourStroke > MUCH_BURBLE && standsFarOut(ledger, machine))
      return turn(
        'H',
        -HALF,
        `It burbles at ${rpm(full.mean)}, and H is far out: half a turn in, still beyond its baseline`,
        'The speed rises. From here by eighths.',
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

/** No full speed was heard and H stands further out than the leaner school begins: in, but never beyond that. */
export function drowns({ now, counted }: Ledger, { spec }: MachineFacts): Advice | null {
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

/** The advice on L, unless it would lean and full speed is close to its limit, rpm: then H first. */
export const richerFirst = (advice: Advice | null, { full }: Blip, limit: number): Advice | null =>
  advice?.kind === 'turn' && advice.move.eighths < 0 && full && full.most > NEAR_LIMIT * limit
    ? turn(
        'H',
        EIGHTH,
        'Close to the limit, and leaning L quickens it too',
        'A little slower at full throttle. Then L.',
      )
    : advice;
