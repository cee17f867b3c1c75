import { checkOf, resultOf, type CheckDef, type Sureness } from '../knowledge';
import { pullsWords, type Bodies, type EntryKind, type StartOutcome, type StartState } from '../log';
import { moveInWords, type ScrewMove } from '../tuning';
import { partOf } from '../knowledge';
import { READING_FIELD, type Reading } from '../reading';
import { parseTurns, formatTurns, PRESSURE_UNITS, thouToMm } from '../units';
import { findCheck, findPart, findResult } from './tokens';

/** What one line of shop shorthand was understood as, or why it was not. */
export type Understood =
  | { ok: true; entry: { [K in EntryKind]: { kind: K; body: Bodies[K] } }[EntryKind]; says: string }
  | { ok: false; says: string };

const fail = (says: string): Understood => ({ ok: false, says });

/** A trailing `?` is doubtful, a trailing `~` fairly sure. */
function splitSureness(text: string): { text: string; sureness: Sureness } {
  if (text.endsWith('?')) return { text: text.slice(0, -1).trim(), sureness: 'doubtful' };
  if (text.endsWith('~')) return { text: text.slice(0, -1).trim(), sureness: 'fair' };
  return { text, sureness: 'sure' };
}

const SURE_WORDS: Readonly<Record<Sureness, string>> = {
  sure: '',
  fair: ', fairly sure',
  doubtful: ', doubtful',
};

const numbersIn = (text: string): number[] | null => {
  const parts = text.split(/[\s,]+/).filter(Boolean);
  const numbers = parts.map(Number);
  return parts.length > 0 && numbers.every((n) => Number.isFinite(n)) ? numbers : null;
};

