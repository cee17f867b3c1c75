import { checkOf, CHECKS, PARTS, type CheckDef, type CheckId, type PartId } from '../knowledge';
import { nearest } from './spelling';

/** A word as it is compared: small letters and figures alone. */
export const squash = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

const checkWords = new Map<string, CheckDef>();
for (const check of CHECKS) {
  checkWords.set(squash(check.id), check);
  for (const word of check.words) checkWords.set(squash(word), check);
}

/** Words that may name either of two checks: which, what lies open or the result says. */
const EITHER: Readonly<Record<string, readonly CheckId[]>> = {
  screen: ['inlet-screen', 'spark-screen-look'],
  boot: ['intake-boot', 'plug-lead-look'],
};

/** Whether a word is a check's name as it stands, no letter guessed. */
export const isName = (word: string): boolean => checkWords.has(squash(word)) || squash(word) in EITHER;

/** The checks a word may name: one, if it is clear; several, if what lies open or the result must say. Empty: none. */
export function checksNamed(word: string): CheckDef[] {
  const wanted = squash(word);
  if (EITHER[wanted]) return EITHER[wanted].map((id) => checkOf(id));
  const exact = checkWords.get(wanted);
  if (exact) return [exact];
  // A figure is no letter wrong.
  if (wanted.length < 3 || /\d/.test(wanted)) return [];
  const starts = new Set([...checkWords].filter(([key]) => key.startsWith(wanted)).map(([, check]) => check));
  if (starts.size === 1) return [...starts];
  const spelt = nearest(wanted, checkWords);
  return spelt.length === 1 ? spelt : [];
}

/** Words without which the rest of a label says another thing: "part coked" is not "coked". */
const QUALIFIERS = /^(part|no|not|none|stuck|will not)\b/;
const unqualified = (check: CheckDef): CheckDef['results'] =>
  check.results.filter((r) => !QUALIFIERS.test(r.label));

/** The result of a check that some words name: by id, label or another word for it, by a unique start, or nearly spelt so. */
export function findResult(check: CheckDef, text: string): string | null {
  const wanted = squash(text);
  if (!wanted) return null;
  const whole = check.results.flatMap((r) =>
    [r.id, r.label, ...(r.words ?? [])].map((name) => [squash(name), r.id] as const),
  );
  const inner = unqualified(check).flatMap((r) =>
    [...r.id.split('-'), ...r.label.split(/\W+/)]
      .map(squash)
      .filter((word) => word.length > 2)
      .map((word) => [word, r.id] as const),
  );
  const only = (ids: readonly string[]): string | null => {
    const different = new Set(ids);
    return different.size === 1 ? [...different][0]! : null;
  };
  return (
    only(whole.filter(([name]) => name === wanted).map(([, id]) => id)) ??
    only(whole.filter(([name]) => name.startsWith(wanted)).map(([, id]) => id)) ??
    only(inner.filter(([word]) => word.startsWith(wanted)).map(([, id]) => id)) ??
    only(nearest(wanted, [...whole, ...inner]))
  );
}

const PART_WORDS: Readonly<Record<string, PartId>> = {
  cover: 'top-cover',
  top: 'top-cover',
  carb: 'carburettor',
  starter: 'recoil',
  airbox: 'air-box',
  filterbox: 'air-box',
  metering: 'metering-cover',
  pump: 'pump-cover',
  screen: 'muffler-cover',
  bar: 'tool',
  chain: 'tool',
  head: 'tool',
  blade: 'tool',
  tank: 'tank-drained',
  fuel: 'tank-drained',
};

const PART_NAMES: readonly (readonly [string, PartId])[] = [
  ...Object.entries(PART_WORDS),
  ...PARTS.flatMap(({ id, name }) => [[squash(id), id] as const, [squash(name), id] as const]),
];

/** The part of the access list some words name, nearly spelt so included, or null: then it is a loose thing. */
export function findPart(text: string): PartId | null {
  const wanted = squash(text);
  const exact = PART_NAMES.find(([name]) => name === wanted);
  if (exact) return exact[1];
  const starts = new Set(
    wanted.length >= 3 ? PARTS.filter((p) => squash(p.id).startsWith(wanted)).map((p) => p.id) : [],
  );
  if (starts.size === 1) return [...starts][0]!;
  const spelt = nearest(wanted, PART_NAMES);
  return spelt.length === 1 ? spelt[0]! : null;
}
