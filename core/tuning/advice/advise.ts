import type { MachineFacts } from '../../machine';
import { figuresOf } from '../../machine';
import { speedBand } from '../judge';
import type { Ledger, Screw } from '../ledger';
import { turn, type Advice, type Seen } from './advice';
import { BEYOND, drowns, onHigh, richerFirst } from './high';
import { onSilence, onStop } from './idle';
import { onLow, sags } from './low';

/** H found this far inside its baseline, eighths, is brought out beyond it before any full throttle. */
const FAR_IN = 1;
const HANGS_S = 3.6;

/**
 * The next move by the last recording and by all moves before: over-speed first, then the idle mixture, the stop, full
 * speed, and the idle once more. Every move is an eighth or a quarter of a turn (the stop: up to three quarters; H counted far
 * out: half a turn in).
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

const same = (a: Readonly<Record<Screw, number>>, b: Readonly<Record<Screw, number>>): boolean =>
  a.L === b.L && a.H === b.H && a.stop === b.stop;
