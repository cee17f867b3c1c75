import { CHECKS, PARTS, partOf, type CheckDef } from '../knowledge';
import { partsOff } from '../log';
import type { AtHand, Choice } from './understood';
import { checksNamed, squash } from './tokens';

const MOST = 5;
/** From so many letters on, what is being written can be guessed. */
const FROM = 2;

const nameOf = ({ id, words }: CheckDef): string[] => [id.replaceAll('-', ' '), ...words];

/** Checks one of whose names begins with what is written, the shortest name first. */
function checksBeginning(written: string): Choice[] {
  const wanted = squash(written);
  return CHECKS.flatMap((check) => {
    const name = nameOf(check).find((n) => squash(n).startsWith(wanted));
    return name === undefined ? [] : [{ label: check.name, line: `${name} `, length: name.length }];
  })
    .sort((x, y) => x.length - y.length)
    .map(({ label, line }) => ({ label, line }));
}

/** Results of the check that is named, as far as they are written. */
function resultsBeginning(name: string, said: string): Choice[] {
  const [check, other] = checksNamed(name);
  if (!check || other) return [];
  const wanted = squash(said);
  return check.results
    .filter((r) => !wanted || [r.label, r.id, ...(r.words ?? [])].some((w) => squash(w).startsWith(wanted)))
    .map((r) => ({ label: r.label, line: `${name} ${r.label}` }));
}

function partsBeginning(verb: string, written: string, at: AtHand): Choice[] {
  const off = new Set(partsOff({ off: at.off ?? [] }));
  const back = verb !== 'off';
  return PARTS.filter(({ id, name }) => off.has(id) === back && squash(name).startsWith(squash(written))).map(
    ({ id }) => ({ label: partOf(id).name, line: `${verb} ${partOf(id).name.toLowerCase()}` }),
  );
}

/**
 * What a line that is being written may become: checks, then their results, or parts, at most five, each with the whole
 * line it would make. Empty where nothing is to be guessed.
 *
 * @example
 * completions('plug wh').map((c) => c.line); // ['plug white']
 */
export function completions(line: string, at: AtHand = {}): Choice[] {
  const cut = line.lastIndexOf(';') + 1;
  const before = line.slice(0, cut) + (cut > 0 ? ' ' : '');
  const clause = line.slice(cut).trimStart();
  if (clause.trim().length < FROM || /^(note\b|#)/i.test(clause)) return [];
  const [first = '', ...rest] = clause.split(/\s+/);
  const verb = first.toLowerCase();
  const found = ['off', 'on', 'back'].includes(verb)
    ? partsBeginning(verb, rest.join(' '), at)
    : guess(clause, [first, ...rest]);
  return found.slice(0, MOST).map(({ label, line: whole }) => ({ label, line: before + whole }));
}

function guess(clause: string, words: readonly string[]): Choice[] {
  for (let n = Math.min(4, words.length - 1); n >= 1; n--) {
    const results = resultsBeginning(words.slice(0, n).join(' '), words.slice(n).join(' '));
    if (results.length > 0) return results;
  }
  return checksBeginning(clause);
}
