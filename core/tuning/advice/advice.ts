import type { CheckId } from '../../knowledge';
import type { Ledger, LedgerLine, Screw, ScrewMove } from '../ledger';

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

/** An eighth is the step, a quarter the most; a half only where a screw was counted far beyond its baseline. */
export const EIGHTH = 1;
export const QUARTER = 2;
export const HALF = 4;
/** A speed that moved less than this share was not moved by the screw. */
export const NO_EFFECT = 0.01;

export const turn = (screw: Screw, eighths: number, why: string, expect: string, urgent?: true): Advice => ({
  kind: 'turn',
  move: { screw, eighths },
  why,
  expect,
  ...(urgent && { urgent }),
});

export const rpm = (value: number): string => `${Math.round(value / 10) * 10} rpm`;

/** The moves of one screw that were listened to before and after, newest first. */
export const triedOn = (ledger: Ledger, screw: Screw): LedgerLine[] =>
  ledger.lines.filter((l) => l.screw === screw && l.heardBefore && l.heardAfter).toReversed();

/** How a speed answered a move: its share of change. Null when it was not heard on both sides. */
export function answer(line: LedgerLine | undefined, of: 'idle' | 'full'): number | null {
  const [before, after] = [line?.heardBefore?.[of]?.mean, line?.heardAfter?.[of]?.mean];
  return before && after ? after / before - 1 : null;
}

/** Two moves of a screw the same way that did nothing to the speed it governs: turning on is no use. */
export function deaf(ledger: Ledger, screw: 'L' | 'H'): boolean {
  const tried = triedOn(ledger, screw).slice(0, 2);
  const governs = screw === 'L' ? 'idle' : 'full';
  const oneWay = tried[0] && tried[1] && tried[0].eighths * tried[1].eighths > 0;
  return !!oneWay && tried.every((line) => Math.abs(answer(line, governs) ?? 1) < NO_EFFECT);
}

export const blocked = (screw: 'L' | 'H'): Advice => ({
  kind: 'stop',
  why: `${screw} has no effect: its circuit is blocked, or air is leaking in. Put it back and look there.`,
  look: ['carb-passages', 'intake-boot', 'crankcase-vacuum'],
});
