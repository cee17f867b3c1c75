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

/** Turns from "1 1/8", "1.5" or "3/4"; null when it is not a screw position. */
export function parseTurns(text: string): number | null {
  const match = /^(?:(\d+(?:\.\d+)?)(?:\s+|$))?(?:(\d+)\/(\d+))?$/.exec(text.trim());
  if (!match || (match[1] === undefined && match[2] === undefined)) return null;
  const fraction = match[2] === undefined ? 0 : Number(match[2]) / Number(match[3]);
  const turns = Number(match[1] ?? 0) + fraction;
  return Number.isFinite(turns) && turns <= 12 ? turns : null;
}
