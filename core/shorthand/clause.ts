import {
  BEHAVIOURS,
  behaviourOf,
  checkOf,
  countProblem,
  oftenWords,
  resultOf,
  showsAtTimes,
  type CheckDef,
  type CheckId,
  type ComplaintId,
  type Counted,
  type Sureness,
} from '../knowledge';
import { toPutBack } from '../diagnosis';
import { offToStart, pullsWords, type StartOutcome, type StartState } from '../log';
import { moveInWords, type ScrewMove } from '../tuning';
import { questionOf, READING_FIELD } from '../reading';
import { parseTurns, formatTurns } from '../units';
import { countedIn, oftenIn } from './often';
import { readingFor } from './reading';
import { saidDone, toldInTalk } from './said';
import { asksForAResult, asNote, isTalk, talkWritten } from './talk';
import { checksNamed, findResult, isName, squash } from './tokens';
import { leftOff, MOST, named, partsIn, putAllBack, putBack, thrownAway, tookOff, tooLong } from './tray';
import { fail, understood, type AtHand, type Choice, type Understood } from './understood';

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

const hasDigit = (text: string): boolean => /\d/.test(text);

/** "wet after 20 pulls": what was seen, and the pulls before it. */
function splitPulls(check: CheckDef, text: string): { text: string; pulls?: number } {
  const match =
    check.results.some((r) => r.fromPulling) && /^(.*?)\s*after (\d{1,3})(?: pulls?)?$/.exec(text);
  return match ? { text: match[1] ?? '', pulls: Number(match[2]) } : { text };
}

/** "fails 1 of 3": what it showed, and how often it failed, where that may come and go. */
function splitCounts(check: CheckDef, text: string): { text: string; counts?: Counted } {
  if (!showsAtTimes(check)) return { text };
  const words = text.split(' ');
  for (let n = 1; n < words.length; n++) {
    const counts = countedIn(words.slice(n).join(' '));
    if (counts) return { text: words.slice(0, n).join(' '), counts };
  }
  return { text };
}

/** A check's result as a line that can mean nothing else. */
const plainly = ({ id }: CheckDef, said: string): string => `${id.replaceAll('-', ' ')} ${said}`;

/** What is written after an odd figure by somebody who stands by it. */
const STANDS_BY = / it is right$/;

/** An odd figure: understood, and asked about before it counts. */
const odd = (says: string, line: string): Understood => ({
  ok: false,
  odd: true,
  says,
  choices: [{ label: 'It is right', line: `${line} it is right` }],
});

function finding(check: CheckDef, rest: string): Understood {
  const { text: saidAll, sureness } = splitSureness(rest);
  const sure = STANDS_BY.test(saidAll);
  const said = saidAll.replace(STANDS_BY, '');
  const { text: counted, counts } = splitCounts(check, said);
  const { text, pulls } = splitPulls(check, counted);
  if (pulls !== undefined && pulls > 200) return fail(`${check.name}: ${pulls} pulls is more than 200`);
  const result = hasDigit(text) && READING_FIELD[check.id] ? null : findResult(check, text);
  if (result) {
    const label = resultOf(check.id, result)?.label ?? result;
    const problem = counts && countProblem(check, result, counts);
    if (problem) return { ok: false, odd: true, says: `${check.name}: ${problem}.` };
    return understood(
      `${check.name}: ${label}${counts ? `, ${counts.failed} of ${counts.of} failed` : ''}${pulls === undefined ? '' : `, ${pullsWords(pulls)}`}${SURE_WORDS[sureness]}`,
      {
        kind: 'finding',
        body: {
          check: check.id,
          result,
          sureness,
          ...(counts && { counts }),
          ...(pulls !== undefined && { pulls }),
        },
      },
    );
  }
  if (!text || !READING_FIELD[check.id] || check.id === 'screw-turns') {
    const choices = check.results.map((r) => ({ label: r.label, line: plainly(check, r.label) }));
    return fail(`${check.name}: which? ${choices.map((c) => c.label).join(', ')}`, choices);
  }
  const reading = readingFor(check, text);
  if (typeof reading === 'string') return fail(reading);
  if (sure) reading.confirmed = true;
  const question = questionOf(check.id, reading);
  if (question) return odd(question, plainly(check, said));
  const { psi = [], mm = [], rpm = [], trace } = reading;
  const shown = [...psi, ...mm, ...rpm, ...(trace?.points.map(([t, p]) => `${t} s ${p}`) ?? [])].join(' ');
  const unit = trace?.unit ?? READING_FIELD[check.id];
  return understood(
    `${check.name}: ${shown} ${unit}${reading.decompressor ? ', valve open' : ''}${SURE_WORDS[sureness]}`,
    { kind: 'finding', body: { check: check.id, reading, sureness } },
  );
}