/** Millimetres from "0.30", ".30 .45", "top .30 bottom .45" or "12 thou". */
function millimetresIn(text: string): number[] | null {
  const thou = /thou\b/.test(text);
  const numbers = numbersIn(text.replace(/\b(top|bottom|upper|lower|mm|thou)\b/g, ' '));
  if (!numbers) return null;
  return thou ? numbers.map((n) => Math.round(thouToMm(n) * 1000) / 1000) : numbers;
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

function readingFor(check: CheckDef, text: string): Reading | string {
  const field = READING_FIELD[check.id];
  const trimmed = text.replace(/\b(psi|rpm)\b/g, ' ').trim();
  if (field === 'psi') {
    const decompressor = /\bopen\b/.test(trimmed) ? ('open' as const) : undefined;
    const numbers = numbersIn(trimmed.replace(/\b(open|shut|closed)\b/g, ' '));
    if (!numbers) return `${check.name}: give the gauge after each pull in psi, such as "comp 62 98 117"`;
    const bad = numbers.find((n) => n < 0 || n > 400);
    if (bad !== undefined) return `${check.name}: ${bad} psi is outside 0 to 400`;
    return { psi: numbers, ...(decompressor && { decompressor }) };
  }
  if (field === 'mm') {
    const mm = millimetresIn(trimmed);
    if (!mm) return `${check.name}: give millimetres, or add "thou"`;
    const bad = mm.find((n) => Math.abs(n) > 5);
    if (bad !== undefined) return `${check.name}: ${bad} mm cannot be right; for thousandths add "thou"`;
    return { mm };
  }
  if (field === 'rpm') {
    const rpm = numbersIn(trimmed);
    if (!rpm) return `${check.name}: give the speed in rpm, such as "idle 2750"`;
    const bad = rpm.find((n) => n < 0 || n > 25000);
    if (bad !== undefined) return `${check.name}: ${bad} rpm is outside 0 to 25,000`;
    return { rpm };
  }
  if (field === 'trace') return traceIn(check, text);
  return `${check.name}: ${check.results.map((r) => r.label).join(', ')}?`;
}

const hasDigit = (text: string): boolean => /\d/.test(text);

/** "wet after 20 pulls": what was seen, and the pulls before it. */
function splitPulls(check: CheckDef, text: string): { text: string; pulls?: number } {
  const match =
    check.results.some((r) => r.fromPulling) && /^(.*?)\s*after (\d{1,3})(?: pulls?)?$/.exec(text);
  return match ? { text: match[1] ?? '', pulls: Number(match[2]) } : { text };
}

function finding(check: CheckDef, rest: string): Understood {
  const { text: said, sureness } = splitSureness(rest);
  const { text, pulls } = splitPulls(check, said);
  if (pulls !== undefined && pulls > 200) return fail(`${check.name}: ${pulls} pulls is more than 200`);
  const result = hasDigit(text) && READING_FIELD[check.id] ? null : findResult(check, text);
  if (result) {
    const label = resultOf(check.id, result)?.label ?? result;
    return {
      ok: true,
      entry: {
        kind: 'finding',
        body: { check: check.id, result, sureness, ...(pulls !== undefined && { pulls }) },
      },
      says: `${check.name}: ${label}${pulls === undefined ? '' : `, ${pullsWords(pulls)}`}${SURE_WORDS[sureness]}`,
    };
  }
  const options = check.results.map((r) => r.label).join(', ');
  if (!text || !READING_FIELD[check.id] || check.id === 'screw-turns')
    return fail(`${check.name}: which? ${options}`);
  const reading = readingFor(check, text);
  if (typeof reading === 'string') return fail(reading);
  const { psi = [], mm = [], rpm = [], trace } = reading;
  const shown = [...psi, ...mm, ...rpm, ...(trace?.points.map(([t, p]) => `${t} s ${p}`) ?? [])].join(' ');
  const unit = trace?.unit ?? READING_FIELD[check.id];
  return {
    ok: true,
    entry: { kind: 'finding', body: { check: check.id, reading, sureness } },
    says: `${check.name}: ${shown} ${unit}${reading.decompressor ? ', valve open' : ''}${SURE_WORDS[sureness]}`,
  };
}

/** "L 1 1/8", "H 2", "L 1 1/8 H 2": screws counted to their seats. */
function screws(line: string): Understood | null {
  const match = /^(?:([lh])\s+([\d\s./]+?))(?:\s+([lh])\s+([\d\s./]+))?$/i.exec(line);
  if (!match) return null;
  const turns: { L?: number; H?: number } = {};
  for (const [screw, text] of [
    [match[1], match[2]],
    [match[3], match[4]],
  ]) {
    if (!screw || text === undefined) continue;
    const value = parseTurns(text);
    if (value === null)
      return fail(
        `${screw.toUpperCase()}: "${text.trim()}" is not a screw position; write turns and eighths, such as "1 1/8"`,
      );
    turns[screw.toUpperCase() as 'L' | 'H'] = value;
  }
  const says = Object.entries(turns).map(([s, v]) => `${s} ${formatTurns(v)}`);
  return {
    ok: true,
    entry: { kind: 'finding', body: { check: 'screw-turns', reading: { turns }, sureness: 'sure' } },
    says: `${checkOf('screw-turns').name}: ${says.join(', ')} turns out`,
  };
}

/** "L out 1/8", "H in 1/4", "stop in 1/8": a screw turned. */
function turned(line: string): Understood | null {
  const match = /^(l|h|stop)\s+(in|out)\s+([\d\s./]+)$/i.exec(line);
  if (!match) return null;
  const screw = match[1]!.toLowerCase() === 'stop' ? 'stop' : (match[1]!.toUpperCase() as 'L' | 'H');
  const turns = parseTurns(match[3]!);
  const eighths = turns === null ? null : Math.round(turns * 16) / 2;
  if (!eighths || eighths > 32)
    return fail(
      `${match[1]}: "${match[3]!.trim()}" is not a turn of a screw; write eighths, such as "L out 1/8"`,
    );
  const out = match[2]!.toLowerCase() === 'out';
  const body: ScrewMove = { screw, eighths: (screw === 'stop') === out ? -eighths : eighths };
  return { ok: true, entry: { kind: 'screw', body }, says: `Screw: ${moveInWords(body)}` };
}

/** "start cold 4", "start warm 2 pops": a try at starting and the pulls it took. */
function started(line: string): Understood | null {
  const match = /^start\s+(cold|warm|flooded)\s+(\d{1,3})(?:\s+(runs|pops|nothing))?$/i.exec(line);
  if (!match) return null;
  const pulls = Number(match[2]);
  if (pulls > 200) return fail(`Start: ${pulls} pulls is more than 200`);
  const state = match[1]!.toLowerCase() as StartState;
  const outcome = (match[3]?.toLowerCase() ?? 'runs') as StartOutcome;
  return {
    ok: true,
    entry: { kind: 'start', body: { state, pulls, outcome } },
    says: `Start ${state}: ${outcome} ${pullsWords(pulls)}`,
  };
}

function offOrOn(kind: 'took-off' | 'put-back', rest: string): Understood {
  const verb = kind === 'took-off' ? 'Took off' : 'Put back';
  if (!rest)
    return fail(`${verb} what? Name the part, such as "${kind === 'took-off' ? 'off' : 'on'} recoil"`);
  const part = findPart(rest);
  return part
    ? { ok: true, entry: { kind, body: { part } }, says: `${verb}: ${partOf(part).name.toLowerCase()}` }
    : {
        ok: true,
        entry: { kind, body: { thing: rest.slice(0, 120) } },
        says: `${verb}: ${rest} (loose thing)`,
      };
}

/**
 * Reads one line of shop shorthand:
 *
 *     line     = "note" text | ("off" | "on") part | screws | turned | started | check [result | reading] [sureness]
 *     screws   = ("L" | "H") turns [("L" | "H") turns]      turns in eighths: 1 1/8, 3/4, 1.5
 *     turned   = ("L" | "H" | "stop") ("in" | "out") turns
 *     started  = "start" ("cold" | "warm" | "flooded") pulls ["runs" | "pops" | "nothing"]
 *     result   = one of the check's results ["after" n "pulls"]     pulls with the plug only
 *     reading  = numbers, as the check measures: psi per pull, mm or thou per leg, rpm;
 *                seconds:gauge pairs and a unit for a watched gauge
 *     sureness = "?" doubtful | "~" fairly sure | nothing: sure
 *
 * A check is named by its id or one of its words, or any unique start of three letters or more; a result by a unique
 * start. Never guesses: what is unclear comes back with the choices.
 */
export function readShorthand(line: string): Understood {
  const text = line.trim().replace(/\s+/g, ' ');
  if (!text) return fail('Nothing written.');
  const [first = '', ...others] = text.split(' ');
  const rest = others.join(' ');
  const word = first.toLowerCase().replace(/:$/, '');
  if (word === 'note' || word === '#') {
    return rest
      ? { ok: true, entry: { kind: 'note', body: { text: rest.slice(0, 2000) } }, says: `Note: ${rest}` }
      : fail('Note: write something after it.');
  }
  if (word === 'off') return offOrOn('took-off', rest);
  if (word === 'on' || word === 'back') return offOrOn('put-back', rest);
  const done = turned(text) ?? started(text);
  if (done) return done;
  const counted = screws(text);
  if (counted) return counted;
  // The check may be named by more than one word: the longest name that fits wins.
  const words = text.split(' ');
  for (let n = Math.min(4, words.length); n >= 1; n--) {
    const check = findCheck(words.slice(0, n).join('-').replace(/[?~]$/, ''));
    if (!check) continue;
    const marks =
      /[?~]$/.test(words[n - 1] ?? '') && n === words.length ? (words[n - 1] ?? '').slice(-1) : '';
    return finding(check, words.slice(n).join(' ') + marks);
  }
  return fail(
    `"${first}" is not a check I know. Write a check and its result, "off" or "on" with a part, or "note".`,
  );
}
