import type { CheckDef, CheckId } from '../knowledge';
import { READING_FIELD, type Reading } from '../reading';
import { barToPsi, figureIn, figuresIn, fromKpa, PRESSURE_UNITS, thouToMm } from '../units';

/** A gap smaller than this is no gap in millimetres: it was read in inches. */
const INCHES_BELOW_MM = 0.05;
const GAPS: readonly CheckId[] = ['coil-gap', 'plug-gap'];

const rounded = (n: number, to: number): number => Math.round(n * to) / to;

/** Figures and their units apart. */
const unitsApart = (text: string): string =>
  text.replace(/(\d)\s*(psi|bar|kpa|mm|thou|rpm|inches|inch|in|")(?![a-z])/gi, '$1 $2 ');

/** Ranges as two figures. */
const rangesApart = (text: string): string => text.replace(/(\d)\s*[-–]\s*(\d)/g, '$1 $2').trim();

/** What these checks can show, by what they are measured in. */
const MM = { min: -5, max: 5 } as const;
const PSI = { min: 0, max: 400 } as const;
const RPM = { min: 100, max: 25_000 } as const;

/** Figures as one number after another, or one clause on why they are none. */
const listIn = (text: string, within: { min: number; max: number }): number[] | string => {
  const read = figuresIn(text, within);
  if (read === null) return '';
  return 'problem' in read ? read.problem : read;
};

/** Millimetres from "0.30", "0,30 0,45", "top .30 bottom .45", "12 thou", ".012", "0.012 in", and the unit they were given in. */
function millimetresIn(check: CheckDef, text: string): { mm: number[]; in?: 'thou' | 'in' } | string {
  const thou = /\bthou\b/i.test(text);
  const inches = /\b(in|inch|inches)\b|"/i.test(text);
  const millimetres = /\bmm\b/i.test(text);
  const bare = text.replace(/\b(top|bottom|upper|lower|mm|thou|in|inch|inches)\b|"/gi, ' ');
  const numbers = listIn(bare, thou ? { min: -200, max: 200 } : MM);
  if (typeof numbers === 'string') return numbers;
  let unit: 'thou' | 'in' | undefined;
  const mm = numbers.map((n) => {
    const small = !millimetres && GAPS.includes(check.id) && n > 0 && n < INCHES_BELOW_MM;
    if (thou) {
      unit = 'thou';
      return rounded(thouToMm(n), 1000);
    }
    if (!inches && !small) return n;
    unit = 'in';
    return rounded(thouToMm(n * 1000), 1000);
  });
  return { mm, ...(unit && { in: unit }) };
}

/** "0:7 20:6.8 40:6.6 psi": seconds and gauge. */
function traceIn(check: CheckDef, text: string): Reading | string {
  const unit = PRESSURE_UNITS.find((u) => new RegExp(`\\b${u}\\b`, 'i').test(text)) ?? 'psi';
  const pairs = text
    .replace(new RegExp(`\\b${unit}\\b`, 'i'), ' ')
    .trim()
    .split(/\s+/);
  const points = pairs.map((pair) => {
    const [at, gauge, more] = pair.split(':');
    const [t, p] = [at, gauge].map((x) => (x ? figureIn(x, { min: 0, max: 7200 }) : null));
    return more === undefined && typeof t === 'number' && typeof p === 'number' ? ([t, p] as const) : null;
  });
  const read = points.filter((p) => p !== null);
  if (read.length < points.length)
    return `${check.name}: give seconds and gauge, such as "${check.words[0]} 0:7 20:6.8 40:6.6 60:6.5 psi"`;
  return { trace: { unit, points: read } };
}

function squeezeIn(check: CheckDef, text: string): Reading | string {
  const decompressor = /\bopen\b/.test(text) ? ('open' as const) : undefined;
  const inBar = /\bbar\b/i.test(text);
  const inKpa = /\bkpa\b/i.test(text);
  const most = inBar ? { min: 0, max: 28 } : inKpa ? { min: 0, max: 2760 } : PSI;
  const read = listIn(text.replace(/\b(open|shut|closed|psi|bar|kpa)\b/gi, ' '), most);
  if (typeof read === 'string')
    return `${check.name}: ${read && `${read}; `}give the gauge after each pull in psi, such as "comp 62 98 117"`;
  const bad = read.find((n) => n < most.min || n > most.max);
  if (bad !== undefined)
    return `${check.name}: ${bad} ${inBar ? 'bar' : inKpa ? 'kPa' : 'psi'} is outside 0 to ${most.max}`;
  const psi = read.map((n) =>
    inBar ? rounded(barToPsi(n), 10) : inKpa ? rounded(fromKpa(n, 'psi'), 10) : n,
  );
  return {
    psi,
    ...((inBar || inKpa) && { in: inBar ? ('bar' as const) : ('kPa' as const) }),
    ...(decompressor && { decompressor }),
  };
}

/** What a measured check was read as, or one sentence on what is wrong with it. */
export function readingFor(check: CheckDef, said: string): Reading | string {
  const field = READING_FIELD[check.id];
  if (field === 'trace') return traceIn(check, said);
  if (field === 'mm') {
    // A minus sign is a lever below its face, not a range.
    const read = millimetresIn(check, unitsApart(said));
    if (typeof read === 'string') return `${check.name}: ${read || 'give millimetres, or add "thou"'}`;
    const bad = read.mm.find((n) => Math.abs(n) > 5);
    if (bad !== undefined) return `${check.name}: ${bad} mm cannot be right; for thousandths add "thou"`;
    return read;
  }
  const text = rangesApart(unitsApart(said));
  if (field === 'psi') return squeezeIn(check, text);
  if (field === 'rpm') {
    const rpm = listIn(text.replace(/\brpm\b/gi, ' '), RPM);
    if (typeof rpm === 'string')
      return `${check.name}: ${rpm && `${rpm}; `}give the speed in rpm, such as "${check.words[0]} 2750"`;
    const bad = rpm.find((n) => n < 0 || n > RPM.max);
    if (bad !== undefined) return `${check.name}: ${bad} rpm is outside 0 to 25,000`;
    return { rpm };
  }
  return `${check.name}: ${check.results.map((r) => r.label).join(', ')}?`;
}
