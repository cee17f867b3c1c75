import type { TalkAbout } from '../log';
import { checksNamed, isName } from './tokens';
import type { Choice } from './understood';

const MYSELF = /\bI\b(?!$)/;
/** People, days and the shop's errands: words that say nothing of a machine. */
const PEOPLE =
  /\b(he|she|him|her|his|hers|herself|himself|they|them|their|we|me|us|you|owner|customer|client|neighbou?r|brother|son|daughter|wife|husband|school|team|somebody|maker)\b/i;
const DAYS =
  /\b(today|tomorrow|yesterday|tonight|weekend|(mon|tues|wednes|thurs|fri|satur|sun)day|lunch|noon|evening|morning|overnight|later|again|already|next time|last (time|year|week|month)|this (one|year|week))\b/i;
const ERRANDS =
  /\b(promis\w*|rang|call(ed|s)?|phoned?|message|engaged|order(ed|s)?|told|explained|showed|warned|quoted|gave|sa(ys|id|y)|thinks?|asks?|wants?|wanted|needs?|need|pays|paid|invoice|collects?|picks? (it|up)|ready (by|for)|arrived|waiting for|remember|forget|warranty|hurry|urgent|maybe|could be|not sure|lost the|found the)\b/i;
/** "ring" is a part as well: it is a call where somebody is rung. */
const RING_SOMEBODY = /\bring (the owner|her|him|them|back|before|[A-Z]\w+)/;
/** "off", "on", "back", "start" and "left" of people, not of parts. */
const AWAY =
  /^(off|on|back|start|left|put)\s+(to|for|in|at|after|by|it|sick|with|on|the (shelf|tag|bench)|tomorrow|today|later|soon|\w+day)\b/i;

const ABOUT: readonly (readonly [TalkAbout, RegExp])[] = [
  ['promise', /\bpromis\w*|\bready (by|for)\b/i],
  ['call', /\b(rang|call(ed|s)?|phoned?|message|engaged)\b/i],
  ['told', /^(told|explained|showed|warned|quoted|gave)\b|\bagreed\b/i],
  ['order', /\border(ed|s)?\b|^need a\b|\bwaiting for\b|\bcomes \w+day\b|\barrived\b/i],
  ['said', /\b(says?|said|thinks)\b|^(she|he|they|owner|customer|his|her|their|\w+ team)\b/i],
];

const aboutOf = (text: string): TalkAbout | null =>
  RING_SOMEBODY.test(text) || /^(to )?ring (the|before)/i.test(text)
    ? 'call'
    : (ABOUT.find(([, says]) => says.test(text))?.[0] ?? null);

/** How a line of each kind begins when it is written out. */
const TALK_WORDS: Readonly<Record<TalkAbout, string>> = {
  promise: 'promised',
  call: 'call',
  order: 'order',
  said: 'owner said',
  told: 'told',
};
const LABELS: Readonly<Record<TalkAbout, string>> = {
  promise: 'Note a promise',
  call: 'Note a call',
  order: 'Note an order',
  said: 'Note what the owner said',
  told: 'Note what the owner was told',
};

const WRITTEN = new RegExp(`^(${Object.values(TALK_WORDS).join('|')}):\\s+(.+)$`, 'i');

/** A note that says itself what it is about: "owner said: it smoked". Null: it says nothing of the kind. */
export function talkWritten(text: string): { about: TalkAbout; text: string } | null {
  const match = WRITTEN.exec(text);
  const [, word = '', said = ''] = match ?? [];
  const about = (Object.keys(TALK_WORDS) as TalkAbout[]).find((a) => TALK_WORDS[a] === word.toLowerCase());
  return about ? { about, text: said } : null;
}

/** The line as a note, of what it plainly is. */
export function asNote(text: string): Choice {
  const about = aboutOf(text);
  return about
    ? { label: LABELS[about], line: `${TALK_WORDS[about]}: ${text.replace(/^promised\s+/i, '')}` }
    : { label: 'Note it', line: `note ${text}` };
}

/** Whether a line is plainly talk, before anything else is read into it. */
export const isTalk = (text: string): boolean =>
  MYSELF.test(text) ||
  PEOPLE.test(text) ||
  DAYS.test(text) ||
  ERRANDS.test(text) ||
  RING_SOMEBODY.test(text) ||
  AWAY.test(text);

/** Whether a line that names no result still asks for one: a check's name with a word or a figure too few or too many. */
export function asksForAResult(text: string): boolean {
  const words = text.replace(/[?~]$/, '').split(' ');
  if (words.length <= 2) return true;
  const named = [1, 2, 3].find((n) => isName(words.slice(0, n).join('-')));
  if (named === undefined) return false;
  const rest = words.slice(named).join(' ');
  return checksNamed(words.slice(0, named).join('-')).some((c) => c.reading !== undefined) && /\d/.test(rest);
}
