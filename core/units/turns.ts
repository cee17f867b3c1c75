import { readNumber } from './numbers';

/** A screw position in turns, to the nearest eighth, as the trade writes it: 1.125 → "1 1/8". */
export function formatTurns(turns: number): string {
  const eighths = Math.round(turns * 8);
  const whole = Math.floor(eighths / 8);
  const rest = eighths % 8;
  if (rest === 0) return String(whole);
  const shrink = rest % 4 === 0 ? 4 : rest % 2 === 0 ? 2 : 1;
  const fraction = `${rest / shrink}/${8 / shrink}`;
  return whole === 0 ? fraction : `${whole} ${fraction}`;
}

/** More turns than any mixture screw has. */
const MOST_TURNS = 12;

/** Turns from "1 1/8", "1.5", "1,5", "1½" or "3/4"; null when it is not a screw position. */
export function parseTurns(text: string): number | null {
  const read = readNumber(text, { min: 0, max: MOST_TURNS });
  return 'value' in read && read.value >= 0 && read.value <= MOST_TURNS && !/^[-−–]/.test(text.trim())
    ? read.value
    : null;
}