/** "L 1 1/8", "H 2", "L 1 1/8 H 2": screws counted to their seats. */
function screws(written: string, { counted }: AtHand): Understood | null {
  const sure = STANDS_BY.test(written);
  const line = written.replace(STANDS_BY, '');
  const match = /^(?:([lh])\s+([\d\s.,/½¼¾⅛⅜⅝⅞]+?))(?:[\s,]+([lh])\s+([\d\s.,/½¼¾⅛⅜⅝⅞]+))?$/i.exec(line);
  if (!match) return null;
  const turns: { L?: number; H?: number } = {};
  for (const screw of ['L', 'H'] as const) {
    const before = counted?.[screw];
    // Given on lines of their own, they are one count.
    if (before !== undefined) turns[screw] = before;
  }
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
  const reading = { turns, ...(sure && { confirmed: true }) };
  const question = questionOf('screw-turns', reading);
  if (question) return odd(question, line);
  const says = Object.entries(turns).map(([s, v]) => `${s} ${formatTurns(v)}`);
  return understood(`${checkOf('screw-turns').name}: ${says.join(', ')} turns out`, {
    kind: 'finding',
    body: { check: 'screw-turns', reading, sureness: 'sure' },
  });
}

/** "L out 1/8", "H in 1/4", "stop in 1/8": a screw turned. */
function turned(line: string): Understood | null {
  const match = /^(l|h|stop)\s+(in|out)\s+([\d\s.,/½¼¾⅛⅜⅝⅞]+)$/i.exec(line);
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
  return understood(`Screw: ${moveInWords(body)}`, { kind: 'screw', body });
}

/** "start cold 4", "start warm 2 pops": a try at starting and the pulls it took. */
function started(line: string, at: AtHand): Understood | null {
  const match = /^start\s+(cold|warm|flooded)\s+(\d{1,3})(?:\s+(runs|pops|nothing))?$/i.exec(line);
  if (!match) return null;
  const pulls = Number(match[2]);
  if (pulls > 200) return fail(`Start: ${pulls} pulls is more than 200`);
  const state = match[1]!.toLowerCase() as StartState;
  // A flooded engine is cleared with its plug out.
  const on = (at.off ?? []).filter((item) => state !== 'flooded' || item.part !== 'plug');
  const off = offToStart({ off: on, trayPassed: at.trayPassed ?? false });
  if (off.length > 0)
    return fail(
      `Start: still off: ${off.map((item) => item.name.toLowerCase()).join(', ')}. Write "put all back" first.`,
    );
  const outcome = (match[3]?.toLowerCase() ?? 'runs') as StartOutcome;
  return understood(`Start ${state}: ${outcome} ${pullsWords(pulls)}`, {
    kind: 'start',
    body: { state, pulls, outcome },
  });
}

/** Which of the checks a word may name is meant: by the one that lies open, else by the result only one of them has. */
function meant(checks: readonly CheckDef[], rest: string, at: AtHand): CheckDef | readonly Choice[] {
  const [only] = checks;
  if (checks.length === 1) return only!;
  const off = partsIn(at);
  const open = checks.filter((c) => c.access.length > 0 && c.access.every((part) => off.has(part)));
  if (open.length === 1) return open[0]!;
  const { text } = splitSureness(rest);
  const having = checks.filter((c) => findResult(c, text));
  if (having.length === 1) return having[0]!;
  return checks.map((c) => ({ label: c.name, line: plainly(c, rest) }));
}

/** "decomp none": none of it seen, or none fitted? Only the check's whole name says. */
const eitherNone = ({ id, results }: CheckDef, name: readonly string[], said: string): boolean =>
  said === 'none' &&
  squash(name.join('')) !== squash(id) &&
  ['none', 'none-fitted'].every((none) => results.some((r) => r.id === none));

/** A check and what it showed, however the words are put: the longest name that makes sense wins. */
function checked(text: string, at: AtHand): Understood | null {
  const words = text.split(' ');
  let why: Understood | null = null;
  const tries: [name: string[], rest: string[]][] = [];
  for (let n = Math.min(4, words.length); n >= 1; n--) tries.push([words.slice(0, n), words.slice(n)]);
  // "heavy smoke", "no spark": what it showed comes first.
  for (let n = Math.min(3, words.length - 1); n >= 1; n--) tries.push([words.slice(-n), words.slice(0, -n)]);
  // A name as it stands comes before one that is nearly it: "decompressor bubbles no" is no name.
  const exact = ([name]: (typeof tries)[number]): boolean => isName(name.join('-').replace(/[?~]$/, ''));
  for (const [name, rest] of [...tries.filter(exact), ...tries.filter((t) => !exact(t))]) {
    const mark = /[?~]$/.exec(name.at(-1)!)?.[0] ?? '';
    const checks = checksNamed(name.join('-').replace(/[?~]$/, ''));
    if (checks.length === 0) continue;
    const said = (rest.join(' ').toLowerCase() === 'no' ? 'none' : rest.join(' ')) + mark;
    const check = meant(checks, said, at);
    const read =
      'id' in check
        ? // Nothing said: the choices come back.
          finding(check, eitherNone(check, name, said) ? '' : said)
        : fail(`Which? ${check.map((c) => `"${c.line}"`).join(' or ')}`, check);
    if (read.ok) return read;
    why ??= read;
  }
  return why;
}

