import type { Ledger } from '../ledger';
import type { Blip, IdleHeard } from '../track';
import {
  answer,
  blocked,
  deaf,
  EIGHTH,
  NO_EFFECT,
  QUARTER,
  triedOn,
  turn,
  type Advice,
  type Seen,
} from './advice';

/** An eighth richer than right costs the idle less than this; more, and it is rich. */
const MUCH_SLOWER = -0.035;
/** A leaner eighth that gains less than this has come to the fastest idle. */
const GAINS = 0.015;
/** Idle that sags so much over ten seconds loads up. */
const SAGS = 0.05;
/** A fall below idle, or a dip before the rise, that is more than wander. */
const DIPS = 0.07;

export const sags = (idle: IdleHeard): boolean => (-idle.drift * 10) / idle.mean > SAGS;

/** Advice on the idle mixture; null when it is right: on the rich side of the fastest idle, picking up cleanly. */
export function onLow(blip: Blip, ledger: Ledger, seen: ReadonlySet<Seen>): Advice | null {
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
