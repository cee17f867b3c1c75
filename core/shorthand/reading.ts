import type { CheckDef, CheckId } from '../knowledge';
import { READING_FIELD, type Reading } from '../reading';
import { barToPsi, fromKpa, PRESSURE_UNITS, thouToMm } from '../units';

/** A gap smaller than this is no gap in millimetres: it was read in inches. */
const INCHES_BELOW_MM = 0.05;
const GAPS: readonly CheckId[] = ['coil-gap', 'plug-gap'];

const numbersIn = (text: string): number[] | null => {
  const parts = text.split(/[\s,]+/).filter(Boolean);
  const numbers = parts.map(Number);
  return parts.length > 0 && numbers.every((n) => Number.isFinite(n)) ? numbers : null;
};

const rounded = (n: number, to: number): number => Math.round(n * to) / to;

/** Figures and their units apart. */
const unitsApart = (text: string): string =>
  text.replace(/(\d)\s*(psi|bar|kpa|mm|thou|rpm|inches|inch|in|")(?![a-z])/gi, '$1 $2 ');

/** Ranges as two figures. */
const rangesApart = (text: string): string => text.replace(/(\d)\s*[-–]\s*(\d)/g, '$1 $2').trim();

/** Millimetres from "0.30", ".30 .45", "top .30 bottom .45", "12 thou", ".012", "0.012 in". */
function millimetresIn(check: CheckDef, text: string): number[] | null {
  const thou = /\bthou\b/i.test(text);
  const inches = /\b(in|inch|inches)\b|"/i.test(text);
  const millimetres = /\bmm\b/i.test(text);
  const numbers = numbersIn(text.replace(/\b(top|bottom|upper|lower|mm|thou|in|inch|inches)\b|"/gi, ' '));
  if (!numbers) return null;
  return numbers.map((n) => {
    const small = !millimetres && GAPS.includes(check.id) && n > 0 && n < INCHES_BELOW_MM;
    if (thou) return rounded(thouToMm(n), 1000);
    return inches || small ? rounded(thouToMm(n * 1000), 1000) : n;
  });
}

/** "0:7 20:6.8 40:6.6 psi": seconds and gauge. */
function traceIn(check: CheckDef, text: string): Reading | string {
  const unit = PRESSURE_UNITS.find((u) => new RegExp(`\\b${u}\\b`, 'i').test(text)) ?? 'psi';
  const pairs = text
    .replace(new RegExp(`\\b${unit}\\b`, 'i'), ' ')
    .trim()
    .split(/\s+/);
  const points = pairs.map((pair) => /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)$/.exec(pair));
  if (points.some((p) => !p))
    return `${check.name}: give seconds and gauge, such as "${check.words[0]} 0:7 20:6.8 40:6.6 60:6.5 psi"`;
  return { trace: { unit, points: points.map((p) => [Number(p?.[1]), Number(p?.[2])] as const) } };
}

function squeezeIn(check: CheckDef, text: string): Reading | string {
  const decompressor = /\bopen\b/.test(text) ? ('open' as const) : undefined;
  const inBar = /\bbar\b/i.test(text);
  const inKpa = /\bkpa\b/i.test(text);
  const read = numbersIn(text.replace(/\b(open|shut|closed|psi|bar|kpa)\b/gi, ' '));
  if (!read) return `${check.name}: give the gauge after each pull in psi, such as "comp 62 98 117"`;
  const psi = read.map((n) =>
    inBar ? rounded(barToPsi(n), 10) : inKpa ? rounded(fromKpa(n, 'psi'), 10) : n,
  );
  const bad = psi.find((n) => n < 0 || n > 400);
  if (bad !== undefined) return `${check.name}: ${bad} psi is outside 0 to 400`;
  return { psi, ...(decompressor && { decompressor }) };
}

/** What a measured check was read as, or one sentence on what is wrong with it. */
export function readingFor(check: CheckDef, said: string): Reading | string {
  const field = READING_FIELD[check.id];
  if (field === 'trace') return traceIn(check, said);
  if (field === 'mm') {
    // A minus sign is a lever below its face, not a range.
    const mm = millimetresIn(check, unitsApart(said));
    if (!mm) return `${check.name}: give millimetres, or add "thou"`;
    const bad = mm.find((n) => Math.abs(n) > 5);
    if (bad !== undefined) return `${check.name}: ${bad} mm cannot be right; for thousandths add "thou"`;
    return { mm };
  }
  const text = rangesApart(unitsApart(said));
  if (field === 'psi') return squeezeIn(check, text);
  if (field === 'rpm') {
    const plain = text.replace(/\brpm\b/gi, ' ').replace(/\b(\d{1,2})[, ](\d{3})(?!\d)/g, '$1$2');
    const rpm = numbersIn(plain);
    if (!rpm) return `${check.name}: give the speed in rpm, such as "idle 2750"`;
    const bad = rpm.find((n) => n < 0 || n > 25000);
    if (bad !== undefined) return `${check.name}: ${bad} rpm is outside 0 to 25,000`;
    return { rpm };
  }
  return `${check.name}: ${check.results.map((r) => r.label).join(', ')}?`;
}
