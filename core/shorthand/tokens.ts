import { CHECKS, PARTS, type CheckDef, type PartId } from '../knowledge';

const squash = (text: string): string => text.toLowerCase().replace(/[^a-z0-9]/g, '');

const checkWords = new Map<string, CheckDef>();
for (const check of CHECKS) {
  checkWords.set(squash(check.id), check);
  for (const word of check.words) checkWords.set(squash(word), check);
}

/** The check a word or id names: exact first, then by a unique start of at least three letters. Null when unclear. */
export function findCheck(word: string): CheckDef | null {
  const wanted = squash(word);
  const exact = checkWords.get(wanted);
  if (exact) return exact;
  if (wanted.length < 3) return null;
  const found = new Set([...checkWords].filter(([key]) => key.startsWith(wanted)).map(([, check]) => check));
  return found.size === 1 ? ([...found][0] ?? null) : null;
}

/** The result of a check a word names, by id or label, exact or by any unique start of a word in it. */
export function findResult(check: CheckDef, text: string): string | null {
  const wanted = squash(text);
  if (!wanted) return null;
  const names = check.results.map((r) => ({ id: r.id, keys: [squash(r.id), squash(r.label)] }));
  const exact = names.find((n) => n.keys.includes(wanted));
  if (exact) return exact.id;
  const starts = names.filter((n) => n.keys.some((key) => key.startsWith(wanted)));
  if (starts.length === 1) return starts[0]?.id ?? null;
  const inner = check.results.filter((r) =>
    [...r.id.split('-'), ...r.label.split(/\W+/)].some((word) => squash(word).startsWith(wanted)),
  );
  return inner.length === 1 ? (inner[0]?.id ?? null) : null;
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

/** The part of the access list some words name, or null: then it is a loose thing. */
export function findPart(text: string): PartId | null {
  const wanted = squash(text);
  const byWord = PART_WORDS[wanted];
  if (byWord) return byWord;
  const found = PARTS.filter((part) => squash(part.id) === wanted || squash(part.name) === wanted);
  if (found.length === 1) return found[0]?.id ?? null;
  const starts = wanted.length >= 3 ? PARTS.filter((part) => squash(part.id).startsWith(wanted)) : [];
  return starts.length === 1 ? (starts[0]?.id ?? null) : null;
}
