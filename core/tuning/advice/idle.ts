import type { MachineFacts } from '../../machine';
import { figuresOf } from '../../machine';
import { speedBand } from '../judge';
import type { Ledger } from '../ledger';
import type { Blip } from '../track';
import { answer, EIGHTH, NO_EFFECT, QUARTER, rpm, triedOn, turn, type Advice } from './advice';

/** What one eighth of the stop does to the idle, as a share: learned from the ledger where it can be. */
const STOP_EIGHTH = 0.035;

/** Advice on the idle stop; null when the idle is in band. */
export function onStop(blip: Blip, ledger: Ledger, machine: MachineFacts): Advice | null {
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
export function onSilence(ledger: Ledger, machine: MachineFacts): Advice {
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
