import type { MachineFacts } from '../machine';
import { figuresOf, type Band } from '../machine';
import type { Judged } from '../verdict';
import { formatTurns } from '../units';

/** An idle this far from its target still passes, rpm. */
const IDLE_TOLERANCE = 250;
/** Readings that spread more than this share of their mean are wandering. */
const WANDER_SHARE = 0.08;

/** The band an idle or full speed is judged by, rpm. Idle never reaches the clutch. */
export function speedBand(which: 'idle' | 'full', machine: MachineFacts): Band {
  const figures = figuresOf(machine);
  if (which === 'full') return figures.full;
  const top = Math.min(figures.idle + IDLE_TOLERANCE, (figures.clutch ?? Infinity) - 500);
  return [figures.idle - IDLE_TOLERANCE, top];
}

/** Judges a speed (rpm, one or several readings of the same thing) against the class. */
export function judgeSpeed(which: 'idle' | 'full', rpm: readonly number[], machine: MachineFacts): Judged {
  if (rpm.length === 0) return { refused: 'No speed was read.' };
  const mean = rpm.reduce((a, b) => a + b, 0) / rpm.length;
  const band = speedBand(which, machine);
  const spread = Math.max(...rpm) - Math.min(...rpm);
  const result =
    spread > WANDER_SHARE * mean ? 'wandering' : mean < band[0] ? 'low' : mean > band[1] ? 'high' : 'in-band';
  return {
    result,
    sureness: 'sure',
    value: mean,
    band,
    unit: 'rpm',
    says: `${Math.round(mean)} rpm, band ${band[0]}–${band[1]} (${figuresOf(machine).sources[which]})`,
  };
}

/** Turns out that ordinary tuning never reaches: three is a sign of somebody's experiment. */
const FAR_OUT = 2.75;
const FAR_IN = 0.5;

/** Judges the counted mixture screws (turns out from the seat; either may be missing). */
export function judgeTurns(turns: { L?: number; H?: number }): Judged {
  const counted = Object.entries(turns).filter((t): t is [string, number] => t[1] !== undefined);
  if (counted.length === 0) return { refused: 'Neither screw was counted.' };
  const values = counted.map(([, v]) => v);
  const out = Math.max(...values);
  const far = Math.min(...values);
  const result = out >= FAR_OUT ? 'far-out' : far < FAR_IN ? 'far-in' : 'near-baseline';
  return {
    result,
    sureness: 'sure',
    value: result === 'far-in' ? far : out,
    band: [FAR_IN, FAR_OUT],
    unit: 'turns',
    says: `${counted.map(([screw, v]) => `${screw} ${formatTurns(v)}`).join(', ')} turns out`,
  };
}

/**
 * Of counted mixture screws (turns out from the seat) the one that is far off by itself: a count speaks for its own screw. Null
 * where neither is, or both are.
 */
export function farScrew(turns: { L?: number; H?: number }): 'L' | 'H' | null {
  const far = (['L', 'H'] as const).filter((screw) => {
    const counted = turns[screw];
    return counted !== undefined && (counted >= FAR_OUT || counted < FAR_IN);
  });
  return far.length === 1 ? far[0]! : null;
}