/** What a running or turned engine cannot have shown with this much off. */
function impossible(check: CheckId, at: AtHand): Understood | null {
  const def = checkOf(check);
  const off = toPutBack(def, partsIn(at));
  return off.length > 0 ? fail(`${def.name}: still off: ${named(off)}. Write "put all back" first.`) : null;
}

/** "plug is not off": what was taken for off never was. */
const NOT_OFF = /^(?:the )?(.+?) (?:is|was|are|were) not off$/i;

const ALL_BACK = /^(?:put\s+)?(?:it\s+)?all\s+(?:back|on)(?:\s+on)?$|^(?:back|on)\s+all$/i;

/** What names no check with its result is a note, if somebody says so. */
const offerNote = (text: string): Understood => {
  const [first = ''] = text.split(' ');
  const says =
    checksNamed(first).length > 0 || isTalk(text)
      ? 'No check and its result. A note?'
      : `"${first}" is not a check I know. Write a check and its result, "off" or "on" with a part; or is it a note?`;
  const told = toldInTalk(text);
  return fail(says, [asNote(text), ...(told ? [told] : [])]);
};

/** Whether a line is a check's own name and one of its results, word for word: then it is that, whatever else its words might say. */
function namesItsResult(text: string): boolean {
  const words = splitSureness(text).text.split(' ');
  return [1, 2, 3, 4, 5].some((n) => {
    const said = squash(words.slice(n).join(''));
    return (
      isName(words.slice(0, n).join('-')) &&
      checksNamed(words.slice(0, n).join('-')).some((c) =>
        c.results.some((r) => [r.id, r.label, ...(r.words ?? [])].some((name) => squash(name) === said)),
      )
    );
  });
}

const COMPLAINTS: readonly (readonly [string, ComplaintId])[] = BEHAVIOURS.flatMap(({ id, label }) =>
  [id, label].map((name) => [squash(name), id] as const),
);
/** "cuts dead 1 of 3": a complaint by its name, with how often it does it. */
function complained(text: string): Understood | null {
  const words = text.split(' ');
  for (let n = words.length - 1; n >= 1; n--) {
    const [, complaint] = COMPLAINTS.find(([name]) => name === squash(words.slice(0, n).join(''))) ?? [];
    const often = complaint && oftenIn(words.slice(n).join(' '));
    if (often)
      return understood(`Complaint: ${behaviourOf(complaint).label}, ${oftenWords(often)}`, {
        kind: 'complaint',
        body: { complaint, often },
      });
  }
  return null;
}

/** Reads one thing written on the bench line. Never guesses: what is unclear comes back with the choices. */
export function readClause(line: string, at: AtHand): Understood {
  const text = line.trim().replace(/\s+/g, ' ');
  if (!text) return fail('Nothing written.');
  const [first = '', ...others] = text.split(' ');
  const rest = others.join(' ');
  const word = first.toLowerCase().replace(/:$/, '');
  if (word === 'note' || word === '#') {
    if (!rest) return fail('Note: write something after it.');
    return (
      tooLong('Note', rest, MOST.note) ?? understood(`Note: ${rest}`, { kind: 'note', body: { text: rest } })
    );
  }
  const talk = talkWritten(text);
  if (talk)
    return (
      tooLong('Note', talk.text, MOST.note) ??
      understood(`${asNote(text).label}: ${talk.text}`, { kind: 'note', body: talk })
    );
  const told = word === 'said' && saidDone(rest);
  if (told) return told;
  const complaint = complained(text);
  if (complaint) return complaint;
  if (ALL_BACK.test(text)) return putAllBack(at);
  if (isTalk(text) && !namesItsResult(text) && !/^(put )?\S+ back( on)?$/i.test(text)) return offerNote(text);
  if (word === 'left') return leftOff(rest.replace(/^off\s+/i, ''), at);
  if (word === 'bin') return thrownAway(rest, at);
  if (word === 'off') return tookOff(rest, at);
  if (word === 'on' || word === 'back') return putBack(rest, at);
  const putting = /^put (.+) back(?: on)?$/i.exec(text) ?? NOT_OFF.exec(text);
  if (putting) return putBack(putting[1]!, at);
  const done = turned(text) ?? started(text, at) ?? screws(text, at);
  if (done) return done;
  const read = checked(text, at);
  if (!read || (!read.ok && !read.odd && !asksForAResult(text))) return offerNote(text);
  if (!read.ok && read.choices && !read.odd) return { ...read, choices: [...read.choices, asNote(text)] };
  const [entry] = read.ok ? read.entries : [];
  return (entry?.kind === 'finding' && impossible(entry.body.check, at)) || read;
}
