import { causeOf } from '../knowledge';
import { makeEntry, type Entry, type Noted } from '../log';
import type { Hidden } from './hidden';
import type { Step, Worked } from './moves';

/** What a step puts on the log of the bench. */
function notedIn({ move, shows, result, slip, outcome, off }: Step, after: Step['off']): Noted[] {
  switch (move.do) {
    case 'note': {
      if (result === undefined || slip) return [];
      const { reading, result: picked, sureness } = move.noted;
      const said = reading ? { reading } : { result: picked ?? '' };
      return [{ kind: 'finding', body: { check: move.check, ...said, sureness } }];
    }
    case 'mend':
      return [
        {
          kind: 'repair',
          body: {
            cause: move.cause,
            ...(move.remedy && { remedy: move.remedy }),
            outcome: outcome ?? 'no-change',
          },
        },
      ];
    case 'make-safe':
      return [{ kind: 'answered', body: { safety: 'put-right' } }];
    case 'look':
    case 'off':
    case 'on':
      return [
        ...after
          .filter((part) => !off.includes(part))
          .map((part): Noted => ({ kind: 'took-off', body: { part } })),
        ...off
          .filter((part) => !after.includes(part))
          .map((part): Noted => ({ kind: 'put-back', body: { part } })),
        ...(shows && shows.result === null && shows.words
          ? [{ kind: 'note', body: { text: shows.words } } as const]
          : []),
      ];
    case 'ask':
    case 'take-back':
    case 'hand-back':
      return [];
  }
}

/**
 * An exercise as the log of a bench, on the exercise's own clock. `from`: when it began, ms since 1970. Entries are named by the position of
 * their step, as the evidence is.
 */
export function logOf(hidden: Hidden, worked: Worked, from: number): Entry[] {
  const entries: Entry[] = [];
  const put = (noted: Noted, id: string, minutes: number): void => {
    const notedAt = new Date(from + Math.round(minutes * 60_000) + entries.length).toISOString();
    entries.push({ ...makeEntry(noted, { id, notedAt }), seq: entries.length + 1 });
  };
  hidden.complaints.forEach((complaint, n) =>
    put(
      { kind: 'complaint', body: { complaint, words: hidden.says[n] ?? hidden.says[0] ?? '' } },
      complaint,
      0,
    ),
  );
  put({ kind: 'history', body: { answers: hidden.history } }, 'history', 0);
  worked.steps.forEach((step, n) => {
    const after = worked.steps[n + 1]?.off ?? worked.off;
    notedIn(step, after).forEach((noted, k) => {
      const own = noted.kind === 'finding' || noted.kind === 'repair' || noted.kind === 'answered';
      put(noted, own ? String(n) : `${n}.${k}`, step.at + step.minutes);
    });
  });
  return entries;
}

/** What was wrong with a hidden machine, in words, what is to blame first. */
export const faultsInWords = ({ faults, toBlame }: Hidden): string[] =>
  faults.toSorted((x, y) => +toBlame.includes(y) - +toBlame.includes(x)).map((id) => causeOf(id).name);
