import {
  PRIOR_WORK,
  priorWorkOf,
  type PriorWorkId,
  type SaidBy,
  type SaidDone,
  type SaidEffect,
} from '../knowledge';
import { saidDoneWords } from '../log';
import { nearest } from './spelling';
import { squash } from './tokens';
import { fail, understood, type Choice, type Understood } from './understood';

const BY: readonly (readonly [SaidBy, RegExp])[] = [
  ['shop', /\b(?:by |at |from )?(?:an?other |the )?(?:shop|dealer|workshop)\b/i],
  [
    'owner',
    /\b(?:at home|by (?:the |an? |his |her |their )?(?:owner|neighbou?r|himself|herself|themselves|him|her|them|brother|son|husband|wife|friend))\b/i,
  ],
];
/** In the order they are looked for: "not better" is no "better". */
const EFFECTS: readonly (readonly [SaidEffect, RegExp])[] = [
  ['trouble-since', /\b(?:the )?(?:trouble (?:since|after|began with it)|worse(?: since)?|since then)\b/i],
  [
    'no-change',
    /\b(?:no (?:change|better|effect|good)|not better|changed nothing|did(?:n.?t| not) help|in vain)\b/i,
  ],
  ['better-for-a-while', /\b(?:better|helped|cured)(?: for a while)?\b/i],
];
/** Months in what a time is told in. */
const MONTHS: Readonly<Record<string, number>> = { day: 12 / 365, week: 12 / 52, month: 1, year: 12 };
const AGO = /\b(\d{1,3}|an?|one|two|three|six) (day|week|month|year)s? ago\b/i;
const NUMBERS: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, six: 6 };
const LAST = /\blast (week|month|year)\b/i;
const JUST = /\b(?:just|yesterday|today|this week)\b/i;
/** What says that it was done, not what. */
const FILLERS =
  /\b(?:an?|the|it|was|were|is|has|had|been|got|new|fresh|changed|replaced|renewed|fitted|done|cleaned|turned|put|in|off|out|on)\b/gi;

/** How long ago something was, months, to a tenth; undefined: nobody says. */
function monthsIn(text: string): number | undefined {
  const [, n = '', unit = ''] = AGO.exec(text) ?? [];
  const [, last = ''] = LAST.exec(text) ?? [];
  const months = unit
    ? (NUMBERS[n.toLowerCase()] ?? Number(n)) * MONTHS[unit.toLowerCase()]!
    : MONTHS[last.toLowerCase()];
  if (months !== undefined) return Math.round(months * 10) / 10;
  return JUST.test(text) ? 0 : undefined;
}

const NAMES: readonly (readonly [string, PriorWorkId])[] = PRIOR_WORK.flatMap(({ id, label, words }) =>
  [id, label, ...words].map((name) => [squash(name), id] as const),
);

/** The way half the trade spells it. */
const CARBURETOR = /\bcarburet+[eo]rs?\b/gi;

/** The pieces of work some words may name: as they stand, without what says only that it was done, or nearly spelt so. */
function workIn(text: string): PriorWorkId[] {
  const bare = squash(text.replace(FILLERS, ' '));
  for (const wanted of [squash(text), bare]) {
    const found = NAMES.filter(([name]) => name === wanted).map(([, id]) => id);
    if (wanted && found.length > 0) return [...new Set(found)];
  }
  return bare.length < 4 ? [] : nearest(bare, NAMES);
}

const VERBS = 'changed|replaced|fitted|renewed|cleaned|rebuilt|put in';
/** "his brother changed the plug", "she had the coil replaced last year": what was worked on, and the verb. */
const WORKED = new RegExp(`\\b(${VERBS}) (?:the |an? |his |her )?(.+)$`, 'i');
const HAD_IT_DONE = new RegExp(`\\b(?:had|got) (?:the |an? |his |her )?(.+? (?:${VERBS})\\b.*)$`, 'i');

/** The line that says of plain talk what it tells of: work done before. Null: it tells of none, or might of several. */
export function toldInTalk(text: string): Choice | null {
  const [, had] = HAD_IT_DONE.exec(text) ?? [];
  const [, verb = '', what] = WORKED.exec(text) ?? [];
  const told = had ?? (what && `${what} ${verb}`);
  const read = told ? saidDone(told) : null;
  const [entry] = read?.ok ? read.entries : [];
  if (entry?.kind !== 'said-done') return null;
  return { label: `Said done: ${saidDoneWords(entry.body)}`, line: `said ${saidDoneWords(entry.body)}` };
}

/**
 * Reads "coil new by shop, no change" after "said": work that is told of, done before the machine came in. Null: it names
 * no work, and is talk.
 */
export function saidDone(text: string): Understood | null {
  const effect = EFFECTS.find(([, says]) => says.test(text));
  const by = BY.find(([, says]) => says.test(text));
  const months = monthsIn(text);
  const named = [effect?.[1], by?.[1], AGO, LAST, JUST]
    .reduce((t, cut) => (cut ? t.replace(cut, ' ') : t), text)
    .replace(CARBURETOR, 'carburettor')
    .replace(/[\s,]+/g, ' ')
    .trim();
  const works = workIn(named);
  const [work, other] = works;
  if (!work) return null;
  const toldOf = (of: PriorWorkId): SaidDone => ({
    work: of,
    ...(by && { by: by[0] }),
    ...(months !== undefined && { monthsAgo: months }),
    ...(effect && { effect: effect[0] }),
  });
  if (other)
    return fail(
      `Said to be done: which? ${works.map((id) => priorWorkOf(id).label).join(', ')}`,
      works.map((id) => ({ label: priorWorkOf(id).label, line: `said ${saidDoneWords(toldOf(id))}` })),
    );
  return understood(`Said to be done: ${saidDoneWords(toldOf(work))}`, {
    kind: 'said-done',
    body: toldOf(work),
  });
}
