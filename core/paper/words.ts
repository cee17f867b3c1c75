import type { Finding, Said } from '../log';
import { checkOf, onTool, type CauseId } from '../knowledge';
import type { MachineKind } from '../machine';
import { measured } from './measured';
import { PLAIN_CAUSE } from './plain/causes';
import { PLAIN_RESULT } from './plain/checks';

/** A sentence resting on entries. */
export const said = (text: string, ...from: readonly (string | undefined)[]): Said => ({
  text,
  from: from.filter((f): f is string => f !== undefined),
});

/** What a check showed, in a layman's sentence with its figures; null where it showed nothing. */
export function findingSaid(finding: Finding, kind: MachineKind): Said | null {
  const { check, result, sureness, counts, entryId } = finding;
  if (result === null) return null;
  const plain = (PLAIN_RESULT[check] as Readonly<Record<string, string>>)[result];
  if (plain === undefined) throw new Error(`${checkOf(check).name} has no result ${result}`);
  const unsure = sureness === 'doubtful' ? ' We could not be certain of it.' : '';
  const often = counts
    ? counts.failed === 0
      ? ` We tried it ${counts.of} ${counts.of === 1 ? 'time' : 'times'}.`
      : ` It did so ${counts.failed} of ${counts.of} times.`
    : '';
  return said(`${onTool(plain, kind)}${measured(finding)}${often}${unsure}`, entryId);
}

/** What is wrong with a kind of machine, in a layman's sentence. */
export const causeSaid = (cause: CauseId, kind: MachineKind): string => onTool(PLAIN_CAUSE[cause], kind);

/** The same inside another sentence, without its full stop: "the fuel line is cracked". */
export const causeClause = (cause: CauseId, kind: MachineKind): string => {
  const [first = ''] = causeSaid(cause, kind).split('. ');
  const bare = first.replace(/\.$/, '');
  return bare.charAt(0).toLowerCase() + bare.slice(1);
};

/** A chance as people say it, never finer than a tenth. */
export function chanceSaid(p: number): string {
  const n = Math.round(p * 10);
  if (n <= 0) return 'hardly a chance';
  if (n >= 10) return 'it next to certain';
  return `${n} ${n === 1 ? 'chance' : 'chances'} in 10`;
}
