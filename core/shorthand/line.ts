import { nameOfThing, type Noted } from '../log';
import { readClause } from './clause';
import type { AtHand, Understood } from './understood';

/**
 * Reads one line of shop shorthand:
 *
 *     line     = clause { (";" | ",") clause }
 *     clause   = "note" text | "off" thing | ("on" | "back") thing ["new"] | "put" thing "back" | thing "is not off"
 *              | "put all back" | "bin" thing | "left off" thing ":" why
 *              | "said" work ["by" whom] [n "months ago"] [what came of it]
 *              | complaint often | screws | turned | started | check [result | reading] [sureness] | result check
 *     often    = n "of" n | "every time" | "now and then"
 *     thing    = part | layer [condition] ["count lost"] | [n] loose thing ["," place]
 *     screws   = ("L" | "H") turns [("L" | "H") turns]      turns in eighths: 1 1/8, 3/4, 1.5
 *     turned   = ("L" | "H" | "stop") ("in" | "out") turns
 *     started  = "start" ("cold" | "warm" | "flooded") pulls ["runs" | "pops" | "nothing"]
 *     result   = one of the check's results [n "of" n] ["after" n "pulls"]     counts where it may come and go, pulls with the plug only
 *     reading  = numbers, as the check measures: psi, bar or kPa per pull; mm, thou or inches per leg; rpm;
 *                seconds:gauge pairs and a unit for a watched gauge
 *     sureness = "?" doubtful | "~" fairly sure | nothing: sure
 *
 * A check is named by its id or one of its words, any unique start of three letters or more, or nearly spelt so; a result
 * likewise. `at` says what is off: then a word that may name two checks is the one that lies open, and what needs the engine
 * together is refused. All of a line is understood, or nothing of it is logged.
 *
 * @example
 * readShorthand('smell stale; off recoil');
 * // { ok: true, entries: [{ kind: 'finding', … }, { kind: 'took-off', … }], says: 'Smell the fuel: stale; Took off: recoil starter' }
 */
export function readShorthand(line: string, at: AtHand = {}): Understood {
  if (/^\s*(note\b|#)/i.test(line)) return readClause(line, at);
  if (line.includes(';')) return together(line.split(';'), at);
  const whole = readClause(line, at);
  if (!line.includes(',') || (whole.ok && whole.entries[0]?.kind === 'finding')) return whole;
  const parts = together(line.split(','), at);
  return parts.ok ? parts : whole;
}

/** Several clauses as one, each read as the ones before it leave the bench, or why one of them is not understood. */
function together(clauses: readonly string[], at: AtHand): Understood {
  const read: Extract<Understood, { ok: true }>[] = [];
  let now = at;
  for (const text of clauses.filter((t) => t.trim())) {
    const one = readClause(text, now);
    if (!one.ok) return one;
    read.push(one);
    now = afterwards(now, one.entries);
  }
  if (read.length === 0) return { ok: false, says: 'Nothing written.' };
  return {
    ok: true,
    entries: read.flatMap((u) => u.entries),
    says: read.map((u) => u.says).join('; '),
  };
}

/** What is off once something more was noted; of a bench that nothing is known of, still nothing. */
function afterwards(at: AtHand, noted: readonly Noted[]): AtHand {
  if (!at.off) return at;
  let off = at.off;
  for (const one of noted) {
    if (one.kind !== 'took-off' && one.kind !== 'put-back') continue;
    const name = nameOfThing(one.body);
    off = off.filter((item) => item.name.toLowerCase() !== name.toLowerCase());
    if (one.kind === 'took-off') off = [...off, { ...one.body, name }];
  }
  return { ...at, off };
}
